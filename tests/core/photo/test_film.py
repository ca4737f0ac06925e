import numpy as np
import pytest

from judicum.core.photo.film import film_lab, lab_to_linear, level_of_film, linear_to_lab, tint_levels


@pytest.mark.parametrize("level", range(7))
def test_each_level_has_its_colour_in_the_middle_of_its_range(level: int) -> None:
    row = tint_levels()[level]
    low, high = row["film_nm"]
    assert film_lab((low + high) / 2) == pytest.approx(row["lab"], abs=1e-6)
    assert level_of_film((low + high) / 2) == level


def test_a_bare_surface_is_untinted() -> None:
    assert film_lab(0.0) == pytest.approx([75, 0, 0])


def test_the_first_colours_darken_without_turning_back() -> None:
    lightness = film_lab(np.linspace(0, 36, 60))[:, 0]
    assert (np.diff(lightness) <= 1e-9).all()


def test_lab_and_linear_light_are_inverse() -> None:
    lab = film_lab(np.array([5.0, 20.0, 30.0, 60.0]))
    assert linear_to_lab(lab_to_linear(lab)[None])[0] == pytest.approx(lab, abs=0.6)
