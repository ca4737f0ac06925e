"""The cards as the simulated camera prints them."""

import cv2
import numpy as np
import pytest

from judicum.camera.draw import printed
from judicum.core.arrays import Floats
from judicum.core.photo.film import linear_to_srgb
from judicum.core.photo.scale import card_geometry

PX_PER_MM = 8


def card_as_seen(kind: str) -> tuple[Floats, Floats, Floats]:
    """x and y (mm) of the middle of each pixel straight above a card, and its ink."""
    width, height = card_geometry()[kind]["size"]
    x, y = np.meshgrid(
        (np.arange(width * PX_PER_MM) + 0.5) / PX_PER_MM, (np.arange(height * PX_PER_MM) + 0.5) / PX_PER_MM
    )
    return x, y, printed(card_geometry()[kind], x, y)


@pytest.mark.parametrize("kind", ["window", "strip", "long_strip"])
def test_every_marker_is_read_where_the_cards_file_puts_it(kind: str) -> None:
    _, _, ink = card_as_seen(kind)
    dictionary = cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_4X4_50)
    corners, ids, _ = cv2.aruco.ArucoDetector(dictionary).detectMarkers((ink * 255).astype(np.uint8))
    answer = {marker["id"]: marker["at"] for marker in card_geometry()[kind]["markers"]}
    assert sorted(ids.ravel()) == sorted(answer)
    for found, number in zip(corners, ids.ravel(), strict=True):
        assert found[0][0] / PX_PER_MM == pytest.approx(answer[number], abs=1.5 / PX_PER_MM)


@pytest.mark.parametrize("kind", ["window", "strip", "long_strip"])
def test_grey_patches_have_their_value_and_lie_on_white_paper(kind: str) -> None:
    x, y, ink = card_as_seen(kind)
    patches = card_geometry()[kind]["grey_patches"]
    for (left, top), value in zip(patches["at"], patches["reflectance_srgb"], strict=True):
        within = (x > left) & (x < left + patches["size"]) & (y > top) & (y < top + patches["size"])
        around = (np.abs(x - left - patches["size"] / 2) < patches["size"] / 2 + 0.5) & (
            np.abs(y - top - patches["size"] / 2) < patches["size"] / 2 + 0.5
        )
        assert np.unique((255 * linear_to_srgb(ink[within])).round()) == pytest.approx([value])
        assert np.unique(ink[around & ~within]) == pytest.approx([0.86])
