"""Filler: alloy, diameter, and how much goes into a length of bead."""

import math

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.hands import bead_width_mm
from judicum.core.setup.record import Filler

SIZES_MM = (0.8, 0.9, 1.0, 1.2, 1.6, 2.0, 2.4, 3.2)
BY_THICKNESS = ((0.9, 0.8), (1.3, 1.0), (2.2, 1.2), (6.5, 1.6), (9.5, 2.0), (float("inf"), 2.4))
"""mm of sheet and the wire on it: a size under carbon-steel habit."""
BY_WALL = ((1.3, 0.9), (2.0, 1.0))
"""mm of a tube's wall and the wire on it: a thicker one takes so much current to melt that the colour is lost."""
CAP_MM = 2.4
HEAVY_FROM_MM = 6.0
"""mm. On plate from here on 3.2 mm wire is in use, with the current that melts it."""
CROWN = 0.15


def thickness_size_mm(coupon: Coupon) -> float:
    """Usual diameter on this thickness, mm; of a wire that is laid, a size more than of one that is dabbed."""
    walls = BY_WALL if coupon.on_tube else ()
    size = next(size for most, size in (*walls, *BY_THICKNESS) if coupon.heated_mm <= most)
    return _beside(size, 1) if coupon.technique == "lay_wire" else size


def size_mm(coupon: Coupon) -> float:
    """Diameter that the card names, mm: that of the thickness, a thicker one for passes after the first on plate."""
    usual = thickness_size_mm(coupon)
    return max(usual, CAP_MM) if coupon.run_pass > 1 and coupon.thickness_mm > 4 else usual


def used_size_mm(coupon: Coupon) -> float | None:
    """Diameter that is welded with, mm: the coupon's own or the card's; None for a fused bead."""
    return None if coupon.technique == "fuse" else coupon.filler_mm or size_mm(coupon)


def _beside(size: float, steps: int) -> float:
    return SIZES_MM[max(0, min(len(SIZES_MM) - 1, SIZES_MM.index(size) + steps))]


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
    used = used_size_mm(coupon)
    if used is None:
        return None
    size = size_mm(coupon)
    low = _beside(size, -2 if size == 1.0 else -1)
    high = SIZES_MM[-1] if coupon.thickness_mm >= HEAVY_FROM_MM else _beside(size, 2 if size < 1.0 else 1)
    length = round(wire_length_mm(added_area_mm2(coupon), 100, used))
    return Filler(coupon.metal.fillers[0], used, low, high, length)
