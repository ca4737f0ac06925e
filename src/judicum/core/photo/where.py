"""Where the beads lie, by a small network: a second opinion beside the edges.

The network (`judicum.teach`) was taught on crude drawings of plates alone. It tells the surfaces of the
card plane apart well enough to say which of many edges is the bead's, and not well enough to say exactly
where its toe is; that is left to the light (`trace`).
"""

from dataclasses import dataclass
from functools import cache
from importlib.resources import files

import cv2
import numpy as np
import onnxruntime

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.locate import Region, regions
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_at, read_grid

PX_PER_MM = 5.0
"""What the network was taught at."""
MULTIPLE = 16
"""Rows and columns it takes are multiples of this."""
FACE = 2
"""Its surfaces from this one on lie between the toes: face, grey granular metal, hole."""
AROUND_MM = 2.0
"""Metal around a searched region that it sees beside it."""
LEAST_LENGTH_MM, LEAST_WIDTH_MM, LEAST_ASPECT = 10.0, 1.0, 2.0
"""A smaller or rounder patch is no bead."""
JOINED_MM = 1.0
"""Holes and cracks in a patch narrower than this are the network's."""


@dataclass(frozen=True)
class Patch:
    """One long patch of face: its middle line, its ends along it (mm) and its mean width (mm).

    `surface` (rows, columns, uint8) is 1 there, on a grid from `low` at PX_PER_MM.
    """

    line: Line
    start_mm: float
    end_mm: float
    width_mm: float
    surface: Floats
    low: Floats

    @property
    def length_mm(self) -> float:
        return self.end_mm - self.start_mm

    def toes(self, s_mm: Floats, half_mm: float) -> tuple[Floats, Floats]:
        """Both sides across its line at places along it, (k,) each, mm; nan where it is not."""
        n = np.arange(-half_mm, half_mm, 0.1)
        at = (self.line.mm(s_mm[None, :], n[:, None]) - self.low) * PX_PER_MM - 0.5
        there = read_at(self.surface, at[..., 1], at[..., 0]) > 0.5
        seen = there.any(0)
        left, right = n[there.argmax(0)], n[len(n) - 1 - there[::-1].argmax(0)]
        return np.where(seen, left, np.nan), np.where(seen, right, np.nan)


@cache
def _network() -> onnxruntime.InferenceSession:
    options = onnxruntime.SessionOptions()
    options.intra_op_num_threads = 1
    # Every photo has a grid of its own size: memory kept for the sizes seen would only grow.
    options.enable_cpu_mem_arena = False
    options.enable_mem_pattern = False
    weights = files("judicum.core.photo") / "data" / "where.onnx"
    return onnxruntime.InferenceSession(weights.read_bytes(), options)


def face(picture: Picture, scale: Scale, line: Line, s_mm: tuple[float, float], n_mm: tuple[float, float]) -> Flags:
    """Where the network sees face on a grid along a line: (rows over n, columns over s), PX_PER_MM.

    Args:
        s_mm, n_mm: first place and least end of the grid along and across the line, mm.
    """
    columns, rows = (_cells(end - first) for first, end in (s_mm, n_mm))
    spans = ((s_mm[0], s_mm[0] + (columns - 0.5) / PX_PER_MM), (n_mm[0], n_mm[0] + (rows - 0.5) / PX_PER_MM))
    seen = read_grid(picture, scale, line, *spans, PX_PER_MM)
    blob = np.ascontiguousarray(seen.astype(np.float32).transpose(2, 0, 1)[None] / 255)
    (scores,) = _network().run(None, {"picture": blob})
    return np.asarray(scores[0].argmax(0) >= FACE)


def _cells(length_mm: float) -> int:
    return int(np.ceil(length_mm * PX_PER_MM / MULTIPLE)) * MULTIPLE


def patches(picture: Picture, scale: Scale) -> list[Patch]:
    """Every long patch of face that the network sees in the searched regions, the largest first."""
    boxes = regions(picture, scale)
    low = np.min([box.low for box in boxes], axis=0) - AROUND_MM
    size = np.max([box.high for box in boxes], axis=0) + AROUND_MM - low
    seen = face(picture, scale, Line(low, np.array([1.0, 0.0])), (0.0, float(size[0])), (0.0, float(size[1])))
    seen &= _searched(boxes, low, seen.shape)
    kernel = np.ones((round(JOINED_MM * PX_PER_MM),) * 2, np.uint8)
    closed = cv2.morphologyEx(seen.astype(np.uint8), cv2.MORPH_CLOSE, kernel)
    count, labels = cv2.connectedComponents(closed)
    found = [patch for k in range(1, count) if (patch := _patch(labels == k, low)) is not None]
    return sorted(found, key=lambda patch: -float(patch.surface.sum()))


def _searched(boxes: list[Region], low: Floats, shape: tuple[int, ...]) -> Flags:
    x, y = (low[k] + (np.arange(shape[1 - k]) + 0.5) / PX_PER_MM for k in (0, 1))
    inside = np.zeros(shape, bool)
    for box in boxes:
        inside |= ((x >= box.low[0]) & (x <= box.high[0]))[None, :] & ((y >= box.low[1]) & (y <= box.high[1]))[:, None]
    return inside


def _patch(there: Flags, low: Floats) -> Patch | None:
    rows, columns = np.nonzero(there)
    if len(rows) < LEAST_LENGTH_MM * LEAST_WIDTH_MM * PX_PER_MM**2:
        return None
    places = low + (np.stack([columns, rows], -1) + 0.5) / PX_PER_MM
    middle = places.mean(0)
    along = np.linalg.eigh(np.cov((places - middle).T))[1][:, -1]
    along = along * np.sign(along[np.abs(along).argmax()])
    s = (places - middle) @ along
    # A few cells that stick out are not the bead's end.
    start, end = float(np.quantile(s, 0.003)), float(np.quantile(s, 0.997))
    width = len(s) / PX_PER_MM**2 / max(end - start, 1e-6)
    if end - start < max(LEAST_LENGTH_MM, LEAST_ASPECT * width) or width < LEAST_WIDTH_MM:
        return None
    return Patch(Line(middle, along), start, end, width, there.astype(np.uint8), low)
