"""Reading a photo at many scales and on grids along a line: every reader sees the same place at the same millimetre."""

from dataclasses import replace

import cv2
import numpy as np
import pytest

from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import GivenScale, Lens, Scale, plane_scale
from judicum.core.photo.unwrap import Line, read_at, read_grid, sample

MM_PER_PX = 0.05


def slope(width: int = 1200, height: int = 900) -> Picture:
    """A picture whose red grows with x and whose green grows with y, both slowly, so that a value tells a place."""
    x, y = np.meshgrid(np.arange(width) / width, np.arange(height) / height)
    return Picture(np.dstack([np.zeros_like(x), 255 * y, 255 * x]).astype(np.uint8))


def place_of(values: np.ndarray, picture: Picture) -> np.ndarray:
    """The pixels (x, y) that read values (..., 3) of a slope stand for."""
    width, height = picture.size_px
    return np.stack([values[..., 2] / 255 * width, values[..., 1] / 255 * height], -1)


SCALE: Scale = plane_scale(GivenScale(MM_PER_PX))
BENT = replace(SCALE, lens=Lens(-0.03, (1200, 900)))


@pytest.mark.parametrize(("step", "level"), [(0.5, 0), (1.0, 0), (1.79, 0), (1.81, 1), (3.5, 1), (3.7, 2), (8.0, 3)])
def test_a_copy_is_halved_as_often_as_the_samples_lie_apart(step: float, level: int) -> None:
    pixels, halved = slope().at_step(step)
    assert halved == level
    assert pixels.shape[:2] == (900 // 2**level, 1200 // 2**level)


def test_copies_are_made_once_and_a_tiny_picture_is_not_halved_away() -> None:
    picture = slope()
    assert picture.at_step(4.0)[0] is picture.at_step(4.0)[0]
    tiny = Picture(np.zeros((6, 6, 3), np.uint8))
    pixels, halved = tiny.at_step(1000.0)
    assert min(pixels.shape[:2]) >= 1
    assert halved <= 2


@pytest.mark.parametrize("scale", [SCALE, BENT], ids=["straight", "through a lens"])
@pytest.mark.parametrize("density", [18.0, 10.0, 5.0, 2.5])
@pytest.mark.parametrize("angle", [0.0, 0.6, -1.9])
def test_a_grid_reads_the_places_its_millimetres_say(scale: Scale, density: float, angle: float) -> None:
    picture = slope()
    line = Line(np.array([30.0, 22.0]), np.array([np.cos(angle), np.sin(angle)]))
    seen = read_grid(picture, scale, line, (-8.0, 8.0), (-5.0, 5.0), density)
    s, n = np.arange(-8.0, 8.0, 1 / density), np.arange(-5.0, 5.0, 1 / density)
    assert seen.shape[:2] == (len(n), len(s))
    wanted = scale.px(line.mm(s[None, :], n[:, None]))
    off = np.abs(place_of(seen.astype(float), picture) - wanted)
    # One step of the 8 bits is five pixels of the slope.
    assert off.mean() < 4
    assert off.max() < 12


def test_a_grid_and_single_samples_agree() -> None:
    rng = np.random.default_rng(2)
    rough = cv2.GaussianBlur(rng.integers(0, 255, (900, 1200, 3)).astype(np.uint8), (0, 0), 6)
    picture = Picture(rough)
    line = Line(np.array([20.0, 20.0]), np.array([0.8, 0.6]))
    s, n = np.arange(0.0, 12.0, 0.1), np.arange(-3.0, 3.0, 0.1)
    grid = read_grid(picture, SCALE, line, (0.0, 12.0), (-3.0, 3.0), 10.0)
    single = sample(picture, SCALE, line.mm(s[None, :], n[:, None]))
    assert np.abs(grid[: len(n), : len(s)].astype(int) - single.astype(int)).mean() < 1.5


def test_outside_of_the_photo_is_black() -> None:
    line = Line(np.array([0.0, 0.0]), np.array([1.0, 0.0]))
    seen = read_grid(Picture(np.full((200, 200, 3), 200, np.uint8)), SCALE, line, (-5.0, 5.0), (-5.0, 5.0), 10.0)
    assert (seen[:45, :45] == 0).all()
    assert (seen[60:90, 60:90] == 200).all()


def test_values_between_samples_lie_between_them_and_the_rim_goes_on() -> None:
    values = np.arange(12, dtype=np.float32).reshape(3, 4)
    assert read_at(values, [[0.0, 1.0]], [[1.5, 2.0]]) == pytest.approx(np.array([[1.5, 6.0]]))
    assert read_at(values, [[-3.0, 9.0]], [[-2.0, 9.0]]) == pytest.approx(np.array([[0.0, 11.0]]))
