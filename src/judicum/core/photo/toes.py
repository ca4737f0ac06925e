"""Both toes of a bead over a straight line."""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.unwrap import Line

ROUNDED_MM = 1.0
"""So far from a tip the toes are those of the rounded end: there the ones just behind it stand for the bead's."""


@dataclass(frozen=True)
class Toes:
    """Both toes over a line: `s_mm` (k,) evenly from tip to tip, `left_mm` and `right_mm` (k,) across it.

    `start_mm` and `end_mm` are the bead's tips along the line, which runs in bead order: its first tip is the start.
    """

    line: Line
    s_mm: Floats
    left_mm: Floats
    right_mm: Floats
    start_mm: float
    end_mm: float

    @property
    def centre_mm(self) -> Floats:
        return (self.left_mm + self.right_mm) / 2

    @property
    def length_mm(self) -> float:
        return self.end_mm - self.start_mm

    @property
    def inside(self) -> Flags:
        """Where the bead has its full width, as far as the toes can tell: all but one width at either tip."""
        margin = min(float(np.median(self.right_mm - self.left_mm)), self.length_mm / 3)
        return (self.s_mm > self.start_mm + margin) & (self.s_mm < self.end_mm - margin)

    @property
    def width_mm(self) -> float:
        """The usual width, mm: the median."""
        return float(np.median((self.right_mm - self.left_mm)[self.inside]))

    def at(self, s_mm: Floats) -> tuple[Floats, Floats]:
        """Left and right toe at places along the line, the ends taken as not rounded."""
        inner = np.clip(s_mm, self.start_mm + ROUNDED_MM, self.end_mm - ROUNDED_MM)
        return np.interp(inner, self.s_mm, self.left_mm), np.interp(inner, self.s_mm, self.right_mm)
