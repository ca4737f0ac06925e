"""The machine at a booth: what it can, and what is done instead of what it cannot."""

from dataclasses import asdict, dataclass

from judicum.core.choices import CHOICES
from judicum.core.fields import Fields, Flag, Text
from judicum.core.metals import TORCHES
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.record import Advice, Card

HOT_SHARE = 0.85
"""Of a torch's rating, from which the handle grows too hot to hold on long work."""
TIMERS = ("preflow", "downslope", "postflow")
PROFILE = Fields(
    "a machine",
    (
        CHOICES["control"],
        *(QUANTITIES[key] for key in ("min_a", "max_a", "start_min_a", "pulse_max_per_second", "mains_a")),
        CHOICES["machine_torch"],
        *(Flag(f"no_{timer}") for timer in TIMERS),
        Flag("no_ac"),
        Flag("no_pulse"),
        Text("ac_controls"),
        Text("knobs"),
    ),
)


@dataclass(frozen=True, kw_only=True)
class MachineProfile:
    """A machine: currents in A, what it lacks, what balance and frequency of AC it is set to, and marks of its knobs beside what they really
    give; None where nobody has said."""

    control: str | None = None
    min_a: float | None = None
    max_a: float | None = None
    start_min_a: float | None = None
    pulse_max_per_second: float | None = None
    mains_a: float | None = None
    machine_torch: int | None = None
    no_preflow: bool = False
    no_downslope: bool = False
    no_postflow: bool = False
    no_ac: bool = False
    no_pulse: bool = False
    ac_controls: str = ""
    knobs: str = ""


def read_machine(given: object) -> MachineProfile:
    """A machine from JSON values. Raises InvalidValues."""
    values = PROFILE.check(given or {}, "machine.")
    return MachineProfile(**{key: value for key, value in values.items() if value is not None})


def gives_a(machine: MachineProfile) -> float | None:
    """The most welding current this machine, its outlet and its torch allow, A; None where nobody has said."""
    rating = TORCHES[machine.machine_torch].rating_a if machine.machine_torch is not None else None
    return min((a for a in (machine.max_a, machine.mains_a, rating) if a is not None), default=None)


def known_of(machine: MachineProfile) -> dict[str, object]:
    """What is known of a machine, by its keys."""
    return {key: value for key, value in asdict(machine).items() if value not in (None, False, "")}


def advice(card: Card, machine: MachineProfile, per_second: float | None = None) -> tuple[Advice, ...]:
    """What of a card this machine cannot do, and what to do instead; `hides` the card's figures that mean nothing on it.

    Args:
        per_second: pulses a second that the card asks for, Hz; None without a pulse.
    """
    need, found = card.current_a, []
    scratch = machine.control == "scratch"
    if machine.max_a is not None and need.machine > machine.max_a:
        found.append(Advice("too_weak", {"need": (need.machine, "current"), "most": (machine.max_a, "current")}))
    if machine.min_a is not None and need.aim < machine.min_a:
        found.append(Advice("too_strong", {"need": (need.aim, "current"), "least": (machine.min_a, "current")}))
    if machine.start_min_a is not None and machine.start_min_a > need.aim:
        found.append(Advice("start_on_scrap", {"start": (machine.start_min_a, "current")}))
    if scratch:
        found.append(Advice("scratch_start", hides=("preflow_s", "downslope_s")))
    if machine.no_preflow and not scratch:
        found.append(Advice("gas_by_hand", hides=("preflow_s",)))
    if machine.no_downslope and not scratch:
        how = "taper_by_foot" if machine.control == "pedal" else "back_up_and_stop"
        found.append(Advice(how, hides=("downslope_s",)))
    if machine.no_postflow:
        found.append(Advice("restrike_for_postflow", {"postflow": (card.postflow_s.aim, "time")}, ("postflow_s",)))
    if machine.no_ac and card.polarity == "AC":
        found.append(Advice("needs_ac"))
    if per_second is not None:
        if machine.no_pulse:
            found.append(Advice("pulse_by_foot" if machine.control == "pedal" else "no_pulser"))
        elif machine.pulse_max_per_second is not None and per_second > machine.pulse_max_per_second:
            found.append(Advice("pulse_too_fast", {"most": (machine.pulse_max_per_second, "rate")}))
    if machine.machine_torch is not None:
        rating = TORCHES[machine.machine_torch].rating_a
        figures = {"rating": (rating, "current"), "need": (need.aim, "current")}
        if need.aim > rating:
            found.append(Advice("torch_too_small", figures))
        elif need.aim > HOT_SHARE * rating:
            found.append(Advice("torch_hot", figures))
    limit = machine.mains_a
    if limit is not None and need.machine > limit:
        found.append(Advice("over_mains", {"need": (need.machine, "current"), "most": (limit, "current")}))
    if machine.control in ("two_step", "four_step", "pedal_switch"):
        found.append(Advice(f"control_{machine.control}", {"machine": (need.aim, "current")}))
    return tuple(found)
