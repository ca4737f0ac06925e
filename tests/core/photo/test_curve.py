"""The curve through points, beside scipy's."""

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator

from judicum.core.photo.curve import Curve


@given(st.lists(st.tuples(st.floats(0.1, 20), st.integers(-50, 50)), min_size=3, max_size=12))
def test_it_is_scipys(points: list[tuple[float, int]]) -> None:
    where = np.cumsum([step for step, _ in points])
    values = np.array([[value, -0.5 * value] for _, value in points], float)
    places = np.linspace(where[0], where[-1], 77)
    np.testing.assert_allclose(
        Curve.through(where, values).at(places), PchipInterpolator(where, values)(places), atol=1e-9
    )
