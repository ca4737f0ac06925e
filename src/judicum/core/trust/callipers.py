"""Measured widths beside callipered ones: where to take them, and how true what is claimed has been [src: bland-altman-1986]."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.report import Report

PLACES = 3
CLEAR_MM = 3.0
"""mm from a fault or a tip: there a calliper holds something else than the bead."""
CALLIPER_SD_MM = 0.05
"""mm: what a calliper over a bead's toes repeats to in a learner's hand."""
HELD_AIM = 0.95
"""Of what is claimed with two uncertainties, so much ought to lie inside."""
BELIEVED = 10
"""Attempts. What is claimed is believed as if it had held in so many, until evidence says otherwise."""
T_95 = (12.71, 4.30, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26, 2.23)
"""Student's t at 95 % for 1 to 10 degrees of freedom; from there on 1.96 + 2.5 / n comes near enough."""
SMOOTHING = 0.2
LIMIT_SD = 3.0
"""Of the chart: a moving mean that chance takes out of its limits once in some hundred attempts."""
STEADY = 10
"""Attempts from which the chart's middle is read."""


@dataclass(frozen=True)
class Pair:
    """One attempt: the mean over its places of measured and of callipered width, mm, the claimed standard uncertainty, and what it is
    grouped by."""

    measured_mm: float
    callipered_mm: float
    claimed_mm: float
    groups: tuple[tuple[str, str], ...] = ()

    @property
    def off_mm(self) -> float:
        return self.measured_mm - self.callipered_mm


@dataclass(frozen=True)
class Held:
    """How true a group of attempts was: bias with its 95 % interval, limits of agreement (between which the next bead lies with
    95 %: wider where few are known), how much of ± 2u held, and by what the claimed uncertainty must grow (1: not at all)."""

    count: int
    bias_mm: float
    bias_low_mm: float
    bias_high_mm: float
    lower_mm: float
    upper_mm: float
    held: float
    factor: float


@dataclass(frozen=True)
class Chart:
    """Moving mean of the differences over their usual, mm, its limit at each, and whether it has left them."""

    usual_mm: float
    moving_mm: tuple[float, ...]
    limits_mm: tuple[float, ...]
    drifts: bool


def places_mm(report: Report, count: int = PLACES) -> list[float]:
    """Where to hold the callipers, mm along the bead: evenly spaced, moved off faults; none where the bead was not measured."""
    if report.bead is None:
        return []
    length = report.bead.length_mm
    taken = [(one.s_mm, one.size_mm / 2 + CLEAR_MM) for one in report.defects or []]
    found: list[float] = []
    for k in range(count):
        wanted = length * (k + 1) / (count + 1)
        tries = sorted(np.arange(CLEAR_MM, length - CLEAR_MM, 1.0), key=lambda s: abs(s - wanted))
        free = (
            s
            for s in tries
            if all(abs(s - at) > room for at, room in taken) and all(abs(s - f) > CLEAR_MM for f in found)
        )
        place = next(free, None)
        if place is not None:
            found.append(round(float(place), 1))
    return sorted(found)


def measured_at(report: Report, s_mm: float) -> float | None:
    """The measured width at a place, mm, as a calliper of some width finds it; None where the profile does not reach."""
    profile = report.profile
    if profile is None or len(profile.s_mm) < 2 or not profile.s_mm[0] <= s_mm <= profile.s_mm[-1]:
        return None
    s, width = np.asarray(profile.s_mm, float), np.asarray(profile.width_mm, float)
    near = np.abs(s - s_mm) <= 0.75
    return float(width[near].mean()) if near.any() else float(np.interp(s_mm, s, width))


def pair_of(
    report: Report, callipered: Sequence[tuple[float, float]], groups: tuple[tuple[str, str], ...] = ()
) -> Pair | None:
    """An attempt's pair from (place, width) by callipers, mm; None where nothing is measured there."""
    both = [(measured, width) for s, width in callipered if (measured := measured_at(report, s)) is not None]
    if not both or report.bead is None:
        return None
    means = np.mean(both, axis=0)
    return Pair(float(means[0]), float(means[1]), report.bead.width_mm.uncertainty, groups)


def held(pairs: Sequence[Pair]) -> Held | None:
    """How true they were; None of fewer than two."""
    if len(pairs) < 2:
        return None
    off = np.array([one.off_mm for one in pairs])
    claimed = np.array([math.hypot(one.claimed_mm, CALLIPER_SD_MM) for one in pairs])
    n, bias = len(off), float(off.mean())
    reach = t_95(n - 1) * float(off.std(ddof=1))
    room, next_one = reach / math.sqrt(n), reach * math.sqrt(1 + 1 / n)
    inside = float((np.abs(off) <= 2 * claimed).mean())
    return Held(n, bias, bias - room, bias + room, bias - next_one, bias + next_one, inside, factor(pairs))


def factor(pairs: Sequence[Pair]) -> float:
    """By what the claimed uncertainty must grow so that it holds: the root of the mean squared error over the claimed one, with
    `BELIEVED` attempts of belief that it holds; never less than 1, and 1 where the evidence is no more than chance.

    >>> factor([])
    1.0
    """
    if not pairs:
        return 1.0
    share = np.array([(one.off_mm / math.hypot(one.claimed_mm, CALLIPER_SD_MM)) ** 2 for one in pairs])
    grown = math.sqrt((BELIEVED + float(share.sum())) / (BELIEVED + len(share)))
    # Under chance alone the sum has a standard deviation of the root of 2n.
    surely = float(share.sum()) > len(share) + 2 * math.sqrt(2 * len(share))
    return round(max(1.0, grown), 2) if surely else 1.0


def chart_of(off_mm: Sequence[float]) -> Chart | None:
    """A control chart (exponentially weighted moving mean) of differences, oldest first; None until there is a usual one."""
    if len(off_mm) <= STEADY:
        return None
    off: Floats = np.asarray(off_mm, float)
    own = off[:STEADY]
    usual, sd = float(own.mean()), max(float(own.std(ddof=1)), 1e-6)
    moving, level = [], usual
    for one in off[STEADY:]:
        level += SMOOTHING * (float(one) - level)
        moving.append(level)
    after = np.arange(1, len(moving) + 1)
    share = SMOOTHING / (2 - SMOOTHING) * (1 - (1 - SMOOTHING) ** (2 * after)) + 1 / STEADY
    limits = LIMIT_SD * sd * np.sqrt(share)
    drifts = abs(moving[-1] - usual) > limits[-1]
    return Chart(usual, tuple(moving), tuple(map(float, limits)), bool(drifts))


def t_95(free: int) -> float:
    """Student's t that holds 95 % with so many degrees of freedom.

    >>> t_95(4), round(t_95(30), 2)
    (2.78, 2.04)
    """
    return T_95[free - 1] if 1 <= free <= len(T_95) else 1.96 + 2.5 / max(free, 1)
