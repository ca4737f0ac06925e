"""A toe is where the film changes; a fading stripe has none."""

import numpy as np
import pytest

from judicum.core.arrays import Floats
from judicum.core.photo.film import film_and_shade, film_lab, lab_to_linear
from judicum.core.photo.settle import OFFSET_MM, distinct, toe_shift

BARE = lab_to_linear(np.array([75.0, 0.0, 0.0]))


def across(toe_mm: float, inner_nm: float = 12.0, outer_nm: float = 28.0, roll: float = 0.6) -> Floats:
    """Linear light across a toe: face inside, tinted plate outside, the face rolled off to dark at its edge."""
    d = OFFSET_MM - toe_mm
    shade = np.where(d < 0, 1 - roll * np.exp(-((d / 0.15) ** 2)), 1.0)
    film = np.where(d < 0, inner_nm, outer_nm - 4 * np.clip(d, 0, None))
    return lab_to_linear(film_lab(film)) * shade[:, None]


@pytest.mark.parametrize("toe", [-0.2, 0.0, 0.25])
@pytest.mark.parametrize("films", [(12.0, 28.0), (3.0, 48.0), (20.0, 29.0)])
def test_the_toe_is_where_the_film_changes_not_where_it_is_darkest(toe: float, films: tuple[float, float]) -> None:
    assert toe_shift(across(toe, *films)) == pytest.approx(toe, abs=0.08)


def test_a_fade_is_told_from_a_step() -> None:
    fade = lab_to_linear(film_lab(20 - 10 * OFFSET_MM))
    assert distinct(fade) < 1.5
    assert distinct(across(0.0)) > 5


def test_film_and_shade_are_taken_apart() -> None:
    film = np.array([0.0, 12.0, 22.0, 29.0, 48.0])
    for shade in (1.0, 0.5):
        thickness, darker = film_and_shade((lab_to_linear(film_lab(film)) + 0.06 * BARE) * shade, BARE)
        assert thickness == pytest.approx(film, abs=3)
        assert darker == pytest.approx(np.full(5, np.log(shade)), abs=0.25)
