import cv2
import numpy as np
import pytest

from judicum.core.arrays import Pixels
from judicum.core.photo.decode import decode
from judicum.core.photo.precheck import precheck
from tests.drawn import bead_photo


@pytest.fixture(scope="module")
def photo() -> Pixels:
    return decode(bead_photo(tilt_deg=4.0, turn_deg=1.0, size=(2000, 1500)).jpeg)


def codes(picture: Pixels, shrunk: float = 1.0) -> list[str]:
    return [seen.code for seen in precheck(picture, shrunk)]


def smaller(picture: Pixels, to: int) -> Pixels:
    share = to / picture.shape[1]
    return cv2.resize(picture, None, fx=share, fy=share, interpolation=cv2.INTER_AREA)


def test_a_good_photo_may_be_sent_also_seen_as_a_small_copy(photo: Pixels) -> None:
    assert codes(photo) == []
    assert codes(smaller(photo, 1400), 2000 / 1400) == []


def test_a_card_cut_off_is_said_from_none(photo: Pixels) -> None:
    assert codes(photo[:, :1100]) == ["card_cut_off"]
    assert codes(photo[500:900, 700:1100]) == ["no_card"]


def test_a_blurred_a_dark_and_a_washed_out_photo_say_what_to_do(photo: Pixels) -> None:
    small = smaller(photo, 1400)
    assert codes(cv2.GaussianBlur(small, (0, 0), 4), 1.43) == ["blurred"]
    dark = (small * 0.15).astype(np.uint8)
    assert "too_dark" in codes(dark, 1.43)
    assert "too_bright" in codes(np.full_like(small, 255))


def test_too_few_pixels_on_the_bead_are_seen_in_the_copy(photo: Pixels) -> None:
    small = smaller(photo, 1000)
    assert codes(small) == ["too_small"]
    assert codes(small, 2.0) == []
