"""Holes right through the face, by the light on the straightened face."""

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault

AROUND_MM = 1.3
"""Light around a place: a bead's own shade changes over more than this."""
HOLE_LIGHT = 0.33
"""A hole has less than this share of the light around it."""
HOLE_LIGHTNESS = 24.0
BLACK_LIGHTNESS, BLACK_CHROMA = 11.0, 6.0
"""CIELAB lightness and chroma of a hole: on dark film one is told by being black itself."""
BLACK_LIGHT = 0.6
"""What is black itself needs only be this much darker than the light around it."""
LEAST_AREA_MM2 = 0.04
"""A smaller blob is grain."""
RIM_MM = 0.10
"""The blob's edge is at the hole's darkest third; its blurred rim adds a little on either side."""
ROUND = 0.55
"""Least roundness of a hole."""
BURN_SHARE = 0.5
"""A hole wider than this share of the bead goes right through."""
BESIDE_MM = 0.6
"""So far past the toes a hole may lie."""


def burnt_through(face: Face) -> list[Fault]:
    """Round holes wider than half of the bead."""
    found = []
    for blob in _dark_blobs(face):
        size = float(np.sqrt(4 * blob.sum() / np.pi)) * face.step_mm + RIM_MM
        if size > BURN_SHARE * face.width_mm and _roundness(blob) >= ROUND:
            found.append(Fault("burn_through", *_middle(face, blob), size, 0.9))
    return found


def _dark_blobs(face: Face) -> list[Flags]:
    """Blobs that are dark by themselves and against the light around."""
    against = _against_around(face)
    dark = (against < np.log(HOLE_LIGHT)) & (face.lab[..., 0] < HOLE_LIGHTNESS)
    black = (face.lab[..., 0] < BLACK_LIGHTNESS) & (np.hypot(face.lab[..., 1], face.lab[..., 2]) < BLACK_CHROMA)
    near = face.inside(-BESIDE_MM)
    return [
        blob
        for blob in _blobs((dark | (black & (against < np.log(BLACK_LIGHT)))) & near)
        if blob.sum() * face.step_mm**2 > LEAST_AREA_MM2
    ]


def _against_around(face: Face) -> Floats:
    """Natural logarithm of the light against that around it."""
    light = cv2.GaussianBlur(np.maximum(face.light, 1e-4), (0, 0), 0.05 / face.step_mm)
    # Within a wide hole what lies around is the hole itself: there the same row elsewhere is the measure.
    usual = BLACK_LIGHT * np.median(light, axis=1, keepdims=True)
    around = np.maximum(_median_around(light, AROUND_MM / face.step_mm), usual)
    return np.asarray(np.log(light / np.maximum(around, 1e-4)))


def _median_around(light: Floats, radius: float) -> Floats:
    """Median of the light in a window of the radius (samples), on a coarser grid."""
    shrink = max(1, int(radius / 5))
    small = cv2.resize(light, None, fx=1 / shrink, fy=1 / shrink, interpolation=cv2.INTER_AREA)
    top = float(small.max()) or 1.0
    coded = np.clip(np.sqrt(small / top) * 255, 0, 255).astype(np.uint8)
    median = cv2.medianBlur(coded, 2 * max(1, round(radius / shrink)) + 1).astype(np.float32)
    return cv2.resize((median / 255) ** 2 * top, light.shape[::-1], interpolation=cv2.INTER_LINEAR)


def _blobs(mask: Flags) -> list[Flags]:
    count, labels, stats, _ = cv2.connectedComponentsWithStats(mask.astype(np.uint8), connectivity=8)
    return [labels == k for k in range(1, count) if stats[k, cv2.CC_STAT_AREA] >= 4][:60]


def _roundness(blob: Flags) -> float:
    """Area over that of the circle round its longest extent: 1 for a disc, small for a line."""
    rows, columns = np.nonzero(blob)
    points = np.stack([columns, rows], 1).astype(np.float32)
    (_, (w, h), _) = cv2.minAreaRect(points)
    longest = max(w, h) + 1
    return float(len(rows) / (np.pi / 4 * longest**2))


def _middle(face: Face, blob: Flags) -> tuple[float, float]:
    """Where along and across the line a blob lies."""
    rows, columns = np.nonzero(blob)
    s = float(face.s_mm[0] + columns.mean() * face.step_mm)
    return s, face.across(s, float(face.n_mm[0] + rows.mean() * face.step_mm))
