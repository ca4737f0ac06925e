"""A gauge read by four taps."""

import math

import numpy as np
import pytest

from judicum.core.errors import InvalidValue
from judicum.core.stock.dial import DialReading, Point, read_dial


def at(turn_deg: float, radius: float = 100.0, hub: Point = (300.0, 200.0)) -> Point:
    """A point of a dial, clockwise from pointing down to the left (zero of a usual gauge)."""
    angle = math.radians(135 + turn_deg)
    return hub[0] + radius * math.cos(angle), hub[1] + radius * math.sin(angle)


def reading(tip: Point, zero: Point | None = None, full: Point | None = None) -> DialReading:
    return read_dial((300.0, 200.0), tip, zero or at(0), full or at(270), 315.0)


@pytest.mark.parametrize("bar", [0, 17, 150, 200, 300, 315])
def test_a_straight_photo_gives_the_pressure(bar: float) -> None:
    assert reading(at(270 * bar / 315, 70)).bar == pytest.approx(bar, abs=0.01)


def test_a_turned_photo_gives_the_same() -> None:
    hub = (300.0, 200.0)
    for turned in (40, 170, 300):
        points = [at(turn + turned, 100, hub) for turn in (270 * 120 / 315, 0, 270)]
        assert read_dial(hub, *points, 315).bar == pytest.approx(120)


def test_a_needle_at_its_stop_is_empty_and_one_past_the_end_full() -> None:
    assert reading(at(-6)).bar == 0
    assert reading(at(275)).bar == 315


def test_taps_beside_the_mark_lie_within_what_is_said() -> None:
    rng = np.random.default_rng(11)
    within = 0
    for _ in range(400):
        bar = rng.uniform(10, 300)
        shaken = [tuple(np.add(p, rng.normal(0, 2, 2))) for p in (at(270 * bar / 315), at(0), at(270))]
        found = read_dial((300.0, 200.0), *shaken, 315)
        within += abs(found.bar - bar) <= 2 * found.uncertainty
    assert within / 400 >= 0.93


@pytest.mark.parametrize(
    ("points", "field"),
    [
        ({"tip": (301.0, 200.0)}, "tip"),
        ({"tip": at(320)}, "tip"),
        ({"full": at(100), "tip": at(20)}, "full"),
        ({"full": at(270, 60), "tip": at(20)}, "full"),
    ],
)
def test_taps_that_make_no_dial_are_refused_by_name(points: dict[str, Point], field: str) -> None:
    with pytest.raises(InvalidValue) as refused:
        reading(**{"tip": at(100), **points})
    assert refused.value.field == field
