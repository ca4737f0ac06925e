"""What a student logs of one run: the fields, in groups as they are asked for.

Only current and gas are needed; the rest is there for those who know it, and for whoever asks later why.
"""

import math
from collections.abc import Mapping
from dataclasses import replace

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, refuse_all, said
from judicum.core.fields import Fields, Flag, Several, Spec, Text
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.pulse import KEYS as PULSE_KEYS
from judicum.core.setup.record import Card, Run

Q = QUANTITIES
C = CHOICES
GROUPS: dict[str, tuple[Spec, ...]] = {
    "set": (
        Q["current_a"], Q["machine_a"], Q["gas_l_min"], Q["cup"], C["gas_part"], Q["stickout_mm"], C["polarity"],
        Q["preflow_s"], Q["downslope_s"], Q["postflow_s"],
    ),
    "tools": (
        C["technique"], C["filler_alloy"], Q["filler_mm"], C["electrode_kind"], Q["electrode_mm"], C["torch"],
        Q["start_current_a"],
    ),
    "pulse": tuple(Q[key] for key in PULSE_KEYS),
    "purge": (Q["purge_l_min"], Q["purge_wait_s"], Flag("purge_vent"), C["backing"], Q["backing_mm"]),
    "tacked": (Q["tacks"], Q["tack_a"]),
    "hands": (
        C["prop"], C["grip"], C["feed"], Q["arc_diameters"], Q["arc_s"], Q["travel_mm_s"], Q["dabs"], Q["work_angle_deg"], Q["travel_angle_deg"], Q["pass_number"],
        Q["cooled_s"], Flag("brushed"), Several("restarts_mm", Q["restart_mm"], 40),
    ),
    "noticed": (
        C["electrode_after"], C["rod_end"], C["arc"], Flag("puff_at_start"),
        Flag("draught"), Flag("part_hot"),
    ),
    "note": (Text("note"),),
}  # fmt: skip
"""Groups of the log, in the order in which they are asked for."""
RUN = Fields(
    "a run",
    tuple(spec for group in GROUPS.values() for spec in group),
    required=("current_a", "gas_l_min"),
    sensible=True,
)


def check_run(values: Mapping[str, object]) -> Run:
    """Check a logged run.

    Args:
        values: SI figures and choices by key.

    Raises:
        InvalidValues: every field that is unknown, missing or outside what makes sense.
    """
    clean = RUN.check(values)
    problems: list[InvalidValue] = []
    pulse = [clean[key] for key in PULSE_KEYS]
    if any(p is not None for p in pulse):
        problems += [InvalidValue(k, None, Q[k].limits) for k, p in zip(PULSE_KEYS, pulse, strict=True) if p is None]
    peak, background = clean["peak_a"], clean["background_a"]
    if peak is not None and background is not None and background > peak:
        problems.append(
            InvalidValue("background_a", background, said("allowed-no-more-than-the-peak-of", peak=f"{peak:g}"))
        )
    refuse_all(problems)
    return Run.of(clean)


def run_from_card(card: Card) -> Run:
    """The run that follows the card to the letter, in steps a machine can be set to; SI.

    Currents and stick-out go to the nearest whole ampere and mm, gas to half a litre a minute as a flow meter is read, travel
    to a tenth of a mm/s; post-flow is rounded up, since less of it costs the tungsten and the end of the bead.
    """
    return Run(
        current_a=_nearest(card.current_a.aim, 1.0),
        machine_a=_nearest(card.current_a.machine, 1.0),
        polarity=card.polarity,
        cup=card.cup.number,
        gas_part=card.gas_part,
        gas_l_min=_nearest(card.gas_l_min.aim, 0.5),
        stickout_mm=_nearest(card.stickout_mm.aim, 1.0),
        electrode_mm=card.electrode.diameter_mm,
        filler_alloy=card.filler.alloy if card.filler else "none",
        filler_mm=card.filler.diameter_mm if card.filler else None,
        preflow_s=card.preflow_s.aim,
        downslope_s=card.downslope_s.aim,
        postflow_s=float(math.ceil(card.postflow_s.aim)),
        work_angle_deg=card.angles_deg.work,
        travel_angle_deg=card.angles_deg.travel,
        travel_mm_s=_nearest(card.travel_mm_s.aim, 0.1),
        technique="fuse" if card.filler is None else "lay_wire" if card.dab_pitch_mm is None else "dab",
    )


def runs_from_card(card: Card) -> list[Run]:
    """The runs that follow a card of several, each with its own amps, cup, gas, rod and place; none for a single run."""
    usual = run_from_card(card)
    return [
        replace(
            usual,
            current_a=_nearest(one.current_a, 1.0),
            machine_a=_nearest(one.current_a * card.current_a.machine / card.current_a.aim, 1.0),
            cup=one.cup,
            stickout_mm=_nearest(one.stickout_mm, 1.0),
            gas_l_min=_nearest(one.gas_l_min, 0.5),
            filler_mm=one.filler_mm,
            technique=one.technique,
            pass_number=one.number,
            brushed=one.brushed or None,
        )
        for one in card.passes
    ]


def _nearest(value: float, step: float) -> float:
    """Halves go up, as on a dial; digits behind those of the step are noise of the division.

    >>> _nearest(11.25, 0.5), _nearest(2.45, 0.1), _nearest(42.5, 1.0)
    (11.5, 2.5, 43.0)
    """
    return round(math.floor(value / step + 0.5) * step, 6)
