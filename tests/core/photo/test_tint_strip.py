"""A strip of one's own metal beside the scale: read as named where it is as the scale has it, and told where it is not."""

from dataclasses import replace

import numpy as np
import pytest

from judicum.camera import Scene, View, take_photo
from judicum.core.arrays import Pixels
from judicum.core.errors import InvalidValue, UnreadablePicture
from judicum.core.photo.film import film_lab, lab_to_linear, level_of_film, linear_to_srgb, tint_levels
from judicum.core.photo.tint_patches import ALIKE_DE, check_patches
from judicum.core.photo.tint_strip import DENSITY, flattened, read_patches

MIDDLES = [sum(one["film_nm"]) / 2 for one in tint_levels() if one["film_nm"]]
"""nm in the middle of levels 0 to 6."""


def strip(light: tuple[float, float, float] = (1.0, 1.0, 1.0), off_nm: float = 0.0) -> Pixels:
    """Blocks of 10 × 20 mm of each level in a light, thicker by so much."""
    side = int(10 * DENSITY)
    colours = lab_to_linear(film_lab(np.array(MIDDLES) + off_nm * (np.arange(7) > 0))) * np.array(light)
    coded = 255 * linear_to_srgb(colours)
    return np.repeat(np.repeat(coded[None].round().astype(np.uint8), side, axis=1), 2 * side, axis=0)


PLACES = [((k + 0.5) * 10 * DENSITY, 80.0) for k in range(7)]


@pytest.mark.parametrize("light", [(1.0, 1.0, 1.0), (0.7, 0.8, 0.9), (0.5, 0.5, 0.5)])
def test_a_strip_as_the_scale_has_it_is_read_as_named_in_any_light(light: tuple[float, float, float]) -> None:
    found = read_patches(strip(light), PLACES, list(range(7)))
    assert [one.read_level for one in found] == list(range(7))
    assert np.mean([one.distance for one in found]) < ALIKE_DE / 2


def test_a_metal_that_tints_otherwise_is_told_by_its_levels_and_its_distance() -> None:
    found = read_patches(strip(off_nm=11.0), PLACES, list(range(7)))
    assert sum(one.is_alike for one in found) < 5
    assert np.mean([one.distance for one in found]) > ALIKE_DE


@pytest.mark.parametrize("nm", [21.0, 48.0])
def test_a_photo_of_a_tinted_stripe_is_flattened_and_read(nm: float) -> None:
    scene = Scene(None, (45.0, 55.0), 0.0, grain=0.1, stripe_nm=nm, view=View(size=(2000, 1500), tilt_deg=6.0), seed=4)
    flat = flattened(take_photo(scene).jpeg)
    assert flat.shape[:2] == (50 * DENSITY, 120 * DENSITY)
    row = (55.0 - 30.0) * DENSITY
    found = read_patches(
        flat, [(40 * DENSITY, row), (90 * DENSITY, row), (60 * DENSITY, row - 20 * DENSITY)], [2, 2, 0]
    )
    assert [one.read_level for one in found] == [int(level_of_film(nm))] * 2 + [0]


def test_a_photo_without_a_card_is_refused() -> None:
    bare = replace(Scene(None, stripe_nm=20.0), card="none", view=View(size=(800, 600)))
    with pytest.raises(UnreadablePicture, match="tint-strip-without-card"):
        flattened(take_photo(bare).jpeg)


@pytest.mark.parametrize(
    ("places", "levels", "field"),
    [
        ([(1.0, 1.0)], [0], "patches"),
        ([(1.0, 1.0), (2.0, 2.0)], [1, 2], "level"),
        ([(1.0, 1.0), (2.0, 2.0)], [0, 8], "level"),
        ([(1.0, 1.0), (200.0, 2.0)], [0, 1], "place"),
    ],
)
def test_places_that_make_no_sense_are_refused(
    places: list[tuple[float, float]], levels: list[int], field: str
) -> None:
    with pytest.raises(InvalidValue) as refused:
        check_patches(places, levels, (100, 50))
    assert refused.value.field == field
