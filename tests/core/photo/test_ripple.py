"""Ripple fronts on drawn faces: found, counted, and not invented."""

import numpy as np
import pytest

from judicum.core.arrays import Floats
from judicum.core.photo.ripple import Ripple, find_ripples

STEP_MM = 1 / 14
HALF_MM = 2.3


def face(
    fronts: Floats,
    *,
    curve: float = 0.7,
    depth: float = 12.0,
    length: float = 70.0,
    glint: float = 0.0,
    noise: float = 1.0,
    lean: float = 0.0,
    bright_mm: float | None = None,
) -> Floats:
    """Lightness of a bead face whose fronts are dark lines, bright on one side of the middle where they glint.

    With `bright_mm` every front has a bright flank that far behind its dark one.
    """
    rng = np.random.default_rng(4)
    s = np.arange(0.0, length, STEP_MM)
    u = np.linspace(-1, 1, 61)[:, None]
    lead = s[None, :] + curve * HALF_MM * u**2 + lean * HALF_MM * u
    lines = sum((np.exp(-0.5 * ((lead - p) / 0.12) ** 2) for p in fronts), np.zeros((61, len(s))))
    sign = np.where(u > 1 - 2 * glint, -1.0, 1.0)
    if bright_mm is not None:
        lines = lines - sum((np.exp(-0.5 * ((lead - p - bright_mm) / 0.12) ** 2) for p in fronts), np.zeros_like(lines))
    return 55 - depth * lines * sign + noise * rng.standard_normal((61, len(s)))


def even(pitch: float, cv: float = 0.0, seed: int = 1) -> Floats:
    gaps = pitch * (1 + cv * np.random.default_rng(seed).standard_normal(80))
    fronts = np.cumsum(gaps)
    return fronts[(fronts > 2.5) & (fronts < 66)]


@pytest.mark.parametrize("pitch", [1.3, 2.0, 3.1])
@pytest.mark.parametrize("cv", [0.0, 0.12, 0.2])
def test_pitch_and_cv_of_drawn_fronts(pitch: float, cv: float) -> None:
    fronts = even(pitch, cv)
    found = find_ripples(face(fronts), STEP_MM, HALF_MM)
    assert found is not None
    told = found.figures()
    gaps = np.diff(fronts)
    assert told["pitch_mm"] == pytest.approx(gaps.mean(), rel=0.03 if cv < 0.2 else 0.06)
    assert told["cv"] == pytest.approx(gaps.std(ddof=1) / gaps.mean(), abs=0.03 if cv < 0.2 else 0.05)
    assert told["count"] == pytest.approx(len(fronts), abs=2)


@pytest.mark.parametrize("curve", [-1.2, -0.4, 0.5, 1.3])
def test_the_curvature_of_the_fronts_is_found(curve: float) -> None:
    found = find_ripples(face(even(2.1), curve=curve), STEP_MM, HALF_MM)
    assert found is not None
    assert found.curve_mm / HALF_MM == pytest.approx(curve, abs=0.16)


def test_straight_lines_across_are_the_brushing_and_no_fronts() -> None:
    assert find_ripples(face(even(2.1), curve=0.0), STEP_MM, HALF_MM) is None
    assert find_ripples(face(even(2.1), curve=0.1), STEP_MM, HALF_MM) is None


def test_fronts_lie_where_they_were_drawn() -> None:
    fronts = even(2.2, 0.1)
    found = find_ripples(face(fronts), STEP_MM, HALF_MM)
    assert found is not None
    nearest = np.abs(found.positions_mm[:, None] - fronts[None, :]).min(1)
    assert np.quantile(nearest, 0.9) < 0.15


@pytest.mark.parametrize("share", [0.25, 0.4])
def test_glints_on_one_side_do_not_hide_the_fronts(share: float) -> None:
    fronts = even(2.0, 0.1)
    found = find_ripples(face(fronts, glint=share), STEP_MM, HALF_MM)
    assert found is not None
    assert found.figures()["pitch_mm"] == pytest.approx(np.diff(fronts).mean(), rel=0.04)


@pytest.mark.parametrize("seed", range(6))
def test_a_face_without_fronts_has_none(seed: int) -> None:
    rng = np.random.default_rng(seed)
    columns = int(70 / STEP_MM)
    blotches = np.kron(rng.standard_normal((11, columns // 10 + 1)), np.ones((6, 10)))[:61, :columns]
    smooth = 55 + 4 * blotches + rng.standard_normal(blotches.shape)
    assert find_ripples(smooth, STEP_MM, HALF_MM) is None


@pytest.mark.parametrize("lean", [-0.35, 0.35])
def test_fronts_that_lean_to_one_toe_are_found_where_they_cross_the_middle(lean: float) -> None:
    fronts = even(2.2, 0.1)
    found = find_ripples(face(fronts, lean=lean), STEP_MM, HALF_MM)
    assert found is not None
    nearest = np.abs(found.positions_mm[:, None] - fronts[None, :]).min(1)
    assert np.quantile(nearest, 0.9) < 0.15
    assert found.agreement > 0.3


@pytest.mark.parametrize("bright_mm", [-0.4, 0.4])
def test_a_front_lies_between_its_dark_and_its_bright_flank(bright_mm: float) -> None:
    fronts = even(2.4, 0.08)
    found = find_ripples(face(fronts, bright_mm=bright_mm), STEP_MM, HALF_MM)
    assert found is not None
    off = [float(p - fronts[np.abs(fronts - p).argmin()]) for p in found.positions_mm]
    assert np.median(off) == pytest.approx(bright_mm / 2, abs=0.08)


def test_fronts_that_are_only_bright_count_as_well() -> None:
    fronts = even(2.0, 0.1)
    found = find_ripples(face(fronts, depth=-12.0), STEP_MM, HALF_MM)
    assert found is not None
    assert found.figures()["pitch_mm"] == pytest.approx(np.diff(fronts).mean(), rel=0.03)


def test_a_pore_beside_a_front_does_not_move_it() -> None:
    fronts = even(2.2, 0.05)
    clean = face(fronts)
    holed = clean.copy()
    u, s = np.linspace(-1, 1, 61)[:, None], np.arange(clean.shape[1])[None, :] * STEP_MM
    beside = float(fronts[12]) + 0.9
    holed[np.hypot((u - 0.1) * HALF_MM, s - beside) < 0.45] = 8.0
    found = find_ripples(holed, STEP_MM, HALF_MM)
    assert found is not None
    assert np.abs(found.positions_mm - fronts[12]).min() < 0.2


@pytest.mark.parametrize(("depth", "seen"), [(0.15, False), (3.0, True)])
def test_fronts_fainter_than_the_eye_can_tell_are_none(depth: float, seen: bool) -> None:
    found = find_ripples(face(even(2.2, 0.1), depth=depth, noise=0.02), STEP_MM, HALF_MM)
    assert (found is not None) is seen


def test_one_missing_piece_makes_no_ripples() -> None:
    blank = 55 + np.random.default_rng(3).standard_normal((61, int(70 / STEP_MM)))
    middle = blank.shape[1] // 2
    blank[:, middle - 30 : middle + 30] -= 25
    assert find_ripples(blank, STEP_MM, HALF_MM) is None


def test_bright_ends_are_no_fronts() -> None:
    blank = np.full((61, int(70 / STEP_MM)), 55.0) + np.random.default_rng(1).standard_normal((61, int(70 / STEP_MM)))
    blank[:, :12] -= 40
    blank[:, -12:] += 40
    assert find_ripples(blank, STEP_MM, HALF_MM) is None


def test_a_missed_dab_is_a_lapse_and_a_blind_stretch_is_not() -> None:
    regular = np.arange(5.0, 65.0, 2.0)
    missed = np.delete(regular, 12)
    told = Ripple(missed, 0.0, 1.0).figures()
    assert told["lapses_mm"] == [pytest.approx(29.0)]
    assert told["pitch_mm"] == pytest.approx((28 * 2 - 1 * 2 + 2 + 2) / 28, rel=0.05)
    blind = np.delete(regular, [10, 11, 12, 13, 14])
    told = Ripple(blind, 0.0, 1.0).figures()
    assert told["pitch_mm"] == pytest.approx(2.0)
    assert told["cv"] == pytest.approx(0.0, abs=1e-9)


def test_a_double_dab_is_a_lapse_too() -> None:
    told = Ripple(np.sort(np.append(np.arange(0.0, 30.0, 2.0), 15.0)), 0.0, 1.0).figures()
    assert len(told["lapses_mm"]) == 2  # type: ignore[arg-type]
