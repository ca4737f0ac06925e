"""Sampling the photo on a straight or curved millimetre grid along the bead."""

from dataclasses import dataclass

import cv2
import numpy as np
import numpy.typing as npt

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.scale import Scale


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
    picture: Pixels, scale: Scale, line: Line, s_mm: tuple[float, float], n_mm: tuple[float, float], density: float
) -> Pixels:
    """Read the photo on a straight millimetre grid along a line.

    A straight grid on the card plane is itself a plane view of the photo, so one perspective warp
    reads it; where the photo has more than 1.5 pixels for a sample it is shrunk first.

    Args:
        s_mm, n_mm: first place and end of the grid along and across the line, mm.
        density: samples per mm.

    Returns:
        uint8 (rows over n, columns over s, 3); black outside the photo.
    """
    columns, rows = (len(np.arange(a, b, 1 / density)) for a, b in (s_mm, n_mm))
    grid = np.array(
        [
            [line.along[0] / density, line.across[0] / density, 0.0],
            [line.along[1] / density, line.across[1] / density, 0.0],
            [0.0, 0.0, 1.0],
        ]
    )
    grid[:2, 2] = line.mm(s_mm[0], n_mm[0])
    to_px = scale.to_px @ grid
    corners = cv2.perspectiveTransform(
        np.array([[[0, 0], [columns, 0], [columns, rows], [0, rows]]], np.float64), to_px
    )[0]
    low = np.clip(np.floor(corners.min(0)).astype(int) - 4, 0, [picture.shape[1] - 1, picture.shape[0] - 1])
    high = np.clip(np.ceil(corners.max(0)).astype(int) + 5, low + 1, [picture.shape[1], picture.shape[0]])
    crop = picture[low[1] : high[1], low[0] : high[0]]
    shift = np.array([[1.0, 0.0, -low[0]], [0.0, 1.0, -low[1]], [0.0, 0.0, 1.0]])
    step = 1 / (scale.mm_per_px * density)
    if step > 1.5:
        crop = cv2.resize(crop, None, fx=1 / step, fy=1 / step, interpolation=cv2.INTER_AREA)
        half = 0.5 / step - 0.5
        shift = np.array([[1 / step, 0.0, half], [0.0, 1 / step, half], [0.0, 0.0, 1.0]]) @ shift
    return cv2.warpPerspective(
        crop, shift @ to_px, (columns, rows), flags=cv2.INTER_LINEAR | cv2.WARP_INVERSE_MAP, borderValue=(0, 0, 0)
    )


def read_at(values: npt.ArrayLike, rows: npt.ArrayLike, columns: npt.ArrayLike) -> Floats:
    """Values (rows, columns[, channels]) at fractional rows and columns, between neighbours; the rim goes on outside.

    Args:
        rows, columns: (h, w), or shapes that broadcast to it; 0 is the centre of the first sample.
    """
    row, column = np.broadcast_arrays(np.asarray(rows, np.float32), np.asarray(columns, np.float32))
    return cv2.remap(
        np.asarray(values),
        np.ascontiguousarray(column),
        np.ascontiguousarray(row),
        cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REPLICATE,
    )


def sample(picture: Pixels, scale: Scale, points_mm: Floats) -> Pixels:
    """Read the photo at card positions.

    Args:
        picture: uint8 (rows, columns, 3).
        scale: millimetres to pixels.
        points_mm: (h, w, 2), neighbouring samples about a pixel apart or closer; where they lie
            more than 1.5 pixels apart the photo is first shrunk so that nothing aliases.

    Returns:
        uint8 (h, w, 3); black outside the photo.
    """
    px = scale.px(points_mm)
    step = float(np.median(np.linalg.norm(np.diff(px, axis=1), axis=-1)))
    low = np.floor(px.reshape(-1, 2).min(0)).astype(int) - 4
    high = np.ceil(px.reshape(-1, 2).max(0)).astype(int) + 5
    low = np.clip(low, 0, [picture.shape[1] - 1, picture.shape[0] - 1])
    high = np.clip(high, low + 1, [picture.shape[1], picture.shape[0]])
    crop = picture[low[1] : high[1], low[0] : high[0]]
    local = px - low
    if step > 1.5:
        crop = cv2.resize(crop, None, fx=1 / step, fy=1 / step, interpolation=cv2.INTER_AREA)
        local = (local + 0.5) / step - 0.5
    grid = local.astype(np.float32)
    return cv2.remap(crop, grid[..., 0], grid[..., 1], cv2.INTER_LINEAR, borderMode=cv2.BORDER_CONSTANT)
