"""The bead and its surroundings straightened along the centreline, in balanced light, for looking at faults."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.film import LUMINANCE, film_and_shade, linear_to_lab, srgb_to_linear
from judicum.core.photo.segment import PX_PER_MM, Segmentation
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at

FACE_MARGIN_MM = 2.2
"""How much plate is seen past either toe: a groove and what the plate is beside it."""
SMOOTH_MM = 0.5
"""The toes are taken as even over this, so that one ragged place is no fault."""
RIM_ROWS = 15
"""Outer rows of the segmentation, 1.5 mm to either side: what plate is, as far as it is seen there."""


@dataclass(frozen=True)
class Face:
    """A straightened view: rows over n (mm from the centreline), columns over s (mm along the traced line).

    `lab` is CIELAB (rows, columns, 3); `light` its relative luminance; `shade` the natural logarithm of the light with
    what the film takes from it given back, so that the tint leaves no mark in it; `half_mm` (columns,) half the width
    and `centre_mm` where the centreline lies across the line. The columns run from tip to tip.
    """

    s_mm: Floats
    n_mm: Floats
    lab: Floats
    light: Floats
    shade: Floats
    half_mm: Floats
    centre_mm: Floats

    @property
    def step_mm(self) -> float:
        return float(self.n_mm[1] - self.n_mm[0])

    @property
    def width_mm(self) -> float:
        return 2 * float(np.median(self.half_mm))

    @property
    def length_mm(self) -> float:
        return float(self.s_mm[-1] - self.s_mm[0])

    def across(self, s_mm: float, n_mm: float) -> float:
        """Where a place of the face lies across the line, mm."""
        return float(np.interp(s_mm, self.s_mm, self.centre_mm)) + n_mm

    def inside(self, margin_mm: float = 0.0) -> Flags:
        """Places of the face itself, `margin_mm` away from the toes and, rounded, from the tips."""
        half = self.half_mm[None, :] - margin_mm
        from_tip = np.minimum(self.s_mm - self.s_mm[0], self.s_mm[-1] - self.s_mm)[None, :] - margin_mm
        cap = np.clip(1 - from_tip / np.maximum(half, 0.1), 0, 1)
        return np.abs(self.n_mm)[:, None] < half * np.sqrt(np.clip(1 - cap**2, 0, 1))


def straighten(segmented: Segmentation, toes: Toes, gains: Floats) -> Face:
    """Straighten a segmentation along the middle between two toes, its light balanced by `gains` (3,)."""
    step = 1 / PX_PER_MM
    s = np.arange(toes.start_mm, toes.end_mm, step)
    left, right = (smoothed(toe, SMOOTH_MM / step) for toe in toes.at(s))
    centre, half = (left + right) / 2, (right - left) / 2
    reach = float(np.median(half)) * 1.15 + FACE_MARGIN_MM
    n = np.arange(-reach, reach, step)
    light = srgb_to_linear(segmented.seen) * gains.astype(np.float32)
    rim = np.concatenate([light[:RIM_ROWS], light[-RIM_ROWS:]]).reshape(-1, 3)
    rows = segmented.row(centre[None, :] + n[:, None])
    linear = read_at(light, rows, np.broadcast_to(segmented.column(s), rows.shape))
    soft = cast(Floats, cv2.GaussianBlur(linear, (0, 0), sigmaX=0.4 / step, sigmaY=0.06 / step))
    shade = film_and_shade(soft, np.maximum(np.median(rim, axis=0), 1e-3))[1]
    return Face(s, n, linear_to_lab(linear), linear @ LUMINANCE, shade, half, centre)
