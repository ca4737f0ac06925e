"""Faults told by the light on the straightened face: what must be found, and what must not be taken for it."""

import numpy as np
import pytest

from judicum.core.photo.defects.crater import craters
from judicum.core.photo.defects.hard import specks
from judicum.core.photo.defects.stretches import undercut
from tests.core.photo.defects.faces import HALF_MM, LENGTH_MM, Canvas


def test_a_dark_line_across_is_no_speck() -> None:
    canvas = Canvas()
    for s in np.arange(5, 55, 2.2):
        canvas.dim((np.abs(canvas.s - s)[None, :] < 0.1) & (np.abs(canvas.n)[:, None] < HALF_MM), 0.25)
    assert specks(canvas.face()) == []


def test_a_black_hole_is_no_speck() -> None:
    canvas = Canvas()
    canvas.dim(canvas.near(22, 0, 1.2), 0.02)
    assert specks(canvas.face()) == []


@pytest.mark.parametrize("share", [2.2, 0.35])
def test_a_hard_speck_that_is_no_hole_is_an_inclusion(share: float) -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, 0.8, 0.9), share)
    assert [f.kind for f in specks(canvas.face())] == ["inclusion"]


@pytest.mark.parametrize(("glints", "kinds"), [(1, ["inclusion"]), (8, [])])
def test_glints_that_come_back_along_the_bead_are_shine(glints: int, kinds: list[str]) -> None:
    canvas = Canvas(face_nm=20)
    for s in np.linspace(12, 48, glints) if glints > 1 else [25.0]:
        canvas.dim(canvas.near(float(s), 0.4, 0.8), 2.4)
    assert [f.kind for f in specks(canvas.face())] == kinds


@pytest.mark.parametrize("size", [0.6, 0.9, 1.3])
def test_a_speck_has_the_size_it_has_at_half_its_height(size: float) -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, 0.4, size), 2.6)
    (found,) = specks(canvas.face())
    assert found.kind == "inclusion"
    assert found.size_mm == pytest.approx(size, abs=0.25)


def test_shine_that_runs_out_to_the_toe_is_no_speck() -> None:
    canvas = Canvas(face_nm=20)
    canvas.dim(canvas.near(25, HALF_MM - 0.35, 0.9), 2.4)
    assert specks(canvas.face()) == []


@pytest.mark.parametrize("side", [-1.0, 1.0])
@pytest.mark.parametrize("length", [5.0, 14.0])
def test_a_groove_along_a_toe_is_an_undercut_on_its_side(side: float, length: float) -> None:
    canvas = Canvas()
    groove = np.abs(side * canvas.n - HALF_MM - 0.2)[:, None] < 0.3
    canvas.dim(groove & (np.abs(canvas.s - 30)[None, :] < length / 2), 0.12)
    (found,) = undercut(canvas.face())
    assert np.sign(found.n_mm) == side
    assert found.size_mm == pytest.approx(length, abs=1.6)
    assert found.s_mm == pytest.approx(30, abs=0.6)


def test_darkness_along_both_toes_is_a_shadow() -> None:
    canvas = Canvas()
    both = np.abs(np.abs(canvas.n) - HALF_MM - 0.2)[:, None] < 0.3
    canvas.dim(both & (np.abs(canvas.s - 30)[None, :] < 5), 0.12)
    assert undercut(canvas.face()) == []


def test_a_tint_that_darkens_leaves_no_mark_in_the_shade() -> None:
    canvas = Canvas(zone_nm=36)
    canvas.light[np.abs(np.abs(canvas.n) - HALF_MM - 0.3) < 0.4] *= 0.3  # the film's own darkness: no shade
    assert undercut(canvas.face()) == []


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
