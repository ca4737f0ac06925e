"""The bead and its surroundings straightened along the centreline, for looking at faults."""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.band import Band, bare_metal
from judicum.core.photo.film import film_and_shade
from judicum.core.photo.unwrap import read_at

BESIDE_MM = 2.2


@dataclass(frozen=True)
class Face:
    """A straightened view: rows over n (mm from the centreline), columns over s (mm along the traced line).

    `lab` is CIELAB (rows, columns, 3); `light` its relative luminance; `shade` the natural logarithm of
    the light with what the film takes from it given back, so that the tint leaves no mark in it; `film_nm` that film;
    `half_mm` (columns,) half the width. The columns run from the first tip to the second.
    """

    s_mm: Floats
    n_mm: Floats
    lab: Floats
    light: Floats
    shade: Floats
    film_nm: Floats
    half_mm: Floats

    @property
    def step_mm(self) -> float:
        return float(self.n_mm[1] - self.n_mm[0])

    @property
    def width_mm(self) -> float:
        return 2 * float(np.median(self.half_mm))

    @property
    def length_mm(self) -> float:
        return float(self.s_mm[-1] - self.s_mm[0])

    def inside(self, margin_mm: float = 0.0) -> Flags:
        """Places of the face itself, `margin_mm` away from the toes and, rounded, from the tips."""
        half = self.half_mm[None, :] - margin_mm
        from_tip = np.minimum(self.s_mm - self.s_mm[0], self.s_mm[-1] - self.s_mm)[None, :] - margin_mm
        cap = np.clip(1 - from_tip / np.maximum(half, 0.1), 0, 1)
        return np.abs(self.n_mm)[:, None] < half * np.sqrt(np.clip(1 - cap**2, 0, 1))


def unroll(band: Band, s_mm: Floats, left_mm: Floats, right_mm: Floats) -> Face:
    """Straighten a band along the middle between two toes, given at even places s_mm along the line."""
    centre, half = (left_mm + right_mm) / 2, (right_mm - left_mm) / 2
    reach = float(np.median(half)) * 1.15 + BESIDE_MM
    step = float(s_mm[1] - s_mm[0])
    n = np.arange(-reach, reach, step)
    rows = (centre[None, :] + n[:, None] - band.n_mm[0]) * band.px_per_mm
    columns = (s_mm - band.s_mm[0]) * band.px_per_mm
    lab, linear = (read_at(values, rows, columns) for values in (band.lab, band.linear))
    light = linear @ np.array([0.0722, 0.7152, 0.2126], np.float32)
    soft = cv2.GaussianBlur(linear, (0, 0), sigmaX=0.4 / step, sigmaY=0.06 / step)
    film, shade = film_and_shade(soft, bare_metal(band))
    return Face(s_mm, n, lab, light, shade, film, half)
