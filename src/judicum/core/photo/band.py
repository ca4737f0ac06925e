"""A straight band of the photo around a line, in balanced linear light: where the colours of the metal are read."""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.film import srgb_to_linear
from judicum.core.photo.picture import Picture
from judicum.core.photo.regions import regions
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_grid

HALF_BAND_MM = 17.0
"""Half its height: a bead and 10 mm of plate or more to either side."""
FINEST_PX_PER_MM = 8.0
"""Tint is read over a quarter of a millimetre; finer than this it is read from more samples for nothing."""
COARSE_MM = 0.5
"""How coarsely it is told where the photo and the searched regions reach."""


@dataclass(frozen=True)
class Band:
    """A straight band of the photo: rows over n, columns over s.

    `linear` (rows, columns, 3: blue, green, red) is white-balanced linear light; `seen` tells where the photo and the
    searched regions reach.
    """

    line: Line
    s_mm: Floats
    n_mm: Floats
    linear: Floats
    seen: Flags

    @property
    def px_per_mm(self) -> float:
        return float(1 / (self.s_mm[1] - self.s_mm[0]))


def read_band(picture: Picture, scale: Scale, gains: Floats, line: Line, span: tuple[float, float]) -> Band:
    """Read the photo on a grid along a line, HALF_BAND_MM to each side, at up to FINEST_PX_PER_MM."""
    density = min(FINEST_PX_PER_MM, 1 / scale.mm_per_px)
    s = np.arange(span[0], span[1], 1 / density)
    n = np.arange(-HALF_BAND_MM, HALF_BAND_MM, 1 / density)
    linear = srgb_to_linear(read_grid(picture, scale, line, span, (-HALF_BAND_MM, HALF_BAND_MM), density))
    linear = linear * gains.astype(np.float32)
    coarse = max(1, round(COARSE_MM * density))
    points = line.mm(s[None, ::coarse], n[::coarse, None])
    px = scale.px(points)
    seen = ((px > 1) & (px < np.array(picture.size_px) - 2)).all(-1)
    seen &= np.any([((points >= r.low) & (points <= r.high)).all(-1) for r in regions(picture, scale)], axis=0)
    spread = np.repeat(np.repeat(seen, coarse, 0), coarse, 1)[: len(n), : len(s)]
    return Band(line, s, n, linear, spread)
