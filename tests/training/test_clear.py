"""How clearly fronts are seen, and what is told of those that are not."""

import numpy as np
import pytest

from training.clear import MIN_CLEAR, clear_only, clearness
from training.labelled import Straight

FRONTS = np.cumsum(np.full(14, 20.0)) + np.array([0, 3, -2, 1, 0, 4, -3, 0, 2, 1, -2, 0, 3, 0])
COLUMNS = 320


def plane(depth: float, shift: float = 0.0) -> np.ndarray:
    """A bead of rows 10 to 50 whose fronts are darker by `depth`, in grain of 6 grey levels."""
    rng = np.random.default_rng(4)
    away = np.abs(np.arange(COLUMNS)[None, :] - FRONTS[:, None] - shift).min(0)
    grey = 120 - depth * np.exp(-((away / 2) ** 2)) + rng.normal(0, 6, (60, COLUMNS))
    return np.repeat(np.clip(grey, 0, 255).astype(np.uint8)[..., None], 3, 2)


def straight(depth: float, fronts: np.ndarray = FRONTS) -> Straight:
    toes = np.full(COLUMNS, 10.0), np.full(COLUMNS, 50.0)
    return Straight(plane(depth), 0, *toes, fronts, np.zeros(COLUMNS), 10.0)


def grey(depth: float) -> np.ndarray:
    return plane(depth)[10:50].mean(-1)


def test_the_deeper_the_fronts_the_clearer_they_are() -> None:
    answer = np.ones(COLUMNS, bool)
    found = [clearness(grey(depth), FRONTS, answer) for depth in (0.0, 5.0, 40.0)]
    assert found == sorted(found)
    assert found[0] < 1.6
    assert found[2] > 2 * MIN_CLEAR


def test_fronts_said_elsewhere_than_they_are_seen_are_not_clear() -> None:
    rng = np.random.default_rng(1)
    elsewhere = np.sort(rng.uniform(10, COLUMNS - 10, 14))
    assert (
        clearness(grey(30.0), elsewhere, np.ones(COLUMNS, bool))
        < MIN_CLEAR
        < clearness(grey(30.0), FRONTS, np.ones(COLUMNS, bool))
    )


def test_too_few_fronts_are_none() -> None:
    assert clearness(grey(40.0), FRONTS[:3], np.ones(COLUMNS, bool)) == 0.0


@pytest.mark.parametrize(("depth", "answer"), [(40.0, True), (0.0, False)])
def test_only_what_is_seen_is_said(depth: float, answer: bool) -> None:
    assert (clear_only(straight(depth)).heat >= 0).all() == answer


def test_a_bead_without_fronts_stays_said_to_have_none() -> None:
    assert (clear_only(straight(0.0, np.zeros(0))).heat >= 0).all()
