"""Faults told by the light on the straightened face: what must be found, and what must not be taken for it."""

import numpy as np
import pytest

from judicum.core.photo.defects.crater import craters
from judicum.core.photo.defects.holes import burnt_through
from judicum.core.photo.defects.stretches import undercut
from tests.core.photo.defects.faces import HALF_MM, LENGTH_MM, Canvas


def test_a_hole_over_half_the_width_goes_right_through() -> None:
    canvas = Canvas()
    canvas.dim(canvas.near(22, 0, 3.6), 0.02)
    (found,) = burnt_through(canvas.face())
    assert (found.kind, round(found.size_mm, 1)) == ("burn_through", pytest.approx(3.6, abs=0.3))


def test_a_dark_line_across_is_no_hole() -> None:
    canvas = Canvas()
    for s in np.arange(5, 55, 2.2):
        canvas.dim((np.abs(canvas.s - s)[None, :] < 0.1) & (np.abs(canvas.n)[:, None] < HALF_MM), 0.25)
    assert burnt_through(canvas.face()) == []


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
