"""Smaller parts of the measuring: sampling, light, sharpness, refusals, where a bead may lie."""

import numpy as np
import pytest

from judicum.core.photo.decode import decode
from judicum.core.photo.light import card_gains
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.picture import Picture
from judicum.core.photo.refuse import CODES, refuse
from judicum.core.photo.regions import regions
from judicum.core.photo.scale import GivenScale, find_card, plane_scale
from judicum.core.photo.sharpness import blur_mm
from judicum.core.photo.unwrap import Line, sample
from judicum.words.photo import refusal
from tests.drawn import bare_photo, bead_photo

SCALE = plane_scale(GivenScale(0.1))


def test_a_sample_reads_the_pixel_under_it() -> None:
    picture = np.zeros((100, 120, 3), np.uint8)
    picture[40:60, 50:70] = (10, 20, 30)
    grid = np.stack(np.meshgrid(np.arange(5.5, 6.5, 0.1), np.arange(4.5, 5.5, 0.1)), -1)
    assert (sample(Picture(picture), SCALE, grid) == (10, 20, 30)).all()
    outside = np.stack(np.meshgrid(np.arange(-3.0, -2.0, 0.1), np.arange(1.0, 2.0, 0.1)), -1)
    assert (sample(Picture(picture), SCALE, outside) == 0).all()


def test_coarse_sampling_averages_instead_of_picking() -> None:
    stripes = np.zeros((200, 200, 3), np.uint8)
    stripes[:, ::2] = 200
    grid = np.stack(np.meshgrid(np.arange(2.0, 18.0, 0.8), np.arange(2.0, 18.0, 0.8)), -1)
    seen = sample(Picture(stripes), SCALE, grid).astype(float)
    assert seen.mean() == pytest.approx(100, abs=12)
    assert seen.std() < 30


def test_a_line_has_its_right_hand_below_when_it_runs_right() -> None:
    line = Line(np.array([10.0, 20.0]), np.array([1.0, 0.0]))
    assert line.mm(5.0, 2.0).tolist() == [15.0, 22.0]
    assert line.mm(np.zeros((3, 1)), np.ones((1, 4))).shape == (3, 4, 2)


@pytest.mark.parametrize("light", [(1.0, 1.0, 1.0), (1.0, 0.85, 0.62), (0.8, 0.95, 1.0)])
def test_the_cards_greys_make_the_light_neutral(light: tuple[float, float, float]) -> None:
    photo = bead_photo(light=light, tilt_deg=0.0, turn_deg=0.0)
    picture = Picture(decode(photo.jpeg))
    scale = find_card(picture)
    assert scale is not None
    gains = card_gains(picture, scale)
    red, green, blue = light
    assert gains[2] / gains[1] == pytest.approx(green / red, rel=0.05)
    assert gains[0] / gains[1] == pytest.approx(green / blue, rel=0.05)


def test_without_a_card_the_light_is_taken_as_it_is() -> None:
    picture = Picture(np.full((300, 400, 3), 90, np.uint8))
    assert card_gains(picture, SCALE).tolist() == [1, 1, 1]
    assert blur_mm(picture.pixels, SCALE) is None


@pytest.mark.parametrize("blur", [0.6, 2.0, 4.0])
def test_blur_is_measured_at_the_markers_edges(blur: float) -> None:
    picture = Picture(decode(bead_photo(blur_px=blur, tilt_deg=0.0, turn_deg=0.0).jpeg))
    scale = find_card(picture)
    assert scale is not None
    found = blur_mm(picture.pixels, scale)
    assert found is not None
    assert found / scale.mm_per_px == pytest.approx(np.hypot(blur, 0.75), rel=0.15)  # 0.75: the drawing's own pixels


def test_every_refusal_has_a_sentence_that_says_what_to_do() -> None:
    figures = {"px_per_mm": 6.2, "tilt_deg": 48.0, "share": 0.4}
    for code in CODES:
        said = refusal(refuse(code, **figures))
        assert "{" not in said
        assert said.count(". ") + said.count(": ") >= 1 or "Take" in said
    assert "6.2 pixels" in refusal(refuse("too_small", **figures))
    assert "40%" in refusal(refuse("overexposed", **figures)).replace(" ", "")


def test_only_the_window_is_searched() -> None:
    picture = Picture(decode(bare_photo().jpeg))
    scale = find_card(picture)
    assert scale is not None
    (box,) = regions(picture, scale)
    assert box.low.tolist() == [26.5, 31.5]
    assert box.high.tolist() == [143.5, 78.5]


def test_the_stated_uncertainty_covers_most_errors() -> None:
    covered = 0
    for seed in range(20, 26):
        photo = bead_photo(seed=seed, width_mm=3.6 + 0.4 * (seed - 20), zone_level=1 + seed % 6)
        width = measure_photo(photo.jpeg).report.as_json()["bead"]["width_mm"]
        assert photo.truth is not None
        covered += abs(width["mean"] - photo.truth["bead"]["width_mm"]["mean"]) <= 2 * width["uncertainty"]
    assert covered >= 5
