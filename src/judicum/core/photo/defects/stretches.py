"""Faults that are stretches along the bead: sugar, undercut, gaps and bulges."""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.segment import GRANULAR, PX_PER_MM, Segmentation
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at


@dataclass(frozen=True)
class StretchParameters:
    """From where on a stretch of a bead is a fault: lengths along it in mm, light as a natural logarithm."""

    sugared: float = 0.5
    """Share of the face across the bead that is grey and granular in the midst of a patch, which reaches to where it is GRANULAR."""
    min_sugar: float = 0.65
    """Mean of that share over a patch: of other drawers' pictures sugar had 0.88 and more, of drawn ones 0.50; what is none up to
    0.43, and silver ripples up to 0.74 by one network alone, on pictures kept from it."""
    sugar_mm: float = 2.0
    """mm along the bead: less is one ripple's shade."""
    undercut_mm: float = 3.0
    """mm along the bead: less is a ripple's own end at the toe."""
    gap_mm: float = 1.5
    """mm along the bead: a shorter narrow place is a ripple."""
    bulge_mm: float = 3.0
    """mm along the bead: a shorter wide place is a ripple."""
    min_groove: float = 0.86
    """Mean share that the networks call groove near the toe, from which darkness there is one: grooves had 0.88 and more but for
    one, other dark stretches but one up to 0.84."""
    groove_reach_mm: float = 0.35
    """mm from the toe within which that mean is taken."""
    groove_alone: float = 0.95
    """The same mean from which they need no darkness, over `groove_alone_mm` or more: grooves had 0.97 and more over 7.5 mm and more, other
    stretches as sure were 5.9 mm and shorter or lay along a toe that they call so as a whole."""
    groove_alone_mm: float = 6.7
    groove_usual: float = 0.1
    """Median share along a toe over which it is no groove but the toe's own line or the edge of a lap."""
    groove_apart_mm: float = 0.8
    """mm from the toe within which a groove may lie past a strip of sheet that stayed."""
    groove_darker: float = 0.25
    """Natural logarithm by which a groove is darker than the same toe usually is."""
    groove_spreads: float = 2.0
    """How many times the toe's usual change (its median to its brightest tenth) a groove goes beyond it."""
    groove_rows: int = 8
    """Of the distances at which a groove is looked for, how many of the darkest count."""
    gap_share: float = 0.5
    """Width over the usual under which the bead is missing."""
    bulge_share: float = 1.33
    """Width over the usual over which it bulges (1.4 at its widest)."""
    clear_of_tips: float = 1.2
    """So many widths from a tip the width says nothing: the end is rounded."""


STRETCH = StretchParameters()

GROOVE_MM = np.arange(-0.3, 0.71, 0.05)
"""mm outward from a toe at which a groove is looked for."""
PLATE_MM = np.arange(1.0, 1.7, 0.1)
"""mm outward from a toe at which the plate beside it is."""


def runs(flags: Flags, step_mm: float, min_mm: float, bridge_mm: float = 0.6) -> list[tuple[int, int]]:
    """First and last index of each run of True at least `min_mm` long; breaks up to `bridge_mm` are bridged."""
    closed = cv2.morphologyEx(
        flags.astype(np.uint8)[None, :],
        cv2.MORPH_CLOSE,
        np.ones((1, 2 * max(1, round(bridge_mm / step_mm / 2)) + 1), np.uint8),
    )[0]
    edges = np.flatnonzero(np.diff(np.concatenate([[0], closed, [0]])))
    return [(int(a), int(b) - 1) for a, b in zip(edges[::2], edges[1::2], strict=True) if (b - a) * step_mm >= min_mm]


def sugar(segmented: Segmentation, toes: Toes) -> list[Fault]:
    """Patches of dull, grey, granular oxide over most of the face."""
    share = segmented.granular_share(*toes.at(segmented.s_mm))
    inside = (segmented.s_mm > toes.start_mm) & (segmented.s_mm < toes.end_mm)
    return [
        _stretch("sugaring", segmented, a, b, 0.0, float(share[a : b + 1].mean()))
        for a, b in runs((share > GRANULAR) & inside, 1 / PX_PER_MM, STRETCH.sugar_mm, 1.0)
        if (share[a : b + 1] > STRETCH.sugared).sum() / PX_PER_MM > STRETCH.sugar_mm
        and share[a : b + 1].mean() > STRETCH.min_sugar
    ]


def undercut(face: Face) -> list[Fault]:
    """Dark grooves along either toe, against how dark that toe usually is and how much that changes.

    The shade is looked at, not the light: beside a bead the tint alone darkens the plate as deeply.
    """
    step = face.step_mm
    margin = max(1, round(0.6 * face.width_mm / step))
    if len(face.s_mm) < 3 * margin:
        return []
    flags, depth = [], []
    for side in (-1.0, 1.0):
        # How much dark lies across the toe: a groove is wider and deeper than the toe's own line.
        dark = np.sort(_beside(face, side, GROOVE_MM), axis=0)[: STRETCH.groove_rows].mean(0)
        plate = smoothed(_beside(face, side, PLATE_MM).mean(0), 1.0 / step)
        relative = smoothed(dark - plate, 0.4 / step)
        usual, high = np.quantile(relative[margin:-margin], [0.5, 0.9])
        deeper = usual - relative
        marked = deeper > max(STRETCH.groove_darker, STRETCH.groove_spreads * (high - usual))
        marked[:margin] = marked[-margin:] = False
        flags.append(marked)
        depth.append(deeper)
    found = []
    for k, side in enumerate((-1.0, 1.0)):
        for a, b in runs(flags[k], step, STRETCH.undercut_mm, 1.0):
            if flags[1 - k][a : b + 1].mean() > 0.5:
                continue  # Dark on both sides is a shadow or a change of the tint.
            middle = (a + b) // 2
            confidence = float(np.clip(0.3 + 0.5 * depth[k][a : b + 1].mean(), 0.4, 0.95))
            s = float(face.s_mm[middle])
            found.append(
                Fault(
                    "undercut",
                    s,
                    face.across(s, side * float(face.half_mm[middle] + 0.1)),
                    (b - a) * step + 0.8,
                    confidence,
                )
            )
    return found


def seen_as_groove(segmented: Segmentation, toes: Toes, dark: Fault) -> bool:
    """Whether the network, too, sees a groove where the light along a toe is dark."""
    columns = np.flatnonzero(np.abs(segmented.s_mm - dark.s_mm) < dark.size_mm / 2)
    left, right = (toe[columns] for toe in toes.at(segmented.s_mm))
    toe = left if dark.n_mm < (left + right).mean() / 2 else right
    beside = np.abs(segmented.n_mm[:, None] - toe) < STRETCH.groove_reach_mm
    return float(np.where(beside, segmented.groove[:, columns], 0).max(0).mean()) > STRETCH.min_groove


def grooves_seen(segmented: Segmentation, toes: Toes) -> list[Fault]:
    """Grooves that the networks are sure of beside one toe, whether they are darker than it or not: glossy light may fill one."""
    margin = 0.6 * toes.width_mm
    inside = (segmented.s_mm > toes.start_mm + margin) & (segmented.s_mm < toes.end_mm - margin)
    if not inside.any():
        return []
    near = [np.abs(segmented.n_mm[:, None] - toe) < STRETCH.groove_apart_mm for toe in toes.at(segmented.s_mm)]
    shares = [np.where(beside, segmented.groove, 0.0) for beside in near]
    along = [share.max(0) for share in shares]
    found = []
    for k, own in enumerate(along):
        if np.median(own[inside]) > STRETCH.groove_usual:
            continue
        for a, b in runs((own > 0.5) & inside, 1 / PX_PER_MM, STRETCH.groove_alone_mm, 1.0):
            sure, other = float(own[a : b + 1].mean()), float((along[1 - k][a : b + 1] > 0.5).mean())
            if sure > STRETCH.groove_alone and other < 0.5:
                across = float(segmented.n_mm[int(np.median(shares[k][:, a : b + 1].argmax(0)))])
                found.append(_stretch("undercut", segmented, a, b, across, sure))
    return found


def _beside(face: Face, side: float, offset_mm: Floats) -> Floats:
    """The shade at distances outside one toe: (offsets, columns)."""
    rows = (side * (face.half_mm[None, :] + offset_mm[:, None]) - face.n_mm[0]) / face.step_mm
    return read_at(face.shade, rows, np.broadcast_to(np.arange(len(face.s_mm)), rows.shape))


def uneven_width(toes: Toes) -> list[Fault]:
    """Gaps and bulges; the rounded ends are left out."""
    step = float(toes.s_mm[1] - toes.s_mm[0])
    width = toes.right_mm - toes.left_mm
    usual = toes.width_mm
    margin = STRETCH.clear_of_tips * usual
    body = (toes.s_mm > toes.start_mm + margin) & (toes.s_mm < toes.end_mm - margin)
    found = []
    for kind, flags, least in (
        ("gap", width < STRETCH.gap_share * usual, STRETCH.gap_mm),
        ("bulge", width > STRETCH.bulge_share * usual, STRETCH.bulge_mm),
    ):
        for a, b in runs(flags & body, step, least):
            found.append(
                Fault(kind, float(toes.s_mm[(a + b) // 2]), float(toes.centre_mm[(a + b) // 2]), (b - a) * step, 0.8)
            )
    return found


def _stretch(kind: str, segmented: Segmentation, a: int, b: int, n_mm: float, confidence: float) -> Fault:
    return Fault(kind, float(segmented.s_mm[(a + b) // 2]), n_mm, (b - a) / PX_PER_MM, confidence)
