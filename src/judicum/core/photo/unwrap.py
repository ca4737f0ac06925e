"""Sampling the photo on a straight or curved millimetre grid along the bead."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np
import numpy.typing as npt

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale

NODES = 16
"""Samples between places at which the way through a lens is worked out: a pixel bends by under a thousandth between."""


@dataclass(frozen=True)
class Line:
    """A straight line on the card plane: `origin` in mm, unit vector `along`; `across` is to its right."""

    origin: Floats
    along: Floats

    @property
    def across(self) -> Floats:
        return np.array([-self.along[1], self.along[0]])

    def mm(self, s: npt.ArrayLike, n: npt.ArrayLike) -> Floats:
        """Card millimetres (..., 2) of distances along (mm) and across (mm)."""
        s, n = np.broadcast_arrays(np.asarray(s, float), np.asarray(n, float))
        return self.origin + s[..., None] * self.along + n[..., None] * self.across


def read_grid(
    picture: Picture, scale: Scale, line: Line, s_mm: tuple[float, float], n_mm: tuple[float, float], density: float
) -> Pixels:
    """Read the photo on a straight millimetre grid along a line.

    A straight grid on the card plane is itself a plane view of a photo without distortion, so one perspective warp
    reads it, from a halved copy where the photo has many pixels for a sample.

    Args:
        s_mm, n_mm: first place and end of the grid along and across the line, mm.
        density: samples per mm.

    Returns:
        uint8 (rows over n, columns over s, 3); black outside the photo.
    """
    columns, rows = (len(np.arange(a, b, 1 / density)) for a, b in (s_mm, n_mm))
    if scale.lens is not None:
        return _read_bent_grid(picture, scale, line, (s_mm[0], n_mm[0]), (columns, rows), density)
    grid = np.array(
        [
            [line.along[0] / density, line.across[0] / density, 0.0],
            [line.along[1] / density, line.across[1] / density, 0.0],
            [0.0, 0.0, 1.0],
        ]
    )
    grid[:2, 2] = line.mm(s_mm[0], n_mm[0])
    pixels, level = picture.at_step(1 / (scale.mm_per_px * density))
    shrink = 0.5**level
    half = 0.5 * shrink - 0.5
    shrunk = np.array([[shrink, 0.0, half], [0.0, shrink, half], [0.0, 0.0, 1.0]])
    straight = cv2.warpPerspective(
        pixels,
        shrunk @ scale.to_px @ grid,
        (columns, rows),
        flags=cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP,
        borderValue=(0, 0, 0),
    )
    return cast(Pixels, straight)


def _read_bent_grid(
    picture: Picture, scale: Scale, line: Line, first_mm: tuple[float, float], size: tuple[int, int], density: float
) -> Pixels:
    """`read_grid` through a lens: exact every NODES samples, evenly between them."""
    nodes = [np.arange(0, count + NODES, NODES) for count in size]
    s, n = (first + at / density for first, at in zip(first_mm, nodes, strict=True))
    px = scale.px(line.mm(s[None, :], n[:, None]))
    columns, rows = (np.arange(count) / NODES for count in size)
    return _read_px(
        picture, read_at(px.astype(np.float32), rows[:, None], columns[None]), 1 / (scale.mm_per_px * density)
    )


def read_at(values: npt.ArrayLike, rows: npt.ArrayLike, columns: npt.ArrayLike) -> Floats:
    """Values (rows, columns[, channels]) at fractional rows and columns, between neighbours; the rim goes on outside.

    Args:
        rows, columns: (h, w), or shapes that broadcast to it; 0 is the centre of the first sample.
    """
    row, column = np.broadcast_arrays(np.asarray(rows, np.float32), np.asarray(columns, np.float32))
    found = cv2.remap(
        np.asarray(values),
        np.ascontiguousarray(column),
        np.ascontiguousarray(row),
        cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )
    return cast(Floats, found)


def sample(picture: Picture, scale: Scale, points_mm: Floats) -> Pixels:
    """Read the photo at card positions.

    Args:
        points_mm: (h, w, 2), neighbours in a row at even distances.

    Returns:
        uint8 (h, w, 3); black outside the photo.
    """
    px = scale.px(points_mm)
    return _read_px(picture, px, float(np.median(np.linalg.norm(np.diff(px, axis=1), axis=-1))))


def _read_px(picture: Picture, px: Floats, step_px: float) -> Pixels:
    """The photo at pixels (h, w, 2) that lie about `step_px` apart; black outside."""
    pixels, level = picture.at_step(step_px)
    local = ((px + 0.5) * 0.5**level - 0.5).astype(np.float32)
    return cast(
        Pixels, cv2.remap(pixels, local[..., 0], local[..., 1], cv2.INTER_LINEAR, borderMode=cv2.BORDER_CONSTANT)
    )
