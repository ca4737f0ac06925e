"""Specks that are no holes, by the light on the straightened face."""

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
MIN_AREA_MM2 = 0.04
"""A smaller blob is grain."""
RIM_MM = 0.10
"""Within this of the outline the toe's own edge is seen."""
ALIKE_SHARE, ALIKE_MM2, MAX_ALIKE = 0.55, 0.06, 3
"""Places of some size that stand out by this share of a speck's step; so many of them are shine."""
SEED_SPREADS = 1.6
"""How many times the face's own spread the brightest part of a speck stands out."""
SPECK_STEP = 0.6
"""Natural logarithm of the light step at a speck."""
SPECK_MM = (0.35, 1.7)
SPECK_MARGIN_MM = 0.3
"""Shine along a toe is no speck."""
SPECK_ROUND, HARD = 0.5, 0.55
"""Least roundness of a speck, and share of a speck's step that lies at its rim."""
TIP_SHARE = 0.6
"""The rounded ends shine: specks are not looked for within this share of the width from a tip."""
MAX_SPECKS = 3
"""More alike are ripples or shine."""


def specks(face: Face) -> list[Fault]:
    """Blobs of one tone with a hard edge, brighter or darker than the face without being holes, which are black."""
    against = _against_around(face)
    kernel, steps = np.ones((3, 3), np.uint8), max(1, round(SPECK_MARGIN_MM / face.step_mm))
    near_holes = cv2.dilate(_holes(face, against).astype(np.uint8), kernel, iterations=steps) > 0
    clear = np.minimum(face.s_mm - face.s_mm[0], face.s_mm[-1] - face.s_mm) > TIP_SHARE * face.width_mm
    return _specks(face, against, face.inside(RIM_MM) & ~near_holes & clear[None, :])


def _holes(face: Face, against: Floats) -> Flags:
    """Places that are dark by themselves and against the light around.

    Args:
        against: what `_against_around` says of the face.
    """
    dark = (against < np.log(HOLE_LIGHT)) & (face.lab[..., 0] < HOLE_LIGHTNESS)
    black = (face.lab[..., 0] < BLACK_LIGHTNESS) & (np.hypot(face.lab[..., 1], face.lab[..., 2]) < BLACK_CHROMA)
    found = np.zeros(face.light.shape, bool)
    for blob in _blobs((dark | (black & (against < np.log(BLACK_LIGHT)))) & face.inside(-2 * SPECK_MARGIN_MM)):
        if blob.sum() * face.step_mm**2 > MIN_AREA_MM2:
            found |= blob
    return found


def _against_around(face: Face) -> Floats:
    """Natural logarithm of the light against that around it."""
    light = cv2.GaussianBlur(np.maximum(face.light, 1e-4), (0, 0), 0.05 / face.step_mm)
    # Within a wide hole what lies around is the hole itself: there the same row elsewhere is the measure.
    usual = BLACK_LIGHT * np.median(light, axis=1, keepdims=True)
    around = np.maximum(_median_around(light, AROUND_MM / face.step_mm), usual)
    return np.asarray(np.log(light / np.maximum(around, 1e-4)))


def _specks(face: Face, ratio: Floats, usable: Flags) -> list[Fault]:
    step = face.step_mm
    margin = ~face.inside(SPECK_MARGIN_MM)
    found = []
    for sign in (1.0, -1.0):
        level = sign * ratio
        spread = float(np.quantile(level[usable], 0.985)) if usable.any() else 0.0
        for seed in _blobs((level > max(SPECK_STEP, SEED_SPREADS * spread)) & usable):
            blob = _to_half_height(level, seed, usable)
            if blob[margin].any():
                continue
            size = float(np.sqrt(4 * blob.sum() / np.pi)) * step
            if (
                not SPECK_MM[0] <= size <= SPECK_MM[1]
                or _roundness(blob) < SPECK_ROUND
                or _hardness(level, blob, step) < HARD
            ):
                continue
            if _alike(level, blob, usable, step) >= MAX_ALIKE:
                continue
            found.append(Fault("inclusion", *_middle(face, blob), size, 0.6))
    return found if len(found) <= MAX_SPECKS else []


def _to_half_height(level: Floats, seed: Flags, usable: Flags) -> Flags:
    """The whole speck round its brightest part: what stands out by more than half as much and hangs together with it."""
    _, labels = cv2.connectedComponents(((level > float(level[seed].max()) / 2) & usable).astype(np.uint8))
    return np.asarray(labels == labels[np.unravel_index(int(np.where(seed, level, -np.inf).argmax()), level.shape)])


def _alike(level: Floats, blob: Flags, usable: Flags, step: float) -> int:
    """How many other places stand out nearly as much as a speck does: shine comes back front after front."""
    others = (level > ALIKE_SHARE * float(level[blob].max())) & usable & ~blob
    stats = cv2.connectedComponentsWithStats(others.astype(np.uint8), connectivity=8)[2]
    return int((stats[1:, cv2.CC_STAT_AREA] * step**2 > ALIKE_MM2).sum())


def _hardness(level: Floats, blob: Flags, step: float) -> float:
    """Share of the step that lies within a tenth of a millimetre of the blob's rim (0 to 1)."""
    kernel = np.ones((3, 3), np.uint8)
    grown = cv2.dilate(blob.astype(np.uint8), kernel, iterations=max(1, round(0.15 / step))) > 0
    shrunk = cv2.erode(blob.astype(np.uint8), kernel, iterations=1) > 0
    ring = cv2.dilate(grown.astype(np.uint8), kernel, iterations=max(1, round(0.2 / step))) > 0
    core = level[shrunk if shrunk.any() else blob].mean()
    outside = np.median(level[ring & ~grown])
    whole = max(float(core - outside), 1e-3)
    at_rim = float(np.median(level[grown & ~blob]) - outside)
    return 1 - max(at_rim, 0.0) / whole


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
