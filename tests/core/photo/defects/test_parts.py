"""Each search for faults by itself, on drawn faces: what it must find, and what it must not take for it."""

import numpy as np
import pytest

from judicum.core.photo.defects.crater import craters
from judicum.core.photo.defects.find import find_defects
from judicum.core.photo.defects.holes import spots
from judicum.core.photo.defects.stretches import missing, runs, sugar, undercut, uneven_width
from judicum.core.photo.film import lab_to_linear
from tests.core.photo.defects.faces import HALF_MM, LENGTH_MM, Canvas

EVEN_S = np.arange(0.0, LENGTH_MM, 0.25)
EVEN_WIDTH = np.full_like(EVEN_S, 2 * HALF_MM)


def nothing(canvas: Canvas) -> np.ndarray:
    return np.zeros((len(canvas.n), len(canvas.s)), bool)


@pytest.mark.parametrize("size", [0.6, 1.0, 1.6])
@pytest.mark.parametrize("n", [-1.0, 0.0, 1.2])
def test_a_black_round_hole_is_a_pore_of_its_diameter(size: float, n: float) -> None:
    canvas = Canvas()
    canvas.dim(canvas.near(30, n, size), 0.03)
    (found,) = spots(canvas.face(), nothing(canvas))
    assert found.kind == "pore"
    assert found.size_mm == pytest.approx(size, abs=0.25)
    assert (found.s_mm, found.n_mm) == (pytest.approx(30, abs=0.2), pytest.approx(n, abs=0.2))


def test_a_hole_over_half_the_width_goes_right_through() -> None:
    canvas = Canvas()
    canvas.dim(canvas.near(22, 0, 3.6), 0.02)
    (found,) = spots(canvas.face(), nothing(canvas))
    assert (found.kind, round(found.size_mm, 1)) == ("burn_through", pytest.approx(3.6, abs=0.3))


def test_a_dark_line_across_is_no_hole() -> None:
    canvas = Canvas()
    for s in np.arange(5, 55, 2.2):
        canvas.dim((np.abs(canvas.s - s)[None, :] < 0.1) & (np.abs(canvas.n)[:, None] < HALF_MM), 0.25)
    assert spots(canvas.face(), nothing(canvas)) == []


def test_a_dark_spot_beside_the_bead_is_no_pore() -> None:
    canvas = Canvas()
    canvas.dim(canvas.near(30, HALF_MM + 0.3, 0.8), 0.03)
    assert [f for f in spots(canvas.face(), nothing(canvas)) if f.kind == "pore"] == []


@pytest.mark.parametrize("share", [2.2, 0.35])
def test_a_hard_speck_that_is_no_hole_is_an_inclusion(share: float) -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, 0.8, 0.9), share)
    assert [f.kind for f in spots(canvas.face(), nothing(canvas))] == ["inclusion"]


@pytest.mark.parametrize(("glints", "kinds"), [(1, ["inclusion"]), (8, [])])
def test_glints_that_come_back_along_the_bead_are_shine(glints: int, kinds: list[str]) -> None:
    canvas = Canvas(face_nm=20)
    for s in np.linspace(12, 48, glints) if glints > 1 else [25.0]:
        canvas.dim(canvas.near(float(s), 0.4, 0.8), 2.4)
    assert [f.kind for f in spots(canvas.face(), nothing(canvas))] == kinds


@pytest.mark.parametrize("size", [0.6, 0.9, 1.3])
def test_a_speck_has_the_size_it_has_at_half_its_height(size: float) -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, 0.4, size), 2.6)
    (found,) = spots(canvas.face(), nothing(canvas))
    assert found.kind == "inclusion"
    assert found.size_mm == pytest.approx(size, abs=0.25)


def test_shine_that_runs_out_to_the_toe_is_no_speck() -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, HALF_MM - 0.35, 0.9), 2.4)
    assert spots(canvas.face(), nothing(canvas)) == []


@pytest.mark.parametrize(
    ("share", "long_mm", "kinds"),
    [(1.2, 5.0, []), (1.5, 5.0, ["bulge"]), (1.5, 1.0, []), (0.6, 5.0, []), (0.35, 4.0, ["gap"])],
)
def test_a_stretch_is_a_bulge_or_a_gap_by_its_width_and_its_length(
    share: float, long_mm: float, kinds: list[str]
) -> None:
    width = EVEN_WIDTH * np.where(np.abs(EVEN_S - 30) < long_mm / 2, share, 1.0)
    found = uneven_width(EVEN_S, width)
    assert [f.kind for f in found] == kinds
    assert all(f.size_mm == pytest.approx(long_mm, abs=0.5) and f.s_mm == pytest.approx(30, abs=0.4) for f in found)


def test_specks_where_nothing_can_be_told_are_left() -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, 0.8, 0.9), 2.2)
    assert spots(canvas.face(), ~nothing(canvas)) == []


@pytest.mark.parametrize("side", [-1.0, 1.0])
@pytest.mark.parametrize("length", [5.0, 14.0])
def test_a_groove_along_a_toe_is_an_undercut_on_its_side(side: float, length: float) -> None:
    canvas = Canvas()
    groove = np.abs(side * canvas.n - HALF_MM - 0.2)[:, None] < 0.3
    canvas.dim(groove & (np.abs(canvas.s - 30)[None, :] < length / 2), 0.12)
    (found,) = undercut(canvas.face(), nothing(canvas))
    assert np.sign(found.n_mm) == side
    assert found.size_mm == pytest.approx(length, abs=1.6)
    assert found.s_mm == pytest.approx(30, abs=0.6)


def test_darkness_along_both_toes_is_a_shadow() -> None:
    canvas = Canvas()
    both = np.abs(np.abs(canvas.n) - HALF_MM - 0.2)[:, None] < 0.3
    canvas.dim(both & (np.abs(canvas.s - 30)[None, :] < 5), 0.12)
    assert undercut(canvas.face(), nothing(canvas)) == []


def test_a_tint_that_darkens_leaves_no_mark_in_the_shade() -> None:
    canvas = Canvas(zone_nm=36)
    canvas.light[np.abs(np.abs(canvas.n) - HALF_MM - 0.3) < 0.4] *= 0.3  # the film's own darkness: no shade
    assert undercut(canvas.face(), nothing(canvas)) == []


def test_grey_granular_oxide_is_sugar_over_its_length() -> None:
    canvas = Canvas(face_nm=20)
    rng = np.random.default_rng(1)
    where = (np.abs(canvas.s - 40)[None, :] < 4) & (np.abs(canvas.n)[:, None] < HALF_MM)
    dull = lab_to_linear(np.array([40.0, 0.0, 0.0]))
    canvas.light[where] = dull * np.exp(0.35 * rng.standard_normal((int(where.sum()), 1)))
    found, blind = sugar(canvas.face())
    assert [f.kind for f in found] == ["sugaring"]
    assert found[0].size_mm == pytest.approx(8.0, abs=1.6)
    assert blind[len(canvas.n) // 2, 400]
    assert not blind[:, 100].any()


def test_an_even_shadow_over_a_coloured_bead_is_no_sugar() -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim((np.abs(canvas.s - 40)[None, :] < 6) & (canvas.n[:, None] > -99), 0.5)
    assert sugar(canvas.face())[0] == []


@pytest.mark.parametrize(("factor", "kind"), [(0.3, "gap"), (1.6, "bulge")])
def test_a_width_far_from_the_usual_is_told(factor: float, kind: str) -> None:
    width = np.where(np.abs(EVEN_S - 25) < 2, factor, 1.0) * EVEN_WIDTH
    (found,) = uneven_width(EVEN_S, width)
    assert (found.kind, found.s_mm, found.size_mm) == (kind, pytest.approx(25, abs=0.3), pytest.approx(4, abs=0.6))


def test_the_usual_change_of_width_and_the_rounded_ends_are_no_fault() -> None:
    width = EVEN_WIDTH * (1 + 0.2 * np.sin(EVEN_S / 3))
    width[:8] *= 0.3
    assert uneven_width(EVEN_S, width) == []


def test_flanks_with_another_film_are_a_missing_bead() -> None:
    canvas = Canvas(face_nm=12)
    flanks = (np.abs(canvas.n)[:, None] > 0.9) & (np.abs(canvas.s - 33)[None, :] < 2.5)
    canvas.film[flanks] = 45
    (found,) = missing(canvas.face(), nothing(canvas))
    assert (found.kind, found.size_mm) == ("gap", pytest.approx(5, abs=1))


@pytest.mark.parametrize("pinhole", [True, False])
def test_a_ring_at_the_end_is_a_crater(pinhole: bool) -> None:
    canvas = Canvas()
    at = LENGTH_MM - 2.8
    ring = canvas.near(at, 0, 3.2) & ~canvas.near(at, 0, 2.6)
    canvas.dim(ring, 0.45)
    if pinhole:
        canvas.dim(canvas.near(at, 0, 0.5), 0.02)
    (found,) = craters(canvas.face())
    assert (found.kind, found.pinhole) == ("crater", pinhole)
    assert found.s_mm == pytest.approx(at, abs=0.4)
    assert found.size_mm == pytest.approx(2.9, abs=0.6)


def test_a_ripple_front_near_the_end_is_no_crater() -> None:
    canvas = Canvas()
    for s in np.arange(4, 58, 2.0):
        front = np.abs(canvas.s[None, :] - s + 0.25 * canvas.n[:, None] ** 2) < 0.15
        canvas.dim(front & (np.abs(canvas.n)[:, None] < HALF_MM), 0.5)
    assert craters(canvas.face()) == []


def test_a_hole_in_a_crater_is_told_once() -> None:
    canvas = Canvas()
    at = LENGTH_MM - 2.8
    canvas.dim(canvas.near(at, 0, 3.2) & ~canvas.near(at, 0, 2.6), 0.45)
    canvas.dim(canvas.near(at, 0, 0.6), 0.02)
    assert [f.kind for f in find_defects(canvas.face(), EVEN_S, EVEN_WIDTH)] == ["crater"]


def test_runs_are_bridged_over_short_breaks_and_cut_to_the_least_length() -> None:
    flags = np.zeros(100, bool)
    flags[10:30] = flags[33:40] = True
    flags[60:64] = True
    assert runs(flags, 0.1, 1.0) == [(10, 39)]
    assert runs(flags, 0.1, 0.3, bridge_mm=0.0) == [(10, 29), (33, 39), (60, 63)]
    assert runs(np.zeros(5, bool), 0.1, 0.1) == []
