"""The untinted plate beside a bead, and how far the tint reaches, on drawn bands."""

import numpy as np
import pytest

from judicum.core.photo.band import Band
from judicum.core.photo.film import film_lab, lab_to_linear
from judicum.core.photo.plate import AWAY_MM, read_plate, tint_reach
from tests.core.photo.bands import bead_band, lit_band

S = np.arange(12.0, 48.0, 0.25)
TOES = (np.full_like(S, -2.0), np.full_like(S, 2.0), S)
BARE = lab_to_linear(film_lab(np.zeros(1)))[0]


def narrowed(band: Band, low: float, high: float) -> Band:
    """The band as it is seen where the photo ends at n = low and n = high."""
    seen = band.seen & ((band.n_mm > low) & (band.n_mm < high))[:, None]
    return Band(band.line, band.s_mm, band.n_mm, band.linear, seen)


def test_the_plate_has_the_colour_of_bare_metal() -> None:
    plate = read_plate(bead_band(zone_nm=40), *TOES)
    for side in (plate.left, plate.right):
        assert side == pytest.approx(BARE, rel=0.05)


@pytest.mark.parametrize("light", [(0.6, 0.8, 1.0), (1.1, 1.0, 0.9)])
def test_the_plate_takes_the_colour_of_the_light(light: tuple[float, float, float]) -> None:
    band = bead_band(zone_nm=40)
    plate = read_plate(lit_band(band.s_mm, band.n_mm, band.linear * np.array(light)), *TOES)
    assert plate.left == pytest.approx(BARE * light, rel=0.05)


def test_a_side_that_is_hardly_seen_leans_on_the_other() -> None:
    band = narrowed(bead_band(zone_nm=48, fade_mm=(4.0, 4.0)), -5.0, 14.0)
    plate = read_plate(band, *TOES)
    ratio = np.log(plate.left / plate.left[1]) - np.log(plate.right / plate.right[1])
    assert ratio == pytest.approx(np.zeros(3), abs=0.02)


def test_where_nothing_is_seen_nothing_is_said() -> None:
    plate = read_plate(narrowed(bead_band(), -1.0, 14.0), *TOES)
    assert not np.isfinite(plate.blocks[0]).any()
    left, right = tint_reach(plate)
    assert left == 0.0
    assert right > 1


@pytest.mark.parametrize("zone_nm", [12.0, 25.0, 45.0, 60.0])
@pytest.mark.parametrize("fade", [1.0, 1.5, 2.0])
def test_the_tint_ends_where_its_film_is_thinner_than_seven_nanometres(zone_nm: float, fade: float) -> None:
    left, right = tint_reach(read_plate(bead_band(zone_nm=zone_nm, fade_mm=(fade, fade), noise=0.2), *TOES))
    expected = fade * np.log(zone_nm / 7)
    assert left == pytest.approx(expected, abs=0.4)
    assert right == pytest.approx(expected, abs=0.4)


def test_an_untinted_plate_has_no_width() -> None:
    assert tint_reach(read_plate(bead_band(zone_nm=0.0), *TOES)) == (0.0, 0.0)


def test_blocks_reach_as_far_as_they_say() -> None:
    plate = read_plate(bead_band(), *TOES)
    assert plate.blocks.shape[0] == 2
    assert plate.blocks.shape[2:] == (len(AWAY_MM), 3)
    known = AWAY_MM[np.isfinite(plate.blocks[1, 0, :, 0])]
    assert known[-1] == pytest.approx(12.0, abs=0.4)
