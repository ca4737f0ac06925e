"""Heat tint of drawn bands: every level, both sides, any light."""

import numpy as np
import pytest

from judicum.camera.welders import Welder, case_of
from judicum.core.photo.band import Band
from judicum.core.photo.film import film_lab, lab_to_linear, linear_to_lab, tint_levels
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.plate import read_plate
from judicum.core.photo.tint import Tint, film_of, read_tint
from tests.core.photo.bands import bead_band, lit_band
from tests.drawn import taken

S = np.arange(12.0, 48.0, 0.25)
TOES = (np.full_like(S, -2.0), np.full_like(S, 2.0), S)


def tint_of(band: Band, granular: float = 0.0) -> Tint:
    return read_tint(band, read_plate(band, *TOES), *TOES, np.full_like(S, granular))


def middle(level: int) -> float:
    low, high = tint_levels()[level]["film_nm"]
    return float(low + high) / 2


@pytest.mark.parametrize("level", range(7))
def test_a_beads_level_is_read(level: int) -> None:
    tint = tint_of(bead_band(bead_nm=middle(level), zone_nm=20))
    assert tint.bead == level
    assert set(tint.along) == {level}
    assert tint.share[tint_levels()[level]["name"]] > 0.9


@pytest.mark.parametrize("level", range(1, 7))
def test_the_zones_darkest_level_is_read(level: int) -> None:
    tint = tint_of(bead_band(zone_nm=middle(level), fade_mm=(4.0, 4.0)))
    # The two narrowest ranges of thickness may hide in the shadow of the toe.
    assert tint.zone == level if level not in (3, 6) else tint.zone in (level - 1, level)


@pytest.mark.parametrize("light", [(1.0, 1.0, 1.0), (0.6, 0.85, 1.2), (1.2, 1.0, 0.8)])
@pytest.mark.parametrize("exposure", [0.5, 1.0, 1.4])
def test_the_colour_of_the_light_does_not_change_the_level(light: tuple[float, float, float], exposure: float) -> None:
    band = bead_band(bead_nm=middle(2), zone_nm=middle(4))
    tint = tint_of(lit_band(band.s_mm, band.n_mm, band.linear * np.array(light) * exposure))
    assert tint.bead == 2
    assert abs(tint.zone - 4) <= 1


def test_light_that_fades_across_the_plate_is_followed() -> None:
    band = bead_band(bead_nm=middle(1), zone_nm=middle(3))
    fade = np.linspace(0.7, 1.3, len(band.n_mm))[:, None, None]
    tint = tint_of(lit_band(band.s_mm, band.n_mm, band.linear * fade))
    assert tint.bead == 1


def test_a_lopsided_zone_is_wider_on_its_side() -> None:
    tint = tint_of(bead_band(zone_nm=45, fade_mm=(1.0, 3.0)))
    assert tint.right_mm > 1.6 * tint.left_mm


@pytest.mark.parametrize("fade", [1.0, 2.0])
def test_the_tinted_width_ends_where_the_film_is_gone(fade: float) -> None:
    tint = tint_of(bead_band(zone_nm=45, fade_mm=(fade, fade), noise=0.2))
    truth = fade * np.log(45 / 7)
    assert tint.left_mm == pytest.approx(truth, abs=0.4)


@pytest.mark.parametrize("granular", [0.9, 0.05])
def test_a_bead_that_is_dull_and_dark_from_end_to_end_is_grey(granular: float) -> None:
    band = bead_band(bead_nm=3, zone_nm=20)
    band.linear[np.abs(band.n_mm) < 2] = lab_to_linear(np.array([44.0, 0.0, 0.0]))
    tint = tint_of(band, granular)
    assert tint.bead == 7
    assert tint.share["grey"] > 0.9


@pytest.mark.parametrize(("granular", "level"), [(0.9, 7), (0.25, 0)])
def test_a_dark_part_of_a_bead_that_shines_elsewhere_is_grey_where_it_is_granular_and_else_mirrors_something(
    granular: float, level: int
) -> None:
    band = bead_band(bead_nm=3, zone_nm=20)
    band.linear[np.abs(band.n_mm) < 2] = lab_to_linear(np.array([44.0, 0.0, 0.0]))
    band.linear[np.abs(band.n_mm + 0.9) < 0.3] = lab_to_linear(np.array([70.0, 0.0, 1.0]))
    tint = tint_of(band, granular)
    assert tint.bead == level


@pytest.mark.parametrize("seed", [500, 503])
def test_a_bead_of_too_little_gas_is_grey(seed: int) -> None:
    answer = measure_photo(taken(case_of(Welder(("flow_low",), seed))[0]).jpeg).report.tint
    assert answer is not None
    assert answer.bead.level == 7


def test_a_coloured_bead_is_not_grey_though_it_is_granular() -> None:
    assert tint_of(bead_band(bead_nm=middle(5)), 0.9).bead == 5


def test_a_patch_of_another_colour_shows_along_the_bead() -> None:
    band = bead_band(bead_nm=middle(1))
    patch = (band.s_mm > 25) & (band.s_mm < 31)
    band.linear[np.ix_(np.abs(band.n_mm) < 1.9, patch)] = lab_to_linear(film_lab(middle(5)))
    along = tint_of(band).along
    assert along[15:17] == [5, 5]
    assert along[2] == along[30] == 1


@pytest.mark.parametrize("gain", [0.7, 1.0, 1.4])
def test_a_film_is_read_whatever_its_brightness(gain: float) -> None:
    thickness = np.array([3.0, 12.0, 21.0, 29.0, 37.0, 48.0, 64.0])
    lab = linear_to_lab((lab_to_linear(film_lab(thickness)) * gain)[None])[0]
    read, misfit = film_of(lab.astype(float))
    assert read == pytest.approx(thickness, abs=6)
    assert misfit.max() < 8


def test_colours_that_come_again_are_read_alike_wherever_they_stand() -> None:
    rng = np.random.default_rng(3)
    lab = film_lab(np.array([3.0, 21.0, 37.0, 64.0]))
    order = rng.integers(0, 4, 300)
    each, _ = film_of(lab)
    read, misfit = film_of(lab[order] + rng.uniform(-0.2, 0.2, (300, 3)))
    assert read.shape == misfit.shape == (300,)
    assert read == pytest.approx(each[order], abs=3)
