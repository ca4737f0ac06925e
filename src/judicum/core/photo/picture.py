"""An upright photo, read at many scales."""

from dataclasses import dataclass, field
from typing import cast

import cv2
import numpy as np

from judicum.core.arrays import Pixels

FINEST_STEP = 0.9
"""Least pixels between samples once a photo was halved: coarser than that it is not read."""


@dataclass(frozen=True)
class Picture:
    """An upright photo (rows, columns, 3) that is read at many scales: halved copies are made once, when first needed."""

    pixels: Pixels = field(repr=False)
    _halves: list[Pixels] = field(default_factory=list, repr=False)

    @property
    def size_px(self) -> tuple[int, int]:
        """Width and height."""
        return int(self.pixels.shape[1]), int(self.pixels.shape[0])

    def at_step(self, step_px: float) -> tuple[Pixels, int]:
        """The copy to read at samples `step_px` apart so that nothing aliases, and how often it was halved."""
        level = max(0, int(np.floor(np.log2(max(step_px, 1e-6) / FINEST_STEP))))
        while len(self._halves) < level and min((self._halves or [self.pixels])[-1].shape[:2]) >= 4:
            last = self._halves[-1] if self._halves else self.pixels
            even = last[: last.shape[0] // 2 * 2, : last.shape[1] // 2 * 2]
            self._halves.append(
                cast(Pixels, cv2.resize(even, (even.shape[1] // 2, even.shape[0] // 2), interpolation=cv2.INTER_AREA))
            )
        level = min(level, len(self._halves))
        return (self._halves[level - 1] if level else self.pixels), level
