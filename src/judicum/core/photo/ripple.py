"""Ripple fronts: crescents where one freeze front ends, found along the straightened bead.

The bead face is unrolled so that both toes lie at u = -1 and +1. Fronts are curved, because the
middle of the puddle freezes last; the curvature that lines the fronts up best across the bead is
found first. Lighting can turn a front from dark to bright across the bead, so the rows are
combined by the signs that make them agree (first singular vector), not by a plain mean.
"""

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import gaussian_filter1d, map_coordinates
from scipy.signal import find_peaks

from judicum.core.arrays import Floats, Whole
from judicum.core.photo.trace import Band

PITCH_MM = (0.6, 5.0)
BLIND = 2.7
WEAKEST = 0.22
"""Least height of a front over its surroundings, as a share of the usual front's."""
AGREEMENT = 0.31
"""Least share of the rows' variance that lines up across the bead for fronts to count as seen."""


@dataclass(frozen=True)
class Ripple:
    """Ripple fronts of a bead: `positions_mm` (k,) along the centreline; `curve_mm` how far the
    middle of a front lies ahead (+) of its ends at the toes; `agreement` 0 to 1."""

    positions_mm: Floats
    curve_mm: float
    agreement: float

    @property
    def gaps_mm(self) -> Floats:
        return np.diff(self.positions_mm)

    def figures(self) -> dict[str, object]:
        """Count, mean pitch (mm), cv of the gaps and the positions of lapses, as docs/measuring.md defines."""
        gaps = self.gaps_mm
        median = float(np.median(gaps))
        # Over a hole or a sugared patch no front can be seen: that is a blind stretch, not a gap.
        seen = gaps[gaps < BLIND * median]
        lapse = (gaps > 1.5 * median) | (gaps < 0.6 * median)
        middles = (self.positions_mm[1:] + self.positions_mm[:-1]) / 2
        return {
            "count": len(self.positions_mm),
            "pitch_mm": float(seen.mean()),
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
    rows = np.abs(u) < 0.82
    # The rounded ends are edges of their own, brighter than any front: they are left out.
    end = min(int(0.9 * half_width_mm / step_mm), face.shape[1] // 4)
    body = face[:, end : face.shape[1] - end]
    detail = gaussian_filter1d(body, 0.08 / step_mm, axis=1) - gaussian_filter1d(body, 0.7 / step_mm, axis=1)
    scatter = np.median(np.abs(detail), axis=1, keepdims=True) * 1.5 + 0.4
    detail = np.pad(np.clip(detail / scatter, -4, 4)[rows], ((0, 0), (end, end)))
    height = u[rows]
    best: tuple[float, float, Floats, Floats] | None = None
    for curve in np.arange(-1.6, 1.61, 0.1) * half_width_mm:
        signal, agreement, busy = _lined_up(detail, height, curve / step_mm, 0.12 / step_mm)
        if best is None or agreement > best[0]:
            best = (agreement, float(curve), signal, busy)
    assert best is not None
    agreement, curve, signal, busy = best
    if agreement < AGREEMENT:
        return None
    pitch = _usual_gap(signal, step_mm)
    if pitch is None:
        return None
    smooth = gaussian_filter1d(signal, 0.10 * pitch / step_mm)
    # A front is dark where it is a notch and bright where its edge glints: it lies where brightness
    # changes fastest, whichever sign the light gives the combined signal.
    trains = [_peaks(sign * smooth, pitch / step_mm) for sign in (1, -1)]
    peaks = max(trains, key=lambda train: float(np.log(busy[train] + 1e-9).mean()) if len(train) else -np.inf)
    if len(peaks) < 4:
        return None
    return Ripple(peaks * step_mm, curve, agreement)


def _peaks(signal: Floats, pitch: float) -> Whole:
    """Peaks at least half a pitch apart that stand out as fronts do, not as the dips beside them."""
    peaks, told = find_peaks(signal, distance=max(1, int(0.5 * pitch)), prominence=0.45 * signal.std())
    if len(peaks) < 4:
        return peaks
    usual = np.quantile(told["prominences"], 0.7)
    return peaks[told["prominences"] > WEAKEST * usual]


def _lined_up(detail: Floats, height: Floats, curve: float, busy_width: float) -> tuple[Floats, float, Floats]:
    """Combine rows after undoing a parabola of `curve` samples.

    Returns the combined signal, how well the rows agree (0 to 1), and how busy each place is
    (mean squared slope, sign of the light left out).
    """
    columns = np.arange(detail.shape[1])
    # A front passing s at the middle passes s - curve * u² at height u.
    where = columns[None, :] - curve * height[:, None] ** 2
    lined = map_coordinates(
        detail, [np.broadcast_to(np.arange(len(detail))[:, None], where.shape), where], order=1, mode="nearest"
    )
    grouped = lined[: len(lined) // 6 * 6].reshape(-1, 6, lined.shape[1]).mean(1)
    grouped = grouped - grouped.mean(1, keepdims=True)
    left, strength, right = np.linalg.svd(grouped, full_matrices=False)
    share = float(strength[0] ** 2 / (strength**2).sum())
    # Rows that take part evenly mean a front that runs across; one bright row means shine.
    even = float(np.abs(left[:, 0]).sum() ** 2 / len(left))
    signal = right[0] * strength[0] / np.sqrt(len(left))
    busy = gaussian_filter1d((np.gradient(lined, axis=1) ** 2).mean(0), busy_width)
    return signal, share * even, busy


def _usual_gap(signal: Floats, step_mm: float) -> float | None:
    """Median spacing (mm) of what stands out of the signal at a tenth of a millimetre and more, or None.

    An irregular hand leaves no peak in the autocorrelation; the median gap does not mind it.
    """
    smooth = gaussian_filter1d(signal, 0.16 / step_mm)
    gaps = [
        float(np.median(np.diff(peaks))) * step_mm
        for sign in (1, -1)
        if len(peaks := find_peaks(sign * smooth, distance=PITCH_MM[0] / step_mm, prominence=0.8 * smooth.std())[0]) > 4
    ]
    return min(max(gaps), PITCH_MM[1]) if gaps else None


def unroll_face(band: Band, left_mm: Floats, right_mm: Floats, s_mm: Floats, rows: int = 61) -> Floats:
    """Lightness of the bead face between its toes: (rows, columns), rows evenly from left to right toe.

    Args:
        band: straight band that holds the bead.
        left_mm, right_mm: toes across the band at `s_mm` along it, mm.
    """
    u = np.linspace(0, 1, rows)[:, None]
    n = left_mm[None, :] * (1 - u) + right_mm[None, :] * u
    where = [(n - band.n_mm[0]) * band.px_per_mm, np.broadcast_to((s_mm - band.s_mm[0]) * band.px_per_mm, n.shape)]
    return map_coordinates(band.lab[..., 0], where, order=1, mode="nearest").astype(np.float64)
