"""Turntable speed."""

import math


def turntable_rpm(tube_od_mm: float, travel_mm_s: float) -> float:
    """Turns per minute for a travel at the tube's outside: n = 60 v / (π D).

    >>> round(turntable_rpm(48.3, 2.0), 3)
    0.791
    """
    return 60 * travel_mm_s / (math.pi * tube_od_mm)


def carry_over_rpm(rpm: float, from_od_mm: float, to_od_mm: float) -> float:
    """The same travel on another diameter: n₂ = n₁ D₁ / D₂.

    >>> round(carry_over_rpm(turntable_rpm(48.3, 2.0), 48.3, 76.1), 3)
    0.502
    """
    return rpm * from_od_mm / to_od_mm
