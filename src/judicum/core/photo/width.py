"""Outline figures of a traced bead: length, width, straightness, toe waviness."""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.toes import ROUNDED_MM, Toes

SAMPLE_MM = 0.5
TOE_MM = 0.12


@dataclass(frozen=True)
class Outline:
    """A bead in its own frame: `s_mm` (k,) arc length from the start, on the whole centreline.

    `centre_mm` (k, 2), `left_mm` (k, 2) and `right_mm` (k, 2) are card millimetres of the
    centreline and of the toes at right angles to it; `width_mm` (k,) their distance.
    """

    s_mm: Floats
    centre_mm: Floats
    left_mm: Floats
    right_mm: Floats
    width_mm: Floats

    @classmethod
    def around(cls, s_mm: Floats, centre_mm: Floats, left_n_mm: Floats, right_n_mm: Floats) -> "Outline":
        """The outline whose toes lie at offsets (k,) at right angles to a centreline (k, 2), right positive."""
        across = across_of(centre_mm, s_mm)
        left_mm, right_mm = (centre_mm + n[:, None] * across for n in (left_n_mm, right_n_mm))
        return cls(s_mm, centre_mm, left_mm, right_mm, right_n_mm - left_n_mm)

    @property
    def length_mm(self) -> float:
        return float(self.s_mm[-1])

    @property
    def offsets_mm(self) -> tuple[Floats, Floats]:
        """Offsets (k,) of the left and right toe from the centreline, right positive."""
        across = across_of(self.centre_mm, self.s_mm)
        left, right = (np.einsum("ij,ij->i", toe - self.centre_mm, across) for toe in (self.left_mm, self.right_mm))
        return left, right

    def at(self, s: Floats) -> tuple[Floats, Floats]:
        """Centreline and unit direction across it, to the right, at arc lengths (k,): each (k, 2) in card millimetres."""
        centre, across = (
            np.stack([np.interp(s, self.s_mm, v[:, k]) for k in (0, 1)], -1)
            for v in (self.centre_mm, across_of(self.centre_mm, self.s_mm))
        )
        return centre, across / np.linalg.norm(across, axis=1, keepdims=True)

    @property
    def body(self) -> Flags:
        """Where width counts: all but the first and last stretch of one mean width."""
        margin = float(self.width_mm[(self.s_mm > 3) & (self.s_mm < self.length_mm - 3)].mean())
        inside = (self.s_mm >= margin) & (self.s_mm <= self.length_mm - margin)
        return inside if inside.sum() >= 3 else np.ones_like(inside)


def outline(toes: Toes) -> Outline:
    """Resample traced toes every 0.5 mm of arc length along their centreline."""
    keep = (toes.s_mm > toes.start_mm + ROUNDED_MM) & (toes.s_mm < toes.end_mm - ROUNDED_MM)
    along = np.concatenate([[toes.start_mm], toes.s_mm[keep], [toes.end_mm]])
    centre, left, right = (
        np.concatenate([[v[keep][0]], v[keep], [v[keep][-1]]])
        for v in (_smooth(toes.centre_mm), toes.left_mm, toes.right_mm)
    )
    points, lefts, rights = toes.line.mm(along, centre), toes.line.mm(along, left), toes.line.mm(along, right)
    arc = np.concatenate([[0.0], np.cumsum(np.linalg.norm(np.diff(points, axis=0), axis=1))])
    s = np.append(np.arange(0.0, arc[-1] - 1e-6, SAMPLE_MM), arc[-1])

    def at(values: Floats) -> Floats:
        return np.stack([np.interp(s, arc, values[:, k]) for k in (0, 1)], -1)

    centre_mm = at(points)
    across = across_of(centre_mm, s)
    # Toes are read at the same place on the line; the small turn of the normal is made good by its cosine.
    left, right = (np.einsum("ij,ij->i", at(toe) - centre_mm, across) for toe in (lefts, rights))
    return Outline.around(s, centre_mm, left, right)


def across_of(centre_mm: Floats, s_mm: Floats) -> Floats:
    """Unit vectors (k, 2) at right angles to a centreline (k, 2), to its right."""
    heading = np.gradient(centre_mm, s_mm, axis=0)
    heading /= np.linalg.norm(heading, axis=1, keepdims=True)
    return np.stack([-heading[:, 1], heading[:, 0]], -1)


def _smooth(values: Floats) -> Floats:
    return smoothed(values, 4.0)


def rms_from_line(points: Floats) -> float:
    """Root mean square distance (mm) of points (k, 2) from their own best straight line."""
    if len(points) < 3:
        return 0.0
    centred = points - points.mean(0)
    normal = np.linalg.svd(centred, full_matrices=False)[2][1]
    return float(np.sqrt(((centred @ normal) ** 2).mean()))


def width_figures(
    bead: Outline, mm_per_px: float, residual_mm: float | None, doubt_mm: float = 0.0
) -> dict[str, float]:
    """Mean, sd (n - 1), cv, min, max of the width over the body, and the mean's standard uncertainty, mm.

    The uncertainty adds in quadrature: the scale's misfit over the bead's width, under a pixel of
    toe position that is common to the whole bead, the scatter of the samples, TOE_MM for
    where within its shadow a toe is taken to lie, and `doubt_mm` where another reading of the photo differs.
    """
    width = bead.width_mm[bead.body]
    mean, sd = float(width.mean()), float(width.std(ddof=1)) if len(width) > 1 else 0.0
    scale_part = mean * (residual_mm or 0.0) / 18.0
    rough = float(np.abs(np.diff(width)).mean()) / np.sqrt(len(width))
    uncertainty = float(np.sqrt((0.7 * mm_per_px) ** 2 + scale_part**2 + rough**2 + TOE_MM**2 + doubt_mm**2))
    return {
        "mean": mean,
        "sd": sd,
        "cv": sd / mean,
        "min": float(width.min()),
        "max": float(width.max()),
        "uncertainty": uncertainty,
    }
