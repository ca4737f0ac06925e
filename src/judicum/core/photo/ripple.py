"""Ripple fronts: crescents where one freeze front ends, found along the straightened bead.

The bead face is unrolled so that both toes lie at u = -1 and +1. Fronts are curved, because the
middle of the puddle freezes last; the curvature that lines the fronts up best across the bead is
found first. A front is a step: the flank that faces the light is bright, the other dark. The dark
lines are followed unless the narrow lines are bright ones, and the front lies in the middle of both.
Each row counts alike, so that one bright row decides nothing.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d
from scipy.signal import find_peaks

from judicum.core.acceptance import LAPSE_LONG, LAPSE_SHORT
from judicum.core.arrays import Floats
from judicum.core.photo.band import Band
from judicum.core.photo.unwrap import read_at

PITCH_MM = (0.6, 5.0)
BLIND = 2.7
WEAKEST = 0.22
"""Least height of a front over its surroundings, as a share of the usual front's."""
AGREEMENT = 0.18
"""Least share of the rows' variance that lines up across the bead for fronts to count as seen."""
LEAST_CONTRAST = 0.25
"""Least usual height (CIELAB lightness) of the fronts over their surroundings: fainter ones are the grain's or the film's."""
STRAIGHT = 0.08
"""Freeze fronts are crescents: lines that bulge less than this share of the bead's width are the brushing's."""
BRIGHT_SKEWNESS = 0.3
"""Skewness of the light along the bead from which the narrow lines in it are bright ones."""
FLANKS_MM, FLANKS_SHARE = 0.6, 0.42
"""How far around a line, in mm and in pitches, its front's other flank is looked for."""
NARROW_MM, WIDE_MM = 0.08, 0.4
THIN = 2
"""Every other row tells the shape of the fronts as well as all."""
STRETCHES = 6
"""A bead is cut into so many stretches for the agreement: one event, such as a missing piece, decides nothing."""
BLOB_SHARE = 0.2
"""Share of the rows that a pore or shine may hide at one place."""
MOST = 4.0
"""A line stands out by at most this much: one scratch decides nothing."""


@dataclass(frozen=True)
class Ripple:
    """Ripple fronts of a bead: `positions_mm` (k,) along the centreline; `curve_mm` how far the
    middle of a front lies ahead (+) of its ends at the toes; `agreement` 0 to 1."""

    positions_mm: Floats
    curve_mm: float
    agreement: float
    hidden_mm: tuple[tuple[float, float], ...] = ()
    """Stretches under which no front can be seen: sugar, a hole, a missing bead."""

    def without(self, hidden_mm: Sequence[tuple[float, float]]) -> "Ripple | None":
        """The same fronts less those that lie in hidden stretches; None where fewer than four are left."""
        lost = np.any([(self.positions_mm > a) & (self.positions_mm < b) for a, b in hidden_mm], axis=0)
        kept = self.positions_mm[~lost] if len(hidden_mm) else self.positions_mm
        return replace(self, positions_mm=kept, hidden_mm=tuple(hidden_mm)) if len(kept) >= 4 else None

    @property
    def gaps_mm(self) -> Floats:
        return np.diff(self.positions_mm)

    def figures(self) -> dict[str, object]:
        """Count, mean pitch (mm), cv of the gaps and the positions of lapses, as docs/measuring.md defines."""
        gaps = self.gaps_mm
        median = float(np.median(gaps))
        # Over a hole or a sugared patch no front can be seen: that is a blind stretch, not a gap.
        ends = list(zip(self.positions_mm[:-1], self.positions_mm[1:], strict=True))
        open_ = np.array([not any(to > a and fro < b for a, b in self.hidden_mm) for fro, to in ends])
        seen = gaps[(gaps < BLIND * median) & open_]
        lapse = ((gaps > LAPSE_LONG * median) | (gaps < LAPSE_SHORT * median)) & open_
        middles = (self.positions_mm[1:] + self.positions_mm[:-1]) / 2
        return {
            "count": len(self.positions_mm),
            "pitch_mm": float(seen.mean()) if len(seen) else median,
            "cv": float(seen.std(ddof=1) / seen.mean()) if len(seen) > 1 else None,
            "positions_mm": [float(p) for p in self.positions_mm],
            "lapses_mm": [float(m) for m in middles[lapse]],
        }


def find_ripples(face: Floats, step_mm: float, half_width_mm: float) -> Ripple | None:
    """Find ripple fronts on an unrolled bead face.

    Args:
        face: lightness (rows over u from -1 to +1, columns over s), rows at equal steps.
        step_mm: distance between columns, mm.
        half_width_mm: half the bead's mean width, mm.

    Returns:
        The fronts, or None where no distinct fronts are there. Fronts closer than 0.6 mm or
        finer than four samples are not resolved.
    """
    u = np.linspace(-1, 1, len(face))
    rows = np.abs(u) < 0.86
    # The rounded ends are edges of their own, brighter than any front: they are left out.
    end = min(int(0.9 * half_width_mm / step_mm), face.shape[1] // 4)
    body = face[rows, end : face.shape[1] - end].astype(np.float32)
    lines_only = _fine_lines(body, step_mm)
    detail = _in_own_scatter(lines_only)

    def lined_up(lines: Floats, train: _Train) -> Floats:
        return _aligned(lines, u[rows], train.curve_mm / step_mm, train.lean_mm / step_mm)

    clipped = np.clip(detail, -MOST, MOST)
    best = _train(detail, -1.0, u[rows], step_mm, half_width_mm)
    shown = lined_up(clipped, best)
    if best.agreement < AGREEMENT or _skewness(shown.mean(0)) > BRIGHT_SKEWNESS:
        bright = _train(detail, 1.0, u[rows], step_mm, half_width_mm)
        if bright.agreement > best.agreement:
            best, shown = bright, lined_up(clipped, bright)
    if best.agreement < AGREEMENT or abs(best.curve_mm) < STRAIGHT * 2 * half_width_mm:
        return None
    pitch = _usual_gap(best.signal, step_mm)
    if pitch is None:
        return None
    lines = _most_rows(np.clip(best.sign * shown, 0, MOST))
    sharp = _peaks(gaussian_filter1d(lines, 0.07 * pitch / step_mm), pitch / step_mm)
    if len(sharp) < 4:
        return None
    height = _most_rows(best.sign * lined_up(lines_only, best))[np.rint(sharp).astype(int)]
    if float(np.median(height)) < LEAST_CONTRAST:
        return None
    sharp = sharp + _middle(shown.mean(0), sharp, min(FLANKS_MM, FLANKS_SHARE * pitch) / step_mm)
    return Ripple((end + sharp) * step_mm, best.curve_mm, best.agreement)


@dataclass(frozen=True)
class _Train:
    """Bright (sign 1) or dark (-1) lines lined up by one curvature and lean: `signal` along s, how well rows agree."""

    sign: float
    signal: Floats
    curve_mm: float
    lean_mm: float
    agreement: float


def _train(detail: Floats, sign: float, height: Floats, step_mm: float, half_width_mm: float) -> _Train:
    """Line the rows up by the curvature under which they agree best, then by how far the fronts lean to one toe."""
    lines, height = np.clip(sign * detail[::THIN], 0, MOST), height[::THIN]
    tried: dict[tuple[float, float], _Train] = {}

    def best_of(shapes: Iterable[tuple[float, float]]) -> tuple[float, float]:
        for curve, lean in shapes:
            lined = _aligned(lines, height, curve * half_width_mm / step_mm, lean * half_width_mm / step_mm)
            signal = lined.mean(0).astype(np.float64)
            tried[curve, lean] = _Train(sign, signal, curve * half_width_mm, lean * half_width_mm, _agreement(lined))
        return max(tried, key=lambda shape: tried[shape].agreement)

    curve, _ = best_of((float(curve), 0.0) for curve in np.arange(-1.4, 1.41, 0.2))
    curve, lean = best_of((curve, lean) for lean in (-0.4, -0.2, 0.2, 0.4))
    curve, lean = best_of((curve + more, lean) for more in (-0.1, -0.05, 0.05, 0.1))
    return tried[best_of((curve, lean + more) for more in (-0.1, 0.1))]


def _agreement(lined: Floats) -> float:
    """Share of the rows' variance that they have in common, 0 to 1: usual of some stretches, because fronts run all along."""
    rows, columns = lined.shape
    parts = lined[:, : columns // STRETCHES * STRETCHES].reshape(rows, STRETCHES, -1)
    return float(np.median(parts.mean(0).var(-1) / np.maximum(parts.var(-1).mean(0), 1e-6)))


def _aligned(lines: Floats, height: Floats, curve: float, lean: float) -> Floats:
    """The rows (rows, columns) after undoing a parabola of `curve` samples that leans by `lean`."""
    shift = (curve * height**2 + lean * height).astype(np.float32)
    columns = np.arange(lines.shape[1], dtype=np.float32)[None, :] - shift[:, None]
    across = np.broadcast_to(np.arange(len(lines), dtype=np.float32)[:, None], columns.shape)
    return cv2.remap(lines, columns, across, cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE)


def _skewness(signal: Floats) -> float:
    """Positive where narrow peaks stand out of a signal, negative where narrow dips do."""
    off = signal - signal.mean()
    return float((off**3).mean() / max(float((off**2).mean()) ** 1.5, 1e-12))


def _most_rows(lined: Floats) -> Floats:
    """Mean over the rows less the strongest few at each place: a pore is dark in a few rows, a front in most."""
    kept = len(lined) - round(BLOB_SHARE * len(lined))
    return np.partition(lined, kept, axis=0)[:kept].mean(0).astype(np.float64)


def _peaks(signal: Floats, pitch: float) -> Floats:
    """Peaks at least half a pitch apart that stand out as fronts do, to a fraction of a sample."""
    peaks, told = find_peaks(signal, distance=max(1, int(0.45 * pitch)), prominence=0.3 * signal.std())
    if len(peaks) >= 4:
        usual = np.quantile(told["prominences"], 0.7)
        peaks = peaks[told["prominences"] > WEAKEST * usual]
    before, at, after = (signal[np.clip(peaks + k, 0, len(signal) - 1)] for k in (-1, 0, 1))
    bend = before - 2 * at + after
    return peaks + np.where(np.abs(bend) > 1e-9, 0.5 * (before - after) / np.where(bend == 0, 1, bend), 0.0)


def _middle(signal: Floats, lines: Floats, reach: float) -> float:
    """How far (samples) the middle of what stands out lies from the lines, usual of them all: half-way to a bright flank."""
    away = np.arange(-reach, reach + 0.25, 0.5)
    around = np.interp(lines[:, None] + away, np.arange(len(signal)), signal).mean(0) - np.median(signal)
    return float((around**2 @ away) / max(float((around**2).sum()), 1e-9))


def _usual_gap(signal: Floats, step_mm: float) -> float | None:
    """Median spacing (mm) of what stands out of the signal, or None.

    An irregular hand leaves no peak in the autocorrelation; the median gap does not mind it.
    """
    smooth = gaussian_filter1d(signal, 0.13 / step_mm)
    peaks = find_peaks(smooth, distance=PITCH_MM[0] / step_mm, prominence=0.7 * smooth.std())[0]
    return min(float(np.median(np.diff(peaks))) * step_mm, PITCH_MM[1]) if len(peaks) > 4 else None


def run_past(face: Floats, step_mm: float, ripple: Ripple, share: float) -> float:
    """How strongly fronts seen in the middle of a face go on outside of it: 1 as strongly, 0 not at all.

    Args:
        face: lightness of a wider face (rows over u from -1 to +1, columns over s).
        ripple: fronts found within the middle `share` of its width.
    """
    u = np.linspace(-1, 1, len(face)) / share
    lines = np.clip(-_in_own_scatter(_fine_lines(face.astype(np.float32), step_mm)), 0, MOST)
    near = np.array([-1, 0, 1])
    seen = np.empty(len(u))
    for k, (row, height) in enumerate(zip(lines, u, strict=True)):
        at = np.rint((ripple.positions_mm - ripple.curve_mm * height**2) / step_mm).astype(int)
        at = at[(at > 2) & (at < len(row) - 3)]
        seen[k] = row[at[:, None] + near].max(1).mean() - row.mean() if len(at) else 0.0
    inside, ring = np.abs(u) < 0.8, (np.abs(u) > 1.08) & (np.abs(u) * share < 0.92)
    if not ring.any():
        return 1.0
    return float(np.clip(seen[ring].mean(), 0, None) / max(float(seen[inside].mean()), 1e-6))


def _fine_lines(body: Floats, step_mm: float) -> Floats:
    """What is narrower than a front's surroundings across the face, in the face's own units."""
    narrow, wide = (cv2.GaussianBlur(body, (0, 0), sigmaX=size / step_mm, sigmaY=0.7) for size in (NARROW_MM, WIDE_MM))
    return narrow - wide


def _in_own_scatter(lines: Floats) -> Floats:
    """Fine lines, each row in units of its own scatter."""
    return lines / (np.median(np.abs(lines), axis=1, keepdims=True) * 1.5 + 0.4)


def unroll_face(band: Band, left_mm: Floats, right_mm: Floats, s_mm: Floats, rows: int = 61) -> Floats:
    """Lightness of the bead face between its toes: (rows, columns), rows evenly from left to right toe.

    Args:
        band: straight band that holds the bead.
        left_mm, right_mm: toes across the band at `s_mm` along it, mm.
    """
    u = np.linspace(0, 1, rows)[:, None]
    n = left_mm[None, :] * (1 - u) + right_mm[None, :] * u
    return read_at(band.lab[..., 0], (n - band.n_mm[0]) * band.px_per_mm, (s_mm - band.s_mm[0]) * band.px_per_mm)
