"""Turntable speed."""

import math

from judicum.core.errors import InvalidValue, said


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


def trial_bands(tube_od_mm: float, low_mm_s: float, high_mm_s: float, count: int) -> list[tuple[float, float]]:
    """Speeds for trial bands round a practice tube: turns per minute and travel (mm/s), evenly from low to high.

    Raises:
        InvalidValue: fewer than two bands, or a low speed that is not below the high one.

    >>> [(round(n, 2), v) for n, v in trial_bands(48.3, 1.5, 2.5, 3)]
    [(0.59, 1.5), (0.79, 2.0), (0.99, 2.5)]
    """
    if count < 2:
        raise InvalidValue("bands", count, said("allowed-2-or-more"))
    if not low_mm_s < high_mm_s:
        raise InvalidValue(
            "low_mm_s", low_mm_s, said("allowed-less-than-the-high-speed-of", high_mm_s=f"{high_mm_s:g}")
        )
    speeds = [low_mm_s + (high_mm_s - low_mm_s) * k / (count - 1) for k in range(count)]
    return [(turntable_rpm(tube_od_mm, v), v) for v in speeds]
