"""Where a figure of the next attempts is likely to lie: a damped straight line with a range that widens."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from judicum.core.progress.trend import trend_per_attempt

LAST, FEWEST = 6, 3
"""Attempts that the line is read from, and the fewest it is drawn from."""
DAMPED = 0.6
"""Share of the slope that goes on from one attempt to the next: getting better slows down [src: gardner-2006]."""
REACH = 1.9
"""Standard deviations to either side: 1.28 would hold four in five if level, slope and noise were known; here they are guessed."""
MAD_TO_SD = 1.4826
"""Standard deviation of normal values over their median absolute deviation [src: nist-handbook]."""
USUAL_SHARE = 0.25
"""Of a figure's height, its usual standard deviation from attempt to attempt, where few attempts cannot say; it weighs as two."""


@dataclass(frozen=True)
class Next:
    """A coming attempt: the figure's middle and the range that holds it in about four of five cases."""

    low: float
    mid: float
    high: float


def cone(values: Sequence[float], ahead: int = 3) -> list[Next]:
    """The next attempts of a figure that is never below 0, from its values so far, oldest first; empty under FEWEST.

    Held 0.80 of next values of drawn learners (tests/core/progress/test_cone.py).
    """
    own = np.asarray(values[-LAST:], float)
    if len(own) < FEWEST:
        return []
    slope = trend_per_attempt([float(v) for v in own]) or 0.0
    at = np.arange(len(own)) - (len(own) - 1)
    level = float(np.median(own - slope * at))
    off = own - level - slope * at
    usual = USUAL_SHARE * max(float(np.median(own)), 1e-9)
    spread = MAD_TO_SD * float(np.median(np.abs(off)))
    sd = float(np.sqrt((len(own) * spread**2 + 2 * usual**2) / (len(own) + 2)))
    found = []
    drift = 0.0
    for k in range(1, ahead + 1):
        drift += slope * DAMPED**k
        reach = REACH * sd * np.sqrt(1 + k / len(own))
        mid = max(0.0, level + drift)
        found.append(Next(max(0.0, mid - reach), mid, mid + float(reach)))
    return found
