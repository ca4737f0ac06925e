"""A pressure read off a photo of a round gauge: four taps, on the needle's hub and tip and on both ends of the scale."""

import math
from dataclasses import dataclass

from judicum.core.errors import InvalidValue, said

ROUND = 2 * math.pi
TAP_SHARE = 0.02
"""Of the dial's radius, how far a tap on a phone is likely to lie beside what was meant."""
MAX_UNEVEN = 0.25
"""By which share the ends of the scale may lie at unlike distances from the hub: more is a photo taken aslant."""
MIN_SWEEP = math.radians(180)
"""Radians: the scale of a bottle's gauge goes round by 270° [src: en-837]."""
MIN_RADIUS = 20.0
"""px: below this a tap is as wide as the scale."""
PAST_END = math.radians(12)
"""A needle rests on its stop a little before zero, or stands a little past the end."""

Point = tuple[float, float]


@dataclass(frozen=True)
class DialReading:
    """A pressure with the standard uncertainty that taps and slant leave, in the unit of the scale."""

    bar: float
    uncertainty: float


def read_dial(hub: Point, tip: Point, zero: Point, full: Point, full_bar: float) -> DialReading:
    """The pressure that a needle shows, clockwise from zero.

    Args:
        hub, tip, zero, full: pixels, x to the right and y down. full_bar: what stands at the end of the scale.

    Raises:
        InvalidValue: taps on one another, a scale that is no dial, a photo from the side, a needle off the scale.

    >>> read_dial((100, 100), (100, 40), (50, 150), (150, 150), 300).bar
    150.0
    """
    reach = {name: math.dist(hub, point) for name, point in (("tip", tip), ("zero", zero), ("full", full))}
    for name, length in reach.items():
        if length < MIN_RADIUS:
            raise InvalidValue(
                name, round(length), said("allowed-a-point-at-least-pixels-from", least=f"{MIN_RADIUS:.0f}")
            )
    if abs(reach["zero"] - reach["full"]) > MAX_UNEVEN * max(reach["zero"], reach["full"]):
        raise InvalidValue("full", [round(v) for v in full], said("allowed-as-far-from-the-hub-as"))  # fmt: skip
    sweep = _clockwise(hub, zero, full)
    if sweep < MIN_SWEEP:
        raise InvalidValue("full", f"{math.degrees(sweep):.0f}°", said("allowed-180-to-360-clockwise"))
    at = _clockwise(hub, zero, tip)
    if at > ROUND - PAST_END:
        at = 0.0
    if at > sweep + PAST_END:
        raise InvalidValue("tip", f"{math.degrees(at):.0f}°", said("allowed-0-to-on-the-scale", math=f"{math.degrees(sweep):.0f}"))  # fmt: skip
    slant = abs(reach["zero"] - reach["full"]) / (reach["zero"] + reach["full"])
    off = math.hypot(TAP_SHARE * math.sqrt(2), slant) / sweep
    return DialReading(full_bar * min(at, sweep) / sweep, full_bar * off)


def _clockwise(hub: Point, start: Point, end: Point) -> float:
    """Angle from one point round to another as seen in a picture (y down), 0 to 2π."""
    turned = [math.atan2(point[1] - hub[1], point[0] - hub[0]) for point in (start, end)]
    return (turned[1] - turned[0]) % ROUND
