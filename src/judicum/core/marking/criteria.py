"""The criteria a coupon can be marked by: one record each, measured or found by hand.

A measured criterion reads one figure of the evidence; a curve of straight pieces turns it into 0 to 10. One that is chosen
by hand has a score for each option. A scheme (`scheme.py`) picks some of them and may bend their curves.

To add one: its record here, its reading in `readings.py`, its sentence in judicum.words.marking.
"""

from dataclasses import dataclass, field

from judicum.core.acceptance import BANDS
from judicum.core.photo.fault_kinds import FAULT_KINDS

Curve = tuple[tuple[float, float], ...]
"""Points (figure, score 0 to 10) by growing figure; outside of them the nearest one counts."""


@dataclass(frozen=True)
class Criterion:
    """One criterion. `unit` is how the figure is shown that its curve is read on (`share`, `ratio`, `levels`, `points`).

    `options` instead of a curve: the score of each option of the choice of the same name. `needs` are the findings by hand
    that it is read from.
    """

    key: str
    unit: str
    curve: Curve = ()
    options: dict[str, float] = field(default_factory=dict)
    needs: tuple[str, ...] = ()


_TABLE = (
    Criterion("width_evenness", "share", BANDS["width_cv"].curve),
    Criterion("width_on_target", "share",
        ((0.05, 10), (0.15, 8), (0.25, 5), (0.5, 0))),
    Criterion("width_drift", "share",
        ((0.05, 10), (0.12, 8), (0.2, 5), (0.4, 0))),
    Criterion("ripple_evenness", "share", BANDS["pitch_cv"].curve),
    Criterion("straight_toes", "share",
        BANDS["toe_waviness"].curve),
    Criterion("tint", "levels", ((0, 10), (1, 5), (2, 2), (3, 0))),
    Criterion("tint_zone", "share",
        ((0.6, 10), (1.0, 8), (1.6, 5), (3.0, 0))),
    Criterion("tint_sides", "ratio",
        ((1.15, 10), (1.5, 8), (2.0, 5), (3.5, 0))),
    Criterion("faults", "points", ((0, 10), (1, 8), (3, 4), (6, 0))),
    Criterion("ends", "points", ((0, 10), (1, 6), (2, 3), (3, 0))),
    Criterion("length_welded", "share", ((0.5, 0), (0.8, 5), (0.95, 10))),
    Criterion("setup_followed", "points", ((0, 10), (10, 0))),
    Criterion("preparation", "share", ((0.5, 0), (0.75, 5), (1.0, 10))),
    Criterion("legs_equal", "ratio", ((1.05, 10), (1.25, 8), (1.5, 5), (2.0, 0)),
        needs=("leg_upper_mm", "leg_lower_mm")),
    Criterion("leg_size", "share", ((0.1, 10), (0.2, 8), (0.35, 5), (0.7, 0)),
        needs=("leg_upper_mm", "leg_lower_mm")),
    Criterion("throat", "share", ((0.7, 0), (0.9, 5), (1.0, 10), (1.25, 10), (1.6, 5)),
        needs=("throat_mm", "leg_upper_mm", "leg_lower_mm")),
    Criterion("face", "", options={"flat": 10, "convex": 9, "sunken": 3, "ropey": 2}, needs=("face",)),
    Criterion("back", "",
        options={"bright": 10, "tinted": 7, "sugared": 0, "not_through": 0, "hangs_through": 3}, needs=("back",)),
    Criterion("distortion", "mm", ((0.5, 10), (1.0, 8), (2.0, 5), (5.0, 0)),
        needs=("distortion_mm",)),
    Criterion("turned", "deg", ((1, 10), (2, 8), (4, 5), (8, 0)),
        needs=("distortion_deg",)),
    Criterion("bend", "", options={"held": 10, "opened": 4, "broke": 0}, needs=("bend",)),
    Criterion("time_taken", "share", ((0.8, 10), (1.0, 8), (1.2, 4), (1.5, 0)),
        needs=("time_taken_s",)),
    Criterion("overall", "points", ((0, 0), (10, 10))),
)  # fmt: skip
NOT_ON_THE_BEAD = ("setup_followed", "preparation", "time_taken")
"""Criteria that no look at the bead can judge: they are read from log and list."""
CRITERIA: dict[str, Criterion] = {criterion.key: criterion for criterion in _TABLE}

KNOCK_OUTS = ("grey", *FAULT_KINDS, "back_sugared", "back_not_through", "bend_broke", "not_in_time")
"""What may fail a coupon whatever its sum; every kind of fault is one."""
