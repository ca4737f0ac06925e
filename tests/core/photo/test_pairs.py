"""The pair search, the run along which a bead stands out, and toes as a whole, on made-up edges."""

import numpy as np
import pytest

from judicum.core.arrays import Floats
from judicum.core.photo.toes import Toes, line_through
from judicum.core.photo.trace import PAIR_N_MM, WIDTH_MM, _strong_run, _toe_pair
from judicum.core.photo.unwrap import Line
from tests.core.photo.bands import LINE, straight_toes

ROWS, COLUMNS = 72, 50


def edges(left: Floats, right: Floats, strength: float = 8.0, noise: float = 0.3) -> Floats:
    """Edge strength (ROWS, COLUMNS) with a line along each of two paths."""
    rows = np.arange(ROWS)[:, None]
    near = np.maximum(np.exp(-0.5 * (rows - left) ** 2), np.exp(-0.5 * (rows - right) ** 2))
    return strength * near + noise * np.random.default_rng(5).random((ROWS, COLUMNS))


def grey() -> Floats:
    return np.zeros((ROWS, COLUMNS, 3))


def test_the_strongest_pair_of_paths_is_found_and_followed() -> None:
    middle = 35 + 6 * np.sin(np.arange(COLUMNS) / 12)
    left, right = _toe_pair(edges(middle - 8, middle + 9), grey(), ROWS)
    assert np.abs(left - (middle - 8)).max() <= 1.5
    assert np.abs(right - (middle + 9)).max() <= 1.5


def test_paths_keep_their_order_and_the_least_width_where_edges_cross() -> None:
    drift = np.linspace(0, 24, COLUMNS)
    left, right = _toe_pair(edges(24 + drift, 48 - drift), grey(), ROWS)
    assert (right - left).min() >= int(WIDTH_MM[0] / PAIR_N_MM)


@pytest.mark.parametrize(("unlike", "right_row"), [(0.0, 56), (60.0, 44)])
def test_a_stronger_edge_with_unlike_metal_beyond_it_loses(unlike: float, right_row: int) -> None:
    flat = np.ones(COLUMNS)
    strength = np.maximum(edges(32 * flat, 44 * flat, 7.0), edges(32 * flat, 56 * flat, 8.0))
    colour = grey()
    colour[57:, :, 1] = unlike
    left, right = _toe_pair(strength, colour, ROWS)
    assert (np.median(left), np.median(right)) == (32, right_row)


def test_the_left_toe_stays_within_its_rows() -> None:
    flat = np.ones(COLUMNS)
    left, _ = _toe_pair(edges(50 * flat, 62 * flat), grey(), 40)
    assert left.max() < 40


@pytest.mark.parametrize(("first", "last"), [(8, 90), (20, 70), (60, 95)])
def test_the_run_that_stands_out_is_found(first: int, last: int) -> None:
    score = 0.2 + 0.1 * np.random.default_rng(1).random(100)
    score[first : last + 1] += 1.5
    found = _strong_run(score)
    assert found[0] == pytest.approx(first, abs=2)
    assert found[1] == pytest.approx(last, abs=2)


def test_a_run_that_fades_goes_on_and_a_weak_spot_does_not_cut_it() -> None:
    score = np.full(120, 0.2)
    score[20:100] = 1.6
    score[100:112] = 0.9
    score[55:58] = 0.3
    first, last = _strong_run(score)
    assert first == pytest.approx(20, abs=2)
    assert last == pytest.approx(111, abs=3)


def test_toes_follow_another_trace_over_some_stretches_only() -> None:
    toes, free = straight_toes(2.0), straight_toes(3.2)
    mixed = toes.following(free, [(30.0, 4.0)])
    there = np.abs(mixed.s_mm - 30) < 3.4
    assert mixed.right_mm[there] == pytest.approx(3.2)
    assert mixed.left_mm[there] == pytest.approx(-3.2)
    assert mixed.right_mm[np.abs(mixed.s_mm - 30) > 3.6] == pytest.approx(2.0)
    assert toes.following(free, []).right_mm == pytest.approx(toes.right_mm)


@pytest.mark.parametrize("slope", [-0.1, 0.0, 0.15])
def test_the_line_through_a_bead_runs_along_its_middle(slope: float) -> None:
    toes = straight_toes(2.0)
    leaning = Toes(LINE, toes.s_mm, slope * toes.s_mm - 2.0, slope * toes.s_mm + 2.0, toes.evidence, 10.0, 50.0)
    line = line_through(leaning)
    assert float(np.arctan2(line.along[1], line.along[0])) == pytest.approx(np.arctan(slope), abs=1e-6)
    assert float((line.origin - np.array([30.0, 30.0 * slope])) @ line.across) == pytest.approx(0.0, abs=1e-6)


def test_a_line_keeps_the_direction_it_was_traced_in() -> None:
    back = Line(np.array([60.0, 0.0]), np.array([-1.0, 0.0]))
    toes = straight_toes(2.0)
    turned = Toes(back, toes.s_mm, toes.left_mm, toes.right_mm, toes.evidence, 10.0, 50.0)
    assert line_through(turned).along == pytest.approx(np.array([-1.0, 0.0]))
