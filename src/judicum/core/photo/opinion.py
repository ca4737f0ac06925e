"""A second opinion about a traced bead: what the network sees along the same line."""

from dataclasses import dataclass

import cv2
import numpy as np
from scipy.ndimage import median_filter

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.toes import Toes
from judicum.core.photo.where import PX_PER_MM, face

UNSURE_BEAD = "unsure: a second look at the photo sees the bead otherwise; check the toes and correct them by hand"
HALF_MM, BEYOND_MM = 11.0, 12.0
"""How far to either side of the bead and past its tips the network looks: the zone and some plate."""
SMOOTH = 11
"""Columns over which a ragged side is smoothed: 2 mm."""
APART_MM = 0.5
"""Widths further apart than this are two opinions: the network's own scatter is some 0.3 mm."""
ASIDE_MM = 1.0
"""A stretch with a side further from its toe than this is shown as unsure."""
TIPS_MM = 3.0
"""A patch's ends are round and ragged: so far behind either tip its width is no opinion."""
LEAST_SEEN = 0.5
"""Where it sees less of the traced bead than this share of its length, it sees no bead there."""


@dataclass(frozen=True)
class Opinion:
    """Places along the line (mm), both sides of what the network takes for the bead there (mm; nan where it sees none)."""

    s_mm: Floats
    left_mm: Floats
    right_mm: Floats

    def doubt_mm(self, toes: Toes, start_mm: float, end_mm: float) -> float:
        """Standard uncertainty (mm) of the mean width by the two opinions: 0 where they agree within APART_MM, else half
        of what lies between them, at most half of the width, which it is where the network sees no bead there."""
        body = (self.s_mm > start_mm + TIPS_MM) & (self.s_mm < end_mm - TIPS_MM)
        width = np.interp(self.s_mm[body], toes.s_mm, toes.right_mm - toes.left_mm)
        apart = width - (self.right_mm - self.left_mm)[body]
        seen = np.isfinite(apart)
        most = float(np.median(width)) / 2
        if seen.mean() < LEAST_SEEN:
            return most
        apart_mm = abs(float(np.median(apart[seen])))
        return 0.0 if apart_mm <= APART_MM else min(apart_mm / 2, most)

    def aside(self, toes: Toes, s_mm: Floats) -> Flags:
        """Where, of some places along the line, either side lies further than ASIDE_MM from its toe, or is not seen."""
        off = [
            np.abs(np.interp(s_mm, toes.s_mm, toe) - np.interp(s_mm, self.s_mm, side))
            for toe, side in ((toes.left_mm, self.left_mm), (toes.right_mm, self.right_mm))
        ]
        return ~(np.maximum(*off) <= ASIDE_MM)


def second_opinion(picture: Picture, scale: Scale, toes: Toes, start_mm: float, end_mm: float) -> Opinion:
    """What the network sees of a bead traced from `start_mm` to `end_mm` along its line, and past either end."""
    line = toes.line
    middle = float(np.median(toes.centre_mm[toes.inside]))
    low = start_mm - BEYOND_MM
    seen = face(picture, scale, line, (low, end_mm + BEYOND_MM), (middle - HALF_MM, middle + HALF_MM))
    rows, columns = seen.shape
    s = low + np.arange(columns) / PX_PER_MM
    n = middle - HALF_MM + np.arange(rows) / PX_PER_MM
    centre = np.interp(s, toes.s_mm, toes.centre_mm)
    half = toes.width_mm / 2
    # Of what it sees, the patch that covers most of the traced bead.
    count, labels = cv2.connectedComponents(seen.astype(np.uint8))
    core = (np.abs(n[:, None] - centre[None, :]) < half) & ((s > start_mm) & (s < end_mm))[None, :]
    covers = np.bincount(labels[core], minlength=count)
    covers[0] = 0
    there = labels == int(covers.argmax()) if covers.any() else np.zeros(seen.shape, bool)
    any_there = there.any(0)
    cell = 1 / PX_PER_MM
    left = np.where(any_there, n[there.argmax(0)] - cell / 2, np.nan)
    right = np.where(any_there, n[rows - 1 - there[::-1].argmax(0)] + cell / 2, np.nan)
    return Opinion(s, median_filter(left, SMOOTH), median_filter(right, SMOOTH))
