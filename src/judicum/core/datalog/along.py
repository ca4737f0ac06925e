"""Where along the bead each moment of a weld lies: by its dabs, where current and ripples tell the same number, else by even travel."""

from collections.abc import Mapping, Sequence
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import uniform_filter1d

MIN_DABS = 6
"""Fewer peaks of the current than these may fall on as many ripples by chance."""
AGREE = 0.1
"""Share by which peaks and ripple fronts may differ in number: tips hide one or two of either."""
MIN_SAMPLES = 4.0
"""Samples of the drawn current in one swing, below which its peaks cannot be placed."""


def swings_of(machine: Mapping[str, Any] | None) -> float | None:
    """Regular swings of the current in a whole weld, by the figures kept of its log; None where there are none."""
    swing = machine and (machine["pulse"] or machine["pumping"])
    return swing["per_second"] * (machine["to_s"] - machine["from_s"]) if machine and swing else None


def along_bead(
    share: NDArray[np.float64],
    current_a: NDArray[np.float64],
    swings: float | None,
    fronts_mm: Sequence[float],
    length_mm: float | None,
) -> tuple[NDArray[np.float64], bool]:
    """Places (0 to 1 of the bead's length) of samples at shares (0 to 1, ascending) of the weld's time; whether dabs placed them.

    Args:
        swings: of the current, regular ones, in the whole weld; None where there are none.
        fronts_mm: ripple fronts from the start, mm; length_mm: the bead's, None where none was measured.

    >>> at = np.linspace(0, 1, 400)
    >>> slower = 100 * np.linspace(0, 1, 11)[:-1] ** 2 + 2  # ripples ever further apart: the travel grew
    >>> place, by_dabs = along_bead(at, 60 + 9 * np.sin(20 * np.pi * at), 10, slower, 100)
    >>> by_dabs, bool(place[200] < 0.3)
    (True, True)
    """
    if swings is None or not length_mm or len(share) < MIN_SAMPLES * swings or len(fronts_mm) < MIN_DABS:
        return share, False
    from scipy.signal import find_peaks  # with all of scipy's statistics: only for the few welds that get here

    per_swing = len(share) / swings
    smooth = uniform_filter1d(current_a, max(1, round(per_swing / 4)))
    peaks, _ = find_peaks(smooth, distance=max(1, round(0.6 * per_swing)), prominence=0.3 * float(np.std(smooth)))
    count = len(fronts_mm)
    if len(peaks) < MIN_DABS or abs(len(peaks) - count) > AGREE * count:
        return share, False
    fronts = np.sort(np.asarray(fronts_mm, dtype=np.float64)) / length_mm
    at_peaks = np.interp(np.linspace(0, count - 1, len(peaks)), np.arange(count), fronts)
    return np.interp(share, [0.0, *share[peaks], 1.0], [0.0, *np.clip(at_peaks, 0.0, 1.0), 1.0]), True
