import cv2
import numpy as np
import pytest

from judicum.core.errors import InvalidValue
from judicum.core.photo.decode import decode
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import GivenScale, Lens, card_geometry, find_card, find_markers, plane_scale
from tests.drawn import bead_photo


@pytest.mark.parametrize(("tilt", "turn"), [(0.0, 0.0), (14.0, -7.0), (28.0, 90.0), (5.0, 180.0)])
def test_card_millimetres_land_on_the_right_pixels(tilt: float, turn: float) -> None:
    size = (2000, 1500) if turn != 90 else (1800, 2400)
    photo = bead_photo(tilt_deg=tilt, turn_deg=turn, size=size)
    scale = find_card(Picture(decode(photo.jpeg)))
    assert scale is not None
    assert scale.kind == "window"
    corners = np.array([[25.0, 30.0], [145.0, 30.0], [145.0, 80.0], [25.0, 80.0]])
    truth = cv2.perspectiveTransform(corners[None], photo.to_px)[0]
    assert np.abs(scale.px(corners) - truth).max() < 1.0
    assert scale.tilt_deg == pytest.approx(tilt, abs=3.0)
    assert scale.residual_mm is not None
    assert scale.residual_mm < 0.08


@pytest.mark.parametrize("k1", [-0.03, 0.0, 0.03])
def test_a_lens_that_bends_the_photo_bends_no_millimetre(k1: float) -> None:
    photo = bead_photo(tilt_deg=8.0, turn_deg=3.0)
    straight = decode(photo.jpeg)
    rows, columns = straight.shape[:2]
    lens = Lens(k1, (columns, rows))
    # Where a pixel of the bent photo lies in the straight one: the way through the lens backwards.
    px = np.stack(np.meshgrid(np.arange(columns), np.arange(rows)), -1).astype(float)
    from_px = px
    for _ in range(12):
        from_px = from_px + px - lens.bent(from_px)
    seen = cv2.remap(straight, from_px.astype(np.float32), None, cv2.INTER_CUBIC)
    scale = find_card(Picture(seen))
    assert scale is not None and scale.lens is not None
    assert scale.lens.k1 == pytest.approx(k1, abs=0.0015)
    corners = np.array([[25.0, 30.0], [145.0, 30.0], [145.0, 80.0], [25.0, 80.0]])
    truth = lens.bent(cv2.perspectiveTransform(corners[None], photo.to_px)[0])
    assert np.abs(scale.px(corners) - truth).max() < 0.6


@pytest.mark.parametrize("size", [(1600, 1200), (3200, 2400)])
def test_markers_found_in_a_small_copy_lie_to_a_pixel_in_the_whole_photo(size: tuple[int, int]) -> None:
    photo = bead_photo(tilt_deg=8.0, turn_deg=5.0, size=size)
    seen = find_markers(Picture(decode(photo.jpeg)))
    card = card_geometry()["window"]
    assert set(seen) == {marker["id"] for marker in card["markers"]}
    for marker in card["markers"]:
        (x, y), side = marker["at"], card["marker_size"]
        corners = np.array([[x, y], [x + side, y], [x + side, y + side], [x, y + side]], float)
        truth = cv2.perspectiveTransform(corners[None], photo.to_px)[0]
        assert np.abs(seen[marker["id"]] - truth).max() < 1.5


def test_no_card_no_scale() -> None:
    assert find_card(Picture(np.full((600, 800, 3), 128, np.uint8))) is None


def test_one_marker_alone_is_not_enough() -> None:
    picture = np.full((600, 800, 3), 255, np.uint8)
    marker = cv2.aruco.generateImageMarker(cv2.aruco.getPredefinedDictionary(cv2.aruco.DICT_4X4_50), 0, 120)
    picture[100:220, 100:220] = marker[..., None]
    assert find_card(Picture(picture)) is None


def test_two_points_give_a_scale() -> None:
    given = GivenScale.from_points((10, 10), (310, 410), 50)
    assert given.mm_per_px == pytest.approx(0.1)
    scale = plane_scale(given)
    assert scale.px(np.array([[5.0, 2.0]]))[0] == pytest.approx([50, 20])


@pytest.mark.parametrize(
    ("a", "b", "mm"), [((0, 0), (5, 5), 10), ((0, 0), (500, 0), 0), ((0, 0), (500, 0), -3), ((0, 0), (500, 0), 5000)]
)
def test_points_of_no_sense_are_refused(a: tuple[float, float], b: tuple[float, float], mm: float) -> None:
    with pytest.raises(InvalidValue):
        GivenScale.from_points(a, b, mm)
