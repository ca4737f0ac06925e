"""How far the gas reaches: the longest run whose metal is cold before the cup has left it."""

import math

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.gas import inside_mm
from judicum.core.setup.hands import WIDE_CUP
from judicum.core.setup.record import Cover
from judicum.core.tube.runs import TIE_IN_MM

WIDE_COVER = 1.5
"""Over the cup's inside: a number 16 covers runs of 32 to 38 mm on tube, 25.4 mm wide as it is…"""
NARROW_COVER = 1.0
"""…a number 7 little more than its radius to either side."""
QUARTER = math.pi / 4
"""Of the diameter: past a quarter of a turn the torch no longer stands square to the tube."""


def cover_mm(cup: float) -> float:
    """Length of a run under one cup, mm: 1.5 × its inside from number 12 on, its inside below.

    >>> round(cover_mm(16), 1), round(cover_mm(7), 1)
    (38.1, 11.1)
    """
    return (WIDE_COVER if cup >= WIDE_CUP else NARROW_COVER) * inside_mm(cup)


def cover(coupon: Coupon, cup: float, travel_mm_s: float, pitch_mm: float | None) -> Cover | None:
    """How far the gas reaches; None where cover is no question.

    On tube, where the torch stands while the part is turned, it limits a run: `limited_by` is `cup`, `tube` where a quarter of a
    turn is shorter, or `course` where its own number of dabs is.
    """
    if not coupon.metal.oxidises:
        return None
    longest, by = cover_mm(cup), "cup"
    reach = round(longest / 2, 1)
    under = round(longest / 2 / travel_mm_s, 1)
    if not coupon.on_tube or coupon.joint == "turntable":
        return Cover(reach, under)
    if coupon.tube_od_mm is not None and QUARTER * coupon.tube_od_mm < longest:
        longest, by = QUARTER * coupon.tube_od_mm, "tube"
    if pitch_mm is None:
        return Cover(reach, under, round(longest, 1), None, by)
    dabs = max(2, int((longest + TIE_IN_MM) / pitch_mm))
    if coupon.dabs_per_run is not None:
        dabs, by = coupon.dabs_per_run, "course"
        longest = dabs * pitch_mm - TIE_IN_MM
    return Cover(reach, under, round(max(longest, pitch_mm), 1), dabs, by)
