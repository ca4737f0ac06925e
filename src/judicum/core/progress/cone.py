"""Where a figure of the next attempts is likely to lie: a damped straight line with a range that widens."""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations
from math import sqrt
from statistics import median

NEWEST = 6
"""Attempts that the line is read from, the last ones."""
MIN_VALUES = 3
"""The fewest it is drawn from."""
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
    own = list(values[-NEWEST:])
    if len(own) < MIN_VALUES:
        return []
    # Six figures: plain lists are faster than arrays, and a student's page has forty of these.
    slope = median((b - a) / (j - i) for (i, a), (j, b) in combinations(enumerate(own), 2))
    at = range(1 - len(own), 1)
    level = median(value - slope * k for k, value in zip(at, own, strict=True))
    off = median(abs(value - level - slope * k) for k, value in zip(at, own, strict=True))
    usual = USUAL_SHARE * max(median(own), 1e-9)
    sd = sqrt((len(own) * (MAD_TO_SD * off) ** 2 + 2 * usual**2) / (len(own) + 2))
    found = []
    drift = 0.0
    for k in range(1, ahead + 1):
        drift += slope * DAMPED**k
        reach = REACH * sd * sqrt(1 + k / len(own))
        mid = max(0.0, level + drift)
        found.append(Next(max(0.0, mid - reach), mid, mid + reach))
    return found
