"""Ripple fronts: crescents where one freeze front ends, found on the face straightened between the toes.

A network tells for every place of the centreline how likely a front crosses it there (`along`); each peak is a front.
Fronts are curved, because the middle of the puddle freezes last; the curvature under which the rows of the face agree
best is told with them, so that they can be drawn.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import cv2
import numpy as np

from judicum.core.acceptance import LAPSE_LONG, LAPSE_SHORT
from judicum.core.arrays import Floats, Pixels, Whole
from judicum.core.photo.axis import BEYOND, PX_PER_MM, ROWS, AxisReading
from judicum.core.photo.smooth import highest_near, smoothed
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at

BLIND = 2.7
"""Gaps more than so many times the usual are stretches without fronts, not gaps between two."""
CURVES = np.arange(-1.2, 1.21, 0.1)
"""Curvatures that are tried, in half widths."""
WIDE_MM = 0.4
"""What is narrower than this along the bead is a line of the ripples, what is wider the shade of the face."""
MIN_HEAT = 0.3
"""How likely a place is a front from which a peak counts."""
FAINT_HEAT = 0.1
"""And from which one counts that fills a gap."""
NEAR = 0.55
"""Share of the usual pitch that a clear peak keeps from clearer ones."""
FILLS = 0.75
"""Share of it that a faint peak keeps from all others."""
MIN_USUAL_HEAT = 0.5
"""What the usual front of a bead with distinct ripples has: labelled ones but one had 0.66 and more, fused beads with as
many peaks up to 0.46, but for one of 20 on the fixed set."""
SMOOTH_MM = 0.08
"""Over this the network's answer is smoothed, so that one front has one peak."""
ROUNDED = 0.35
"""Share of the width from a tip within which the rounded end's rim looks like a front."""
MIN_FRONTS = 4
"""Fewer fronts give no figures of their spacing."""
APART_MM = 0.35
"""Fronts closer together than this are one: half of the finest pitch that is told."""


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


def find_fronts(along: AxisReading, toes: Toes) -> Ripple | None:
    """The fronts of a bead, or None where none are distinct. Fronts closer than APART_MM are not resolved."""
    step = 1 / PX_PER_MM
    heat = smoothed(along.front, SMOOTH_MM / step)
    margin = ROUNDED * toes.width_mm
    heat[(along.s_mm < toes.start_mm + margin) | (along.s_mm > toes.end_mm - margin)] = 0.0
    highest = highest_near(heat, 2 * round(APART_MM / step) + 1)
    peaks = np.flatnonzero((heat == highest) & (heat > FAINT_HEAT))
    places = _in_train(peaks, heat)
    if len(places) < MIN_FRONTS or float(np.median(heat[places])) < MIN_USUAL_HEAT:
        return None
    before, at, after = (heat[np.clip(places + k, 0, len(heat) - 1)] for k in (-1, 0, 1))
    # The top of the parabola through a peak and its neighbours.
    fine = places + 0.5 * (before - after) / np.minimum(before - 2 * at + after, -1e-9)
    half = toes.width_mm / 2
    curve, agreement = _curvature(along.face, half / step)
    return Ripple(along.s_mm[0] - toes.start_mm + fine * step, curve * half, agreement)


def _in_train(peaks: Whole, heat: Floats) -> Whole:
    """Of all peaks the clear ones, less those too near to a clearer one, and the faint ones that fill a gap.

    Fronts follow one another at about the same distance: half-way through a gap twice as long a faint peak is likely
    one, and right beside a clear one a weaker peak is likely none.
    """
    clear = peaks[heat[peaks] > MIN_HEAT]
    if len(clear) < MIN_FRONTS:
        return clear
    pitch = float(np.median(np.diff(clear)))
    kept: list[int] = []
    for place in sorted(peaks, key=lambda p: -heat[p]):
        away = np.abs(np.array(kept, float) - place).min(initial=np.inf)
        if away > (NEAR if heat[place] > MIN_HEAT else FILLS) * pitch:
            kept.append(int(place))
    return np.array(sorted(kept))


def _curvature(face: Pixels, half: float) -> tuple[float, float]:
    """Curvature (half widths) under which the rows agree best, and the share of their variance that then lines up."""
    inner = slice(ROWS // 6, ROWS - ROWS // 6)
    u = np.linspace(-1 - 2 * BEYOND, 1 + 2 * BEYOND, ROWS)[inner, None]
    light = face[inner].astype(np.float32).mean(-1)
    lines = light - cv2.GaussianBlur(light, (0, 0), sigmaX=WIDE_MM * PX_PER_MM, sigmaY=0.1)
    lines /= lines.std(1, keepdims=True) + 1.0
    columns = np.arange(face.shape[1], dtype=np.float32)[None, :]
    each = np.broadcast_to(np.arange(len(lines))[:, None], lines.shape)
    agree = [
        float(read_at(lines, each, columns - c * half * u**2).mean(0).var() / max(lines.var(), 1e-9)) for c in CURVES
    ]
    best = int(np.argmax(agree))
    return float(CURVES[best]), min(agree[best], 1.0)
