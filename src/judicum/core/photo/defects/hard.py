"""Specks that are no holes, by the light on the straightened face."""

from dataclasses import dataclass
from typing import cast

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault


@dataclass(frozen=True)
class SpeckParameters:
    """From where on a bright or dark place of a bead is a speck or a hole."""

    around_mm: float = 1.3
    """mm: light around a place; a bead's own shade changes over more than this."""
    hole_light: float = 0.33
    """A hole has less than this share of the light around it."""
    hole_lightness: float = 24.0
    """CIELAB lightness: a hole is no brighter, however bright its surroundings."""
    black_lightness: float = 11.0
    """CIELAB lightness of a hole: on dark film one is told by being black itself."""
    black_chroma: float = 6.0
    """CIELAB chroma of such a hole."""
    black_light: float = 0.6
    """What is black itself needs only this share of the light around it."""
    min_area_mm2: float = 0.04
    """mm²: a smaller blob is grain."""
    rim_mm: float = 0.10
    """mm: within this of the outline the toe's own edge is seen."""
    alike_share: float = 0.55
    """Share of a speck's step by which places stand out that are alike."""
    alike_mm2: float = 0.06
    """mm²: the least of such places."""
    max_alike: int = 3
    """So many of them are shine."""
    seed_spreads: float = 1.6
    """How many times the face's own spread the brightest part of a speck stands out."""
    step: float = 0.6
    """Natural logarithm of the light step at a speck."""
    across_mm: tuple[float, float] = (0.35, 1.7)
    """mm across, least and most: less is grain, more is a lap of the puddle."""
    margin_mm: float = 0.3
    """mm: shine along a toe is no speck."""
    roundness: float = 0.5
    """Least roundness of a speck."""
    hard: float = 0.55
    """Share of a speck's step that lies at its rim."""
    tip_share: float = 0.6
    """The rounded ends shine: specks are not looked for within this share of the width from a tip."""
    max_specks: int = 3
    """More alike are ripples or shine."""


SPECK = SpeckParameters()


def specks(face: Face) -> list[Fault]:
    """Blobs of one tone with a hard edge, brighter or darker than the face without being holes, which are black."""
    against = _against_around(face)
    kernel, steps = np.ones((3, 3), np.uint8), max(1, round(SPECK.margin_mm / face.step_mm))
    near_holes = cv2.dilate(_holes(face, against).astype(np.uint8), kernel, iterations=steps) > 0
    clear = np.minimum(face.s_mm - face.s_mm[0], face.s_mm[-1] - face.s_mm) > SPECK.tip_share * face.width_mm
    return _specks(face, against, face.inside(SPECK.rim_mm) & ~near_holes & clear[None, :])


def _holes(face: Face, against: Floats) -> Flags:
    """Places that are dark by themselves and against the light around.

    Args:
        against: what `_against_around` says of the face.
    """
    dark = (against < np.log(SPECK.hole_light)) & (face.lab[..., 0] < SPECK.hole_lightness)
    black = (face.lab[..., 0] < SPECK.black_lightness) & (
        np.hypot(face.lab[..., 1], face.lab[..., 2]) < SPECK.black_chroma
    )
    found = np.zeros(face.light.shape, bool)
    for blob in _blobs((dark | (black & (against < np.log(SPECK.black_light)))) & face.inside(-2 * SPECK.margin_mm)):
        if blob.sum() * face.step_mm**2 > SPECK.min_area_mm2:
            found |= blob
    return found


def _against_around(face: Face) -> Floats:
    """Natural logarithm of the light against that around it."""
    light = cast(Floats, cv2.GaussianBlur(np.maximum(face.light, 1e-4), (0, 0), 0.05 / face.step_mm))
    # Within a wide hole what lies around is the hole itself: there the same row elsewhere is the measure.
    usual = SPECK.black_light * np.median(light, axis=1, keepdims=True)
    around = np.maximum(_median_around(light, SPECK.around_mm / face.step_mm), usual)
    return np.asarray(np.log(light / np.maximum(around, 1e-4)))


def _specks(face: Face, ratio: Floats, usable: Flags) -> list[Fault]:
    step = face.step_mm
    margin = ~face.inside(SPECK.margin_mm)
    found = []
    for sign in (1.0, -1.0):
        level = sign * ratio
        spread = float(np.quantile(level[usable], 0.985)) if usable.any() else 0.0
        for seed in _blobs((level > max(SPECK.step, SPECK.seed_spreads * spread)) & usable):
            blob = _to_half_height(level, seed, usable)
            if blob[margin].any():
                continue
            size = float(np.sqrt(4 * blob.sum() / np.pi)) * step
            if (
                not SPECK.across_mm[0] <= size <= SPECK.across_mm[1]
                or _roundness(blob) < SPECK.roundness
                or _hardness(level, blob, step) < SPECK.hard
            ):
                continue
            if _alike(level, blob, usable, step) >= SPECK.max_alike:
                continue
            found.append(Fault("inclusion", *_middle(face, blob), size, 0.6))
    return found if len(found) <= SPECK.max_specks else []


def _to_half_height(level: Floats, seed: Flags, usable: Flags) -> Flags:
    """The whole speck round its brightest part: what stands out by more than half as much and hangs together with it."""
    _, labels = cv2.connectedComponents(((level > float(level[seed].max()) / 2) & usable).astype(np.uint8))
    return np.asarray(labels == labels[np.unravel_index(int(np.where(seed, level, -np.inf).argmax()), level.shape)])


def _alike(level: Floats, blob: Flags, usable: Flags, step: float) -> int:
    """How many other places stand out nearly as much as a speck does: shine comes back front after front."""
    others = (level > SPECK.alike_share * float(level[blob].max())) & usable & ~blob
    stats = cv2.connectedComponentsWithStats(others.astype(np.uint8), connectivity=8)[2]
    return int((stats[1:, cv2.CC_STAT_AREA] * step**2 > SPECK.alike_mm2).sum())


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
