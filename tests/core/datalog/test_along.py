"""A weld's time on the bead's millimetres."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.datalog.along import along_bead

SHARE = np.linspace(0.0, 1.0, 800)


def swinging(dabs: int) -> np.ndarray:
    noise = np.random.default_rng(5).normal(0, 0.8, len(SHARE))
    return np.asarray(60 + 9 * np.sin(2 * np.pi * dabs * SHARE) + noise)


def ripples(dabs: int, hurried: float) -> list[float]:
    """Fronts (mm) of as many dabs on 90 mm, where the travel grows by `hurried` from end to end; each at a peak's time."""
    time = (np.arange(dabs) + 0.25) / dabs
    return list(90 * (time + hurried * time**2) / (1 + hurried))


@pytest.mark.parametrize("hurried", [0.0, 0.5, 1.0])
@pytest.mark.parametrize("dabs", [12, 30, 45])
def test_dabs_place_a_weld_whose_travel_was_uneven(dabs: int, hurried: float) -> None:
    place, by_dabs = along_bead(SHARE, swinging(dabs), dabs, ripples(dabs, hurried), 90)
    assert by_dabs
    truth = (SHARE + hurried * SHARE**2) / (1 + hurried)
    assert np.abs(place - truth).max() < 0.03
    assert (np.diff(place) >= 0).all()


@pytest.mark.parametrize("lost", [1, 2])
def test_ripples_that_the_tips_hide_are_no_matter(lost: int) -> None:
    place, by_dabs = along_bead(SHARE, swinging(30), 30, ripples(30, 0.5)[lost:], 90)
    assert by_dabs
    assert np.abs(place - (SHARE + 0.5 * SHARE**2) / 1.5).max() < 0.08


@pytest.mark.parametrize(
    ("dabs", "swings", "fronts", "length"),
    [(30, None, 30, 90), (30, 30, 20, 90), (30, 30, 40, 90), (4, 4, 4, 90), (30, 30, 30, None), (300, 300, 300, 90)],
)
def test_where_they_do_not_agree_the_travel_was_even(
    dabs: int, swings: float | None, fronts: int, length: float | None
) -> None:
    place, by_dabs = along_bead(SHARE, swinging(dabs), swings, ripples(fronts, 0.5), length)
    assert not by_dabs
    assert np.array_equal(place, SHARE)


@given(st.lists(st.floats(0, 90), max_size=40), st.floats(0.1, 300), st.integers(0, 2**32))
def test_places_never_go_back(fronts: list[float], swings: float, seed: int) -> None:
    current = np.random.default_rng(seed).normal(60, 9, len(SHARE))
    place, _ = along_bead(SHARE, current, swings, fronts, 90)
    assert (np.diff(place) >= 0).all()
    assert (place[0], place[-1]) == (0, 1)
