"""A welder with hidden habits: the bead that is welded, and what such a welder logs, notices and skips."""

from dataclasses import dataclass
from typing import Any

import numpy as np

from judicum.camera.habits import HABITS, Habit
from judicum.camera.logbook import aims_of, run_of
from judicum.camera.scene import Scene, View, weld
from judicum.core.setup import plan_card

SEEN_BY_WELDER = 0.8
"""How often what the habit shows at the booth was noted."""
LIST_KEPT = 0.8
"""How often a list of preparation was kept."""
RED_HERRING = 0.25
"""How often another figure was off its range."""
COUPONS: dict[str, dict[str, Any]] = {
    "butt": {"metal": "304L", "joint": "butt", "thickness_mm": 1.5},
    "tee": {"metal": "304L", "joint": "tee", "thickness_mm": 2.0},
    "tube": {"metal": "304L", "joint": "tube_butt", "thickness_mm": 1.6, "tube_od_mm": 48.3, "form": "tube"},
    "two": {"metal": "304L", "joint": "lap", "thickness_mm": 1.5, "second_thickness_mm": 3.0},
}
HERRINGS = ("preflow_s", "downslope_s", "postflow_s", "stickout_mm", "travel_mm_s", "gas_l_min")


@dataclass(frozen=True)
class Welder:
    """A welder to be found out: the hidden habits (none: sound), whether the card is copied into the log, and how bad the habits are (0 to
    1; None: anything from a fifth)."""

    habits: tuple[str, ...]
    seed: int
    copies: bool = False
    bad: float | None = None


def case_of(welder: Welder) -> tuple[Scene, dict[str, Any]]:
    """The scene to be photographed, and the case without its measurement."""
    rng = np.random.default_rng(welder.seed)
    drawn = [float(rng.uniform(0.2, 1.0)) for _ in welder.habits]
    habits = [(HABITS[c], d if welder.bad is None else welder.bad) for c, d in zip(welder.habits, drawn, strict=True)]
    coupon = COUPONS[habits[0][0].coupon if habits else Habit().coupon]
    card = plan_card(coupon)
    run = run_of(rng, card, habits)
    if rng.uniform() < RED_HERRING:
        key = str(rng.choice([k for k in HERRINGS if not any(k in habit.run for habit, _ in habits)]))
        run[key] = round(float(getattr(card, key).low) * 0.8, 2)
    if welder.copies:
        run |= aims_of(card)
    case: dict[str, Any] = {
        "coupon": coupon,
        "runs": [run],
        "by_hand": {k: v for one, _ in habits for k, v in one.by_hand.items()},
    }
    if rng.uniform() < SEEN_BY_WELDER:
        case["looks"] = {k: v for one, _ in habits for k, v in one.looks.items()}
    if rng.uniform() < LIST_KEPT:
        skipped = [step for one, _ in habits for step in one.skipped]
        case["skipped"] = [*skipped, *(["practised_on_scrap"] if rng.uniform() < 0.3 else [])]
    width = float(card.bead.width_mm.aim) * float(rng.normal(1, 0.03))
    bead = weld(
        rng,
        length_mm=float(rng.uniform(72, 92)),
        width_mm=width,
        width_cv=float(rng.uniform(0.02, 0.045)),
        pitch_mm=float(rng.normal(2.2, 0.1)),
        pitch_cv=float(rng.uniform(0.04, 0.10)),
        wander_mm=0.08,
        bead_level=int(rng.integers(1, 3)),
        zone_level=3,
    )
    for habit, bad in habits:
        bead = habit.bead(rng, bead, bad) if habit.bead is not None else bead
    scene = Scene(
        bead,
        start_mm=(float(rng.uniform(36, 44)), float(rng.uniform(50, 58))),
        angle_deg=float(rng.normal(0, 1.5)),
        grain_deg=float(rng.uniform(-40, 40)),
        grain=float(rng.uniform(0.2, 0.5)),
        view=View(tilt_deg=float(rng.uniform(1, 12)), tilt_towards_deg=float(rng.uniform(0, 360))),
        seed=welder.seed,
    )
    return scene, case
