"""What the machine really did: arc time, current, pedal, pulse, gas before and after, energy; from a data log.

Energy of an arc is the integral of voltage times current over its time, and per length that over the length of the weld
(ISO/TR 18491:2015, instantaneous energy) [src: iso-18491].
"""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.ndimage import uniform_filter1d

from judicum.core.datalog.read import DataLog

ARC_A = 4.0
"""A. Above what a sensor shows at rest and below the least current a machine welds with."""
DROPOUT_S = 0.3
"""s. An arc that is gone for less went on: the spark of a start, the background of a pulse near zero."""
MIN_ARC_S = 0.5
"""s. What is shorter is a tack or a test of the start; it is no run."""
STEADY = (0.15, 0.85)
"""Of an arc: the part without start and down-slope, from which figures are read."""
FULL = 0.8
"""Of the steady current, below which the last stretch counts as down-slope."""
PEDAL_HZ = (0.2, 3.0)
"""Hz. A foot goes no faster, and slower than one in five seconds is the taper of a run."""
MIN_DEPTH = 0.08
"""Of the mean: the least swing of current that shows in a bead's ripples."""
MIN_PEAK_SHARE = 0.25
"""Of the variance, that one frequency and its neighbours hold before a swing is called regular."""
SQUARE = 0.7
"""Of samples near peak or background, from which on a machine switches; a foot spends its time between."""
MIN_CYCLES = 3.0
"""So many of them lie in what is looked at, or nothing is said of a frequency."""


@dataclass(frozen=True, kw_only=True)
class MachinePulse:
    """A pulse of the machine: per second (Hz), peak and background (A), share of the time at peak (0–1)."""

    per_second: float
    peak_a: float
    background_a: float
    on_share: float


@dataclass(frozen=True, kw_only=True)
class PedalPumping:
    """A pedal that goes up and down: per second (Hz), and depth, half its swing over the mean (0–1)."""

    per_second: float
    depth: float


@dataclass(frozen=True, kw_only=True)
class MachineFigures:
    """Of the longest arc in a log (s from its first sample; A; V; kJ); None where the log does not show it.

    `arcs` counts all arcs that were runs, `restarts_s` where within the weld a later one began.
    """

    arcs: int
    from_s: float
    to_s: float
    arc_s: float
    current_a: float
    spread_a: float
    voltage_v: float | None
    energy_kj: float | None
    start_current_a: float
    preflow_s: float | None
    downslope_s: float
    postflow_s: float | None
    pulse: MachinePulse | None
    pumping: PedalPumping | None
    restarts_s: tuple[float, ...]
    missing_s: float


def figures_of(log: DataLog) -> MachineFigures | None:
    """What the machine did; None where no arc lasted half a second."""
    arcs = _arcs(log)
    if not arcs:
        return None
    begin, end = arcs[0][0], arcs[-1][1]
    first, last = max(arcs, key=lambda arc: log.time_s[arc[1]] - log.time_s[arc[0]])
    time, current = log.time_s[first : last + 1], log.current_a[first : last + 1].astype(np.float64)
    lasted = float(time[-1] - time[0])
    steady = _between(time, time[0] + STEADY[0] * lasted, time[0] + STEADY[1] * lasted)
    mean = float(np.mean(current[steady]))
    smooth = uniform_filter1d(current, max(1, int(0.2 * log.rate_hz)))
    pulse, pumping = _swing(current[steady], log.rate_hz)
    arc_s = float(sum(log.time_s[b] - log.time_s[a] for a, b in arcs))
    return MachineFigures(
        arcs=len(arcs),
        from_s=float(log.time_s[begin]),
        to_s=float(log.time_s[end]),
        arc_s=arc_s,
        current_a=mean,
        spread_a=float(np.std(smooth[steady])),
        voltage_v=None if log.voltage_v is None else float(np.mean(log.voltage_v[first : last + 1][steady])),
        energy_kj=_energy_kj(log, arcs),
        start_current_a=float(np.median(current[: max(1, int(0.2 * log.rate_hz))])),
        preflow_s=_preflow_s(log, begin),
        downslope_s=_downslope_s(time, smooth, mean),
        postflow_s=_postflow_s(log, end),
        pulse=pulse,
        pumping=pumping,
        restarts_s=tuple(float(log.time_s[a] - log.time_s[begin]) for a, _ in arcs[1:]),
        missing_s=sum(b - a for a, b in log.gaps if a < log.time_s[end] and b > log.time_s[begin]),
    )


def _arcs(log: DataLog) -> list[tuple[int, int]]:
    """First and last sample of each arc that was a run."""
    burns = log.current_a >= ARC_A
    edges = np.flatnonzero(np.diff(np.concatenate(([False], burns, [False])).astype(np.int8)))
    found: list[tuple[int, int]] = []
    for a, b in zip(edges[::2], edges[1::2] - 1, strict=True):
        if found and log.time_s[a] - log.time_s[found[-1][1]] < DROPOUT_S:
            found[-1] = (found[-1][0], int(b))
        else:
            found.append((int(a), int(b)))
    return [(a, b) for a, b in found if log.time_s[b] - log.time_s[a] >= MIN_ARC_S]


def _between(time: NDArray[np.float64], low: float, high: float) -> slice:
    return slice(int(np.searchsorted(time, low)), max(1, int(np.searchsorted(time, high))))


def _energy_kj(log: DataLog, arcs: list[tuple[int, int]]) -> float | None:
    if log.voltage_v is None:
        return None
    power = log.voltage_v.astype(np.float64) * log.current_a
    return float(sum(np.trapezoid(power[a : b + 1], log.time_s[a : b + 1]) for a, b in arcs)) / 1000


def _preflow_s(log: DataLog, begin: int) -> float | None:
    """How long the valve had been open when the first arc lit."""
    if log.gas_on is None or log.gas_on[begin] < 0.5:
        return None
    shut = np.flatnonzero(log.gas_on[:begin] < 0.5)
    return float(log.time_s[begin] - log.time_s[shut[-1] + 1]) if len(shut) else None


def _postflow_s(log: DataLog, end: int) -> float | None:
    """How long the valve stayed open after the last arc; None where the log ends before it shut."""
    if log.gas_on is None:
        return None
    shut = np.flatnonzero(log.gas_on[end:] < 0.5)
    return float(log.time_s[end + shut[0]] - log.time_s[end]) if len(shut) else None


def _downslope_s(time: NDArray[np.float64], smooth: NDArray[np.float64], mean: float) -> float:
    """From the last time at FULL of the steady current to the arc's end."""
    full = np.flatnonzero(smooth >= FULL * mean)
    return float(time[-1] - time[full[-1]]) if len(full) else 0.0


def _swing(current: NDArray[np.float64], rate_hz: float) -> tuple[MachinePulse | None, PedalPumping | None]:
    """A regular swing of the steady current: the machine's pulse, where it switches, or a pumping pedal."""
    mean = float(np.mean(current))
    if len(current) < MIN_CYCLES * 2 or mean <= 0:
        return None, None
    at = np.arange(len(current))
    level = current - np.polyval(np.polyfit(at, current, 1), at)
    power = np.abs(np.fft.rfft(level * np.hanning(len(level)))) ** 2
    frequency = np.fft.rfftfreq(len(level), 1 / rate_hz)
    lasted = len(current) / rate_hz
    wanted = frequency >= MIN_CYCLES / lasted
    if not wanted.any() or power.sum() <= 0:
        return None, None
    top = int(np.flatnonzero(wanted)[np.argmax(power[wanted])])
    beside = slice(max(0, top - 2), top + 3)
    share = float(power[beside].sum() / power.sum())
    low, high = (float(one) for one in np.percentile(current, (5, 95)))
    depth = (high - low) / (2 * mean)
    if depth < MIN_DEPTH or share < MIN_PEAK_SHARE:
        return None, None
    hertz = float(np.average(frequency[beside], weights=power[beside]))
    near = 0.15 * (high - low)
    if np.mean((current > high - near) | (current < low + near)) >= SQUARE:
        on = current > (high + low) / 2
        return MachinePulse(per_second=hertz, peak_a=high, background_a=low, on_share=float(np.mean(on))), None
    if PEDAL_HZ[0] <= hertz <= PEDAL_HZ[1]:
        return None, PedalPumping(per_second=hertz, depth=depth)
    return None, None
