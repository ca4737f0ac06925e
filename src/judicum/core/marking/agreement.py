"""Whether two markers mark alike, and whether one drifts: differences, kappa, intraclass correlation, a control chart.

Kept libraries that take longer to load than all the rest of the core are imported where they are used.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from scipy.special import fdtri, stdtrit

from judicum.core.arrays import Floats
from judicum.core.marking.scheme import HALF, HIGHEST

CONFIDENCE = 0.95
"""Of every interval."""
MIN_PAIRS = 5
"""Pairs under which nothing but the mean difference is said."""
FEW = 20
"""Pairs under which intervals are wide enough to say so in words."""
STEADY = 20
"""Marks that a marker's own usual is read from."""
SMOOTHING = 0.2
"""Weight of the newest mark in the moving mean [src: roberts-1959]."""
LIMIT = 2.5
"""Standard errors of the moving mean from which it drifts: of steady markers one in forty is called drifting after 60 marks,
of those who moved by 1.5 standard deviations seven in eight (tests/core/marking/test_agreement.py)."""
RANGE_TO_SD = 1.128
"""Mean range of two normal values over their standard deviation [src: nist-handbook]."""


@dataclass(frozen=True)
class Interval:
    """A figure with the interval that holds it at CONFIDENCE."""

    value: float
    low: float
    high: float


@dataclass(frozen=True)
class Agreement:
    """Two markers at one criterion (or in total): figures that too few pairs cannot give are None."""

    pairs: int
    difference: Interval | None
    kappa: Interval | None
    icc: Interval | None

    @property
    def few(self) -> bool:
        """Whether the intervals are wide because there are few pairs."""
        return self.pairs < FEW


def scored_by_both(
    first: Mapping[str, float | None], second: Mapping[str, float | None]
) -> dict[str, tuple[float, float]]:
    """The two scores of every criterion that both sides scored, in the order of the first.

    >>> scored_by_both({"tint": 8.0, "width_evenness": None}, {"tint": 7.5, "width_evenness": 6.0})
    {'tint': (8.0, 7.5)}
    """
    pairs = ((key, score, second.get(key)) for key, score in first.items())
    return {key: (one, other) for key, one, other in pairs if one is not None and other is not None}


def agreement(first: Sequence[float], second: Sequence[float], step: float | None = HALF) -> Agreement:
    """How far second marks agree with the first ones of the same beads.

    Args:
        first, second: of one length. step: of the scale from 0 to HIGHEST, for kappa; None where it has no steps.
    """
    pairs = len(first)
    kappa = icc = None
    if pairs >= MIN_PAIRS:
        if step is not None:
            kappa = weighted_kappa(
                [round(x / step) for x in first], [round(x / step) for x in second], round(HIGHEST / step) + 1
            )
        icc = intraclass(np.column_stack([first, second]))
    return Agreement(pairs, mean_difference(first, second), kappa, icc)


def mean_difference(first: Sequence[float], second: Sequence[float]) -> Interval | None:
    """Mean of second less first with its interval by Student's t; None under two pairs.

    >>> mean_difference([6.0, 7.0, 8.0], [7.0, 8.0, 9.0])
    Interval(value=1.0, low=1.0, high=1.0)
    """
    if len(first) < 2:
        return None
    off = np.subtract(second, first)
    value, error = float(off.mean()), float(off.std(ddof=1) / np.sqrt(len(off)))
    reach = error * float(stdtrit(len(off) - 1, (1 + CONFIDENCE) / 2))
    return Interval(value, value - reach, value + reach)


def weighted_kappa(first: Sequence[int], second: Sequence[int], count: int) -> Interval | None:
    """Cohen's kappa with squared weights over `count` ordered categories 0, 1, … [src: fleiss-cohen-1973].

    None where all marks of both are the same: chance then agrees as well.
    """
    from statsmodels.stats.inter_rater import cohens_kappa

    table = np.zeros((count, count))
    np.add.at(table, (np.asarray(first), np.asarray(second)), 1)
    used = (table.sum(0) + table.sum(1)) > 0
    if used.sum() < 2:
        return None
    # Categories keep their distance; those that nobody used add nothing to the table but make its variance undefined.
    at = np.flatnonzero(used).astype(float)
    # Where one of them gives the same to all, the test statistic that the library adds is nothing over nothing.
    with np.errstate(invalid="ignore", divide="ignore"):
        found = cohens_kappa(table[np.ix_(used, used)], weights=at, wt="quadratic")
    low, high = (float(found.kappa_low), float(found.kappa_upp))
    return Interval(float(found.kappa), max(-1.0, low), min(1.0, high)) if np.isfinite(low) else None


def intraclass(ratings: Floats) -> Interval | None:
    """Intraclass correlation ICC(A,1): two-way, absolute agreement, of a single marker [src: mcgraw-wong-1996].

    ICC = (MSR - MSE) / (MSR + (k - 1) MSE + k/n (MSC - MSE)) with mean squares of beads (R), markers (C) and error (E).

    Args:
        ratings: beads × markers, two of each at least.

    Returns:
        The figure with its interval by the F distribution; None where all marks are the same.
    """
    n, k = ratings.shape
    grand = ratings.mean()
    of_beads = k * ((ratings.mean(1) - grand) ** 2).sum() / (n - 1)
    of_markers = n * ((ratings.mean(0) - grand) ** 2).sum() / (k - 1)
    left = ratings - ratings.mean(1, keepdims=True) - ratings.mean(0) + grand
    error = (left**2).sum() / ((n - 1) * (k - 1))
    below = of_beads + (k - 1) * error + k / n * (of_markers - error)
    if below <= 0:
        return None
    icc = (of_beads - error) / below
    if icc <= -1:
        # Marks that mirror each other: the figure has no meaning below there, and its interval none at all.
        return Interval(-1.0, -1.0, -1.0)
    a = k * icc / (n * (1 - icc)) if icc < 1 else np.inf
    b = 1 + k * icc * (n - 1) / (n * (1 - icc)) if icc < 1 else np.inf
    if error == 0 or not np.isfinite(a):
        return Interval(float(icc), float(icc), float(icc))
    freedom = (a * of_markers + b * error) ** 2 / (
        (a * of_markers) ** 2 / (k - 1) + (b * error) ** 2 / ((n - 1) * (k - 1))
    )
    upper, lower = (float(fdtri(*df, (1 + CONFIDENCE) / 2)) for df in ((n - 1, freedom), (freedom, n - 1)))
    spread = k * of_markers + (k * n - k - n) * error
    low = n * (of_beads - upper * error) / (upper * spread + n * of_beads)
    high = n * (lower * of_beads - error) / (spread + n * lower * of_beads)
    return Interval(float(icc), float(low), float(high))


@dataclass(frozen=True)
class Severity:
    """A marker's marks over what was suggested, in order of time.

    `usual` is the mean of the first STEADY of them, `moving` the moving mean after each, `limits` how far it may lie from
    `usual` by chance. `drifts` is what stands at the end; None while there are too few marks to tell.
    """

    usual: float
    moving: tuple[float, ...]
    limits: tuple[float, ...]
    drifts: Literal["kinder", "stricter", "no"] | None

    @property
    def drifting(self) -> bool:
        """Whether it drifts for certain."""
        return self.drifts not in (None, "no")


def severity(over: Sequence[float]) -> Severity | None:
    """A control chart (exponentially weighted moving mean) of what a marker gives over the suggestion; None under two marks.

    The limits allow for both what one mark differs from the next and for the usual itself being read from few marks.

    Args:
        over: marks of a hundred given less suggested, oldest first.
    """
    if len(over) < 2:
        return None
    marks = np.asarray(over, float)
    own = marks[:STEADY]
    usual = float(own.mean())
    sd = max(float(np.abs(np.diff(own)).mean()) / RANGE_TO_SD, 1e-9)
    moving, level = [], usual
    for mark in marks[len(own) :]:
        level += SMOOTHING * (float(mark) - level)
        moving.append(level)
    after = np.arange(1, len(moving) + 1)
    share = SMOOTHING / (2 - SMOOTHING) * (1 - (1 - SMOOTHING) ** (2 * after)) + 1 / len(own)
    limits = LIMIT * sd * np.sqrt(share)
    tendency: Literal["kinder", "stricter", "no"] | None = None
    if moving:
        off = moving[-1] - usual
        tendency = "no" if abs(off) <= limits[-1] else "kinder" if off > 0 else "stricter"
    return Severity(usual, tuple(moving), tuple(float(one) for one in limits), tendency)


Curve = tuple[tuple[float, float], ...]
MIN_TO_BEND = 12
"""Marks of one line that a curve is bent by."""


def fitted_curve(curve: Curve, figures: Sequence[float], scores: Sequence[float]) -> Curve | None:
    """The curve of a line that fits what was given better: each of its points moved to the scores given around it.

    Scores over the figure are made monotone in the curve's own direction (isotonic regression [src: barlow-1972]) and read at
    the curve's points; where nothing was given the point stays. None where there are too few marks, the curve rises and
    falls, or nothing would change by half a point.
    """
    from scipy.optimize import isotonic_regression

    heights = [height for _, height in curve]
    falls, rises = heights == sorted(heights, reverse=True), heights == sorted(heights)
    if len(figures) < MIN_TO_BEND or not (falls or rises):
        return None
    order = np.argsort(figures, kind="stable")
    at, given = np.asarray(figures, float)[order], np.asarray(scores, float)[order]
    smooth = isotonic_regression(given, increasing=rises).x
    moved = []
    for figure, height in curve:
        inside = at[0] <= figure <= at[-1]
        moved.append((figure, round(float(np.interp(figure, at, smooth)) * 2) / 2 if inside else height))
    points = [height for _, height in moved]
    # A point that stayed may lie on the wrong side of one that moved.
    points = list(np.maximum.accumulate(points)) if rises else list(np.minimum.accumulate(points))
    new = tuple((figure, float(height)) for (figure, _), height in zip(moved, points, strict=True))
    return new if any(abs(a[1] - b[1]) >= HALF for a, b in zip(new, curve, strict=True)) else None


def departures(given: Mapping[str, Sequence[tuple[float, float]]]) -> dict[str, Interval | None]:
    """By criterion: the mean of what was given over what was suggested, from pairs (suggested, given)."""
    return {key: mean_difference(*zip(*pairs, strict=True)) if pairs else None for key, pairs in given.items()}
