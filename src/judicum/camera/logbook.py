"""What the stand-in welder writes down: a run about as the card aims at, but for a habit."""

from collections.abc import Sequence
from typing import Any

import numpy as np

from judicum.camera.habits import Habit
from judicum.core.setup.record import Card

LOGGED = (
    "current_a", "gas_l_min", "stickout_mm", "preflow_s", "downslope_s", "postflow_s", "travel_mm_s", "arc_length_mm",
)  # fmt: skip
SPREAD = 0.03
"""Of the figures a welder sets beside those aimed at, as a standard deviation over the figure."""
PURGE_WAIT_S = 60.0


def aims_of(card: Card) -> dict[str, float]:
    """What a card aims at, by the keys of a run."""
    aims = {key: float(band.aim) for key in LOGGED if (band := card.band(key))}
    aims |= {f"{key}_angle_deg": float(getattr(card.angles_deg, key)) for key in ("work", "travel")}
    if card.dabs_per_s:
        aims["dabs_per_s"] = float(card.dabs_per_s)
    if card.purge:
        aims |= {"purge_l_min": float(card.purge.l_min.aim), "purge_wait_s": PURGE_WAIT_S}
    return aims | {"start_current_a": aims["current_a"]}


def run_of(rng: np.random.Generator, card: Card, habits: Sequence[tuple[Habit, float]]) -> dict[str, Any]:
    """A run as a welder with these habits (each with how bad it is, 0 to 1) logs it."""
    aims = aims_of(card)
    run: dict[str, Any] = {key: round(aim * float(rng.normal(1, SPREAD)), 2) for key, aim in aims.items()}
    run |= {"cup": card.cup.number, "gas_part": "gas_lens"}
    if card.filler:
        run["filler_mm"] = card.filler.diameter_mm
    for habit, bad in habits:
        for key, (mild, worst) in habit.run.items():
            run[key] = round(aims[key] * (mild + bad * (worst - mild)), 2)
        run |= habit.fixed
    return run
