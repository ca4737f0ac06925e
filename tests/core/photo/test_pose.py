import math

import pytest

from judicum.core.errors import InvalidValue
from judicum.core.photo.pose import torch_angle

PLATE = [[500.0, 900.0], [1300.0, 900.0]]


def torch(deg: float) -> list[list[float]]:
    """400 pixels up from the joint, so many degrees from the plate that runs right."""
    return [[500.0, 900.0], [500 + 400 * math.cos(math.radians(deg)), 900 - 400 * math.sin(math.radians(deg))]]


@pytest.mark.parametrize("deg", [30, 45, 90, 120])
def test_work_angle_is_between_torch_and_plate(deg: float) -> None:
    found = torch_angle("work", torch(deg), PLATE)
    assert found.angle_deg == pytest.approx(deg, abs=1e-9)
    # Ends set 3 pixels off turn a line of 400 by 0.6° and one of 800 by 0.3°.
    assert found.uncertainty_deg == pytest.approx(0.68, abs=0.02)


def test_travel_angle_is_a_push_when_the_torch_leans_back() -> None:
    assert torch_angle("travel", torch(105), PLATE).angle_deg == pytest.approx(15)
    assert torch_angle("travel", torch(80), PLATE).angle_deg == pytest.approx(-10)
    leftward = [PLATE[0], [-300.0, 900.0]]
    assert torch_angle("travel", torch(75), leftward).angle_deg == pytest.approx(15)


@pytest.mark.parametrize(
    ("which", "line", "field"),
    [
        ("lean", torch(45), "which"),
        ("work", [[0, 0], [10, 10]], "torch"),
        ("work", [[0, 0]], "torch"),
        ("work", [[0, 0], [1, float("inf")]], "torch"),
    ],
)
def test_what_is_no_line_is_refused(which: str, line: list[list[float]], field: str) -> None:
    with pytest.raises(InvalidValue) as refused:
        torch_angle(which, line, PLATE)
    assert refused.value.field == field
