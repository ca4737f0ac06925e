"""Both toes of a bead over a straight line."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.unwrap import Line

BESIDE_MM = 1.5
"""How far beyond a stretch of another width its shoulders reach."""


@dataclass(frozen=True)
class Toes:
    """Both toes over a line: `s_mm` (k,), `left_mm` and `right_mm` (k,) across it, evidence (k,) in noise units.

    `start_mm` and `end_mm` are the bead's ends along the line.
    """

    line: Line
    s_mm: Floats
    left_mm: Floats
    right_mm: Floats
    evidence: Floats
    start_mm: float
    end_mm: float

    @property
    def centre_mm(self) -> Floats:
        return (self.left_mm + self.right_mm) / 2

    @property
    def inside(self) -> Flags:
        return (self.s_mm >= self.start_mm) & (self.s_mm <= self.end_mm)

    @property
    def width_mm(self) -> float:
        """The usual width between the ends, mm: the median."""
        return float(np.median((self.right_mm - self.left_mm)[self.inside]))

    def following(self, free: "Toes", stretches: Sequence[tuple[float, float]]) -> "Toes":
        """The same toes, but where `free` has them over some stretches, each given by its middle and length, mm."""
        left, right = self.left_mm.copy(), self.right_mm.copy()
        for middle, length in stretches:
            there = np.abs(self.s_mm - middle) < length / 2 + BESIDE_MM
            left[there], right[there] = (
                np.interp(self.s_mm[there], free.s_mm, toe) for toe in (free.left_mm, free.right_mm)
            )
        return replace(self, left_mm=left, right_mm=right)

    @property
    def strength(self) -> float:
        """Mean evidence over the bead, weighed down where the bead is short."""
        inside = self.inside
        if inside.sum() < 8:
            return 0.0
        return float(self.evidence[inside].mean() * min(1.0, (self.end_mm - self.start_mm) / 25))


def line_through(toes: Toes) -> Line:
    """The best straight line through the middle of the bead, in the direction of the line it was traced along."""
    inside = toes.inside
    points = toes.line.mm(toes.s_mm[inside], toes.centre_mm[inside])
    middle = points.mean(0)
    along = np.linalg.svd(points - middle, full_matrices=False)[2][0]
    if along @ toes.line.along < 0:
        along = -along
    return Line(middle, along)
