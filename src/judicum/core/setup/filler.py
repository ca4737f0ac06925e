"""Filler: alloy, diameter, and how much goes into a length of bead."""

import math

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.current import bead_width_mm
from judicum.core.setup.record import Filler

SIZES_MM = (0.8, 1.0, 1.2, 1.6, 2.0, 2.4, 3.2)
BY_THICKNESS = ((0.9, 0.8), (1.3, 1.0), (2.2, 1.2), (4.0, 1.6), (float("inf"), 1.6))
CAP_MM = 2.4
CROWN = 0.15


def size_mm(coupon: Coupon) -> float:
    """Usual diameter, mm: a size under carbon-steel habit; a thicker wire for the passes after the first."""
    if coupon.run_pass > 1 and coupon.thickness_mm > 4:
        return CAP_MM
    return next(size for most, size in BY_THICKNESS if coupon.thickness_mm <= most)


def fillet_area_mm2(leg_mm: float, crown: float = CROWN) -> float:
    """Cross-section of a fillet with equal legs and a crown share, mm².

    >>> round(fillet_area_mm2(2.0), 2)
    2.3
    """
    return leg_mm**2 / 2 * (1 + crown)


def wire_length_mm(area_mm2: float, run_mm: float, wire_mm: float) -> float:
    """Wire that fills a cross-section over a run, mm.

    >>> round(wire_length_mm(2.3, 100, 1.6))
    114
    """
    return area_mm2 * run_mm / (math.pi / 4 * wire_mm**2)


def added_area_mm2(coupon: Coupon) -> float:
    """Cross-section that filler adds, mm²: the fillet, or over a bead of width w a crown A = 2/3 · w · (c w), a parabola.

    >>> from judicum.core.setup.coupon import read_coupon
    >>> flat = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat", "target_width_mm": 5.0}
    >>> round(added_area_mm2(read_coupon(flat)), 2)
    2.5
    """
    if coupon.kind.fillet:
        return fillet_area_mm2(coupon.leg_mm or coupon.thinner_mm)
    width = coupon.target_width_mm or bead_width_mm(coupon.thickness_mm)
    return 2 / 3 * width * CROWN * width * coupon.kind.crown


def filler(coupon: Coupon) -> Filler | None:
    """Alloy, diameter with its range (mm) and length per 100 mm of bead; None for a fused bead."""
    if coupon.technique == "fuse":
        return None
    size = size_mm(coupon)
    at = SIZES_MM.index(size)
    low, high = SIZES_MM[max(0, at - 1)], SIZES_MM[min(len(SIZES_MM) - 1, at + 1)]
    used = coupon.filler_mm or size
    length = round(wire_length_mm(added_area_mm2(coupon), 100, used))
    return Filler(coupon.metal.fillers[0], used, low, high, length)
