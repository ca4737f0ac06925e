"""Tips of beads on drawn bands: found under what hides them, and how clear they are."""

import numpy as np
import pytest

from judicum.core.photo.band import Band
from judicum.core.photo.ends import find_ends
from judicum.core.photo.film import film_lab, lab_to_linear
from judicum.core.photo.toes import Toes
from tests.core.photo.bands import DENSITY, LENGTH_MM, LINE, bead_band, lit_band, straight_toes


def every(step_mm: float, toes: Toes) -> Toes:
    """The same toes as a rough trace knows them: every so many millimetres."""
    s = np.arange(step_mm / 2, LENGTH_MM, step_mm)
    left, right, seen = (np.interp(s, toes.s_mm, v) for v in (toes.left_mm, toes.right_mm, toes.evidence))
    return Toes(LINE, s, left, right, seen, toes.start_mm, toes.end_mm)


@pytest.mark.parametrize("half_mm", [0.9, 1.6, 3.0])
def test_tips_are_found_from_a_rough_trace_of_any_width(half_mm: float) -> None:
    band = bead_band(half_mm, start=10.0, end=50.0)
    found = find_ends(band, every(1.5, straight_toes(half_mm, 12.0, 48.0)))
    assert found.start_mm == pytest.approx(10.0, abs=0.4)
    assert found.end_mm == pytest.approx(50.0, abs=0.4)
    assert found.clear > 3


@pytest.mark.parametrize("beyond", [6.0, 9.0])
def test_a_trace_that_ran_on_beyond_the_bead_is_cut_back(beyond: float) -> None:
    band = bead_band(2.0, start=14.0, end=44.0)
    found = find_ends(band, straight_toes(2.0, 14.0 - beyond, 44.0 + beyond))
    assert found.start_mm == pytest.approx(14.0, abs=0.4)
    assert found.end_mm == pytest.approx(44.0, abs=0.4)


def test_a_trace_that_stopped_early_is_drawn_on() -> None:
    found = find_ends(bead_band(2.0, start=8.0, end=52.0), straight_toes(2.0, 16.0, 42.0))
    assert found.start_mm == pytest.approx(8.0, abs=0.4)
    assert found.end_mm == pytest.approx(52.0, abs=0.4)


@pytest.mark.parametrize("zone_nm", [25.0, 55.0])
def test_a_contour_of_the_tint_round_the_tip_is_not_the_tip(zone_nm: float) -> None:
    found = find_ends(bead_band(2.0, bead_nm=10, zone_nm=zone_nm, fade_mm=(3.0, 3.0)), straight_toes(2.0))
    assert found.start_mm == pytest.approx(10.0, abs=0.4)
    assert found.end_mm == pytest.approx(50.0, abs=0.4)


def test_a_front_near_the_end_is_not_the_tip() -> None:
    band = bead_band(2.0)
    u = band.n_mm[:, None] / 2.0
    lines = sum(
        (np.exp(-0.5 * ((band.s_mm[None, :] + 1.4 * u**2 - p) / 0.12) ** 2) for p in np.arange(12.0, 49.0, 2.0)),
        np.zeros(band.lab.shape[:2]),
    )
    rippled = lit_band(band.s_mm, band.n_mm, band.linear * (1 - 0.5 * lines * (np.abs(u) < 0.9))[..., None])
    found = find_ends(rippled, straight_toes(2.0, 12.0, 48.0))
    assert found.start_mm == pytest.approx(10.0, abs=0.4)
    assert found.end_mm == pytest.approx(50.0, abs=0.4)


def test_a_cap_may_lie_a_little_beside_the_line_drawn_on() -> None:
    band = bead_band(2.0)
    low = straight_toes(2.0, centre=0.35)
    found = find_ends(band, low)
    assert found.start_mm == pytest.approx(10.0, abs=0.5)
    assert found.end_mm == pytest.approx(50.0, abs=0.5)


def stripe(film_nm: float) -> Band:
    """A tinted stripe without a bead that runs on at both ends."""
    s, n = np.arange(0.0, LENGTH_MM, 1 / DENSITY), np.arange(-14.0, 14.0, 1 / DENSITY)
    film = film_nm * np.exp(-((n / 3.0) ** 2))[:, None] * np.ones((1, len(s)))
    noise = 0.4 * np.random.default_rng(1).standard_normal((*film.shape, 1))
    return lit_band(s, n, lab_to_linear(film_lab(film) + noise))


@pytest.mark.parametrize("film_nm", [20.0, 45.0])
def test_a_tinted_stripe_has_less_clear_tips_than_a_bead(film_nm: float) -> None:
    toes = straight_toes(2.0, 5.0, 55.0)
    assert find_ends(stripe(film_nm), toes).clear < find_ends(bead_band(2.0), straight_toes(2.0)).clear - 0.5


def test_a_trace_too_short_to_be_looked_at_keeps_its_ends_and_is_not_clear() -> None:
    found = find_ends(bead_band(2.0), every(1.5, straight_toes(2.0, 30.0, 31.0)))
    assert found == (30.0, 31.0, 0.0)
