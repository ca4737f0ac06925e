"""What was really set, beside the card: how far off it is, and on which side."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from judicum.core.errors import InvalidValue, said
from judicum.core.fields import Fields, Text
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import gas, rules
from judicum.core.setup.card import card_of
from judicum.core.setup.coupon import Coupon, read_coupon
from judicum.core.setup.electrode import THICKEST_MM
from judicum.core.setup.pulse import KEYS as PULSE_KEYS
from judicum.core.setup.pulse import read_pulse
from judicum.core.setup.record import Band, Card, Used
from judicum.core.setup.run import RUN
from judicum.core.setup.warnings import Warned
from judicum.core.units import L_MIN_PER_CFH

BESIDES = ("gas_cfh", "arc_length_mm", "dab_pitch_mm", "dabs_per_s", "filler_angle_deg")
"""Figures that are no columns of a run and may still be checked."""
LOGGED = tuple(spec for spec in RUN.specs if spec.key not in ("filler_alloy", "electrode_kind"))
USED = Fields(
    "what was set",
    (
        *LOGGED,
        *(QUANTITIES[key] for key in BESIDES),
        Text("filler_alloy"),
        Text("electrode_kind"),
    ),
)
WORK_OFF_DEG = 15
"""Degrees. Further from the usual work angle one toe is favoured."""
MIN_ARC_DIAMETERS = 0.25
"""Nearer than this the point dips."""
MAX_PUSH_DEG = {"vertical_up": 25}
USUAL_PUSH_DEG = 20


@dataclass(frozen=True)
class Deviation:
    """A figure off the card: its key, the figure, its range, how far outside in its unit, and whether `below`."""

    key: str
    used: float
    low: float
    high: float

    @property
    def below(self) -> bool:
        return self.used < self.low

    @property
    def outside(self) -> float:
        return round(self.low - self.used if self.below else self.used - self.high, 3)


@dataclass(frozen=True)
class Checked:
    """What of a setup lies off the card, and what it is warned of."""

    deviations: tuple[Deviation, ...]
    warnings: tuple[Warned, ...]


def check_setup(given: Mapping[str, Any]) -> Checked:
    """Compare what was used with the card of a coupon (docs/setup-card.md).

    Raises:
        InvalidValues: a field that is unknown, missing or no figure of sense in any unit.
    """
    if not isinstance(given, Mapping) or set(given) - {"coupon", "used"}:
        shown = sorted(map(str, given)) if isinstance(given, Mapping) else given
        raise InvalidValue("check", shown, said("allowed-an-object-with-coupon-and-used"))
    if not isinstance(given.get("used"), Mapping):
        raise InvalidValue("used", given.get("used"), said("allowed-an-object-with-what-was-set"))
    coupon = read_coupon(given.get("coupon") or {})
    used = read_used(given["used"])
    card = card_of(coupon)
    bands = ranges(coupon, card, used)
    _refuse_nonsense(used, bands["gas_l_min"])
    deviations = []
    for key, value in used.figures():
        base = "gas_l_min" if key == "gas_cfh" else key
        if base not in bands:
            continue
        share = 1 / L_MIN_PER_CFH if key == "gas_cfh" else 1.0
        low, high = bands[base][0] * share, bands[base][1] * share
        if not low <= value <= high:
            deviations.append(Deviation(key, value, round(low, 2), round(high, 2)))
    return Checked(tuple(deviations), tuple(warnings(coupon, card, used)))


def read_used(given: Mapping[str, Any]) -> Used:
    """What was set, from JSON values. Raises InvalidValues."""
    separate = ("pulse", *PULSE_KEYS)
    used = USED.check({k: v for k, v in given.items() if k not in separate})
    parts = {key: given[key] for key in PULSE_KEYS if given.get(key) is not None}
    pulse = read_pulse(given.get("pulse") if given.get("pulse") is not None else parts or None)
    return Used.of({key: value for key, value in used.items() if value != ""} | {"pulse": pulse})


def flow_of(used: Used) -> float | None:
    """The flow that was set, L/min.

    >>> round(flow_of(Used(gas_cfh=20.0)), 2)
    9.44
    """
    if used.gas_l_min is not None:
        return float(used.gas_l_min)
    return used.gas_cfh * L_MIN_PER_CFH if used.gas_cfh is not None else None


def _refuse_nonsense(used: Used, band: tuple[float, float]) -> None:
    """A flow outside of all sense that no other unit explains is refused; one that is explained is warned of."""
    flow = flow_of(used)
    if flow is not None and not QUANTITIES["gas_l_min"].sensible_at(flow) and rules.flow_slip(flow, *band) is None:
        key = "gas_l_min" if used.gas_cfh is None else "gas_cfh"
        raise InvalidValue(key, getattr(used, key), QUANTITIES[key].makes_sense)


def ranges(coupon: Coupon, card: Card, used: Used) -> dict[str, tuple[float, float]]:
    """Low and high of every figure that can be compared; gas for the cup and part really used."""
    keys = ("current_a", "stickout_mm", "arc_length_mm", "preflow_s", "postflow_s", "downslope_s", "travel_mm_s")
    found = {key: (band.low, band.high) for key in keys if (band := card.band(key))}
    low, _, high = gas.flow_for(
        coupon,
        used.cup or card.cup.number,
        used.gas_part or coupon.gas_part,
        used.stickout_mm or card.stickout_mm.aim,
    )
    if coupon.flow_school == "half":  # half of it gives the same cover; the whole is no mistake
        high /= gas.FLOW_OF_SCHOOL["half"]
    found["gas_l_min"] = (round(low, 1), round(high, 1))
    found["cup"] = (card.cup.low, card.cup.high)
    rod = card.electrode.diameter_mm
    found["electrode_mm"] = (rod, max(rod, THICKEST_MM))
    if card.filler:
        found["filler_mm"] = (card.filler.low_mm, card.filler.high_mm)
    if card.dab_pitch_mm:
        found["dab_pitch_mm"] = (card.dab_pitch_mm.low, card.dab_pitch_mm.high)
    if card.dabs_per_s:
        found["dabs_per_s"] = (round(0.7 * card.dabs_per_s, 2), round(1.4 * card.dabs_per_s, 2))
    if card.purge:
        found["purge_l_min"] = (card.purge.l_min.low, card.purge.l_min.high)
    found["arc_diameters"] = (MIN_ARC_DIAMETERS, 1.0)
    found["start_current_a"] = (0.0, card.current_a.aim)  # above the bead's own it bites into the edge
    work = card.angles_deg.work
    found["work_angle_deg"] = (work - WORK_OFF_DEG, work + WORK_OFF_DEG)
    found["travel_angle_deg"] = (0, MAX_PUSH_DEG.get(coupon.position, USUAL_PUSH_DEG))
    return found


def warnings(coupon: Coupon, card: Card, used: Used) -> list[Warned]:
    """What the used settings are warned of; what was not logged is not judged."""
    bands = ranges(coupon, card, used)
    cup = used.cup or card.cup.number
    part = used.gas_part or coupon.gas_part
    current = used.current_a or card.current_a.aim
    found = [*coupon.questions, *rules.of_metal(coupon)]
    if used.torch is not None:
        found += rules.of_torch(used.torch, current, cup, coupon.torch)
    elif coupon.torch is not None and used.current_a is not None:
        found += rules.of_torch(coupon.torch, current, cup)
    found += rules.of_gas_part(coupon, part, cup)
    flow = flow_of(used)
    if flow is not None:
        found += rules.of_flow(flow, cup, part, Band(bands["gas_l_min"][0], flow, bands["gas_l_min"][1]))
    if used.stickout_mm is not None:
        found += rules.of_stickout(used.stickout_mm, card.stickout_mm)
    found += rules.of_filler(
        coupon, used.filler_alloy, used.filler_mm, bands["filler_mm"][1] if "filler_mm" in bands else None
    )
    if used.electrode_mm is not None or used.current_a is not None:
        found += rules.of_electrode(used.electrode_mm or card.electrode.diameter_mm, current)
    if used.polarity not in (None, coupon.metal.polarity):
        codes = {"used": used.polarity, "metal": coupon.metal_name, "right": coupon.metal.polarity}
        found.append(Warned("polarity_wrong", codes=codes))
    for key, code in (("postflow_s", "postflow_short"), ("preflow_s", "preflow_short")):
        set_s = getattr(used, key)
        if set_s is not None and set_s < bands[key][0]:
            found.append(Warned(code, {"used": (set_s, "time"), "low": (bands[key][0], "time")}, key=key))
    found += rules.of_pulse(used.pulse or coupon.pulse, card.current_a)
    found += rules.of_purge(coupon)
    if used.travel_angle_deg is not None:
        found += rules.of_angle(used.travel_angle_deg)
    if used.travel_mm_s is not None:
        found += rules.of_speed(used.travel_mm_s, card.travel_mm_s)
    return found
