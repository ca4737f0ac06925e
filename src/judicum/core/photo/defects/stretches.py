"""Faults that are stretches along the bead: sugar, undercut, gaps and bulges."""

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Flags
from judicum.core.photo.close import PX_PER_MM, CloseLook
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at

SUGAR_SHARE = 0.4
"""Share of the face across the bead that is grey and granular where it is sugared."""
SUGAR_MM, UNDERCUT_MM, GAP_MM, BULGE_MM = 2.0, 2.0, 1.5, 2.0
"""Least lengths along the bead."""
GROOVE = 0.4
"""Share that a place beside the toe is groove, from which it counts."""
GROOVE_MM = np.arange(-0.3, 0.45, 0.1)
"""Distances outward from a toe at which a groove is looked for."""
GAP_SHARE, BULGE_SHARE = 0.5, 1.33
"""Width against the usual under which the bead is missing, and over which it bulges (1.4 at its widest)."""
CLEAR_OF_TIPS = 0.8
"""So many widths from a tip the width says nothing: the end is rounded."""
SMOOTH_MM = 0.5


def runs(flags: Flags, step_mm: float, least_mm: float, bridge_mm: float = 0.6) -> list[tuple[int, int]]:
    """First and last index of each run of True at least `least_mm` long; breaks up to `bridge_mm` are bridged."""
    closed = cv2.morphologyEx(
        flags.astype(np.uint8)[None, :],
        cv2.MORPH_CLOSE,
        np.ones((1, 2 * max(1, round(bridge_mm / step_mm / 2)) + 1), np.uint8),
    )[0]
    edges = np.flatnonzero(np.diff(np.concatenate([[0], closed, [0]])))
    return [(int(a), int(b) - 1) for a, b in zip(edges[::2], edges[1::2], strict=True) if (b - a) * step_mm >= least_mm]


def sugar(look: CloseLook, toes: Toes) -> list[Fault]:
    """Patches of dull, grey, granular oxide over most of the face."""
    left, right = toes.at(look.s_mm)
    part = np.linspace(0.15, 0.85, 15)[:, None]
    rows = look.row(left * (1 - part) + right * part)
    share = read_at(look.granular.astype(np.float32), rows, np.broadcast_to(np.arange(rows.shape[1]), rows.shape)).mean(
        0
    )
    inside = (look.s_mm > toes.start_mm) & (look.s_mm < toes.end_mm)
    return [
        _stretch("sugaring", look, a, b, 0.0, float(share[a : b + 1].mean()))
        for a, b in runs((share > SUGAR_SHARE) & inside, 1 / PX_PER_MM, SUGAR_MM, 1.0)
    ]


def undercut(look: CloseLook, toes: Toes) -> list[Fault]:
    """Grooves melted into the plate along either toe."""
    found = []
    inside = (look.s_mm > toes.start_mm + 1) & (look.s_mm < toes.end_mm - 1)
    for toe, outward in zip(toes.at(look.s_mm), (-1.0, 1.0), strict=True):
        rows = look.row(toe + outward * GROOVE_MM[:, None])
        columns = np.broadcast_to(np.arange(rows.shape[1]), rows.shape)
        share = gaussian_filter1d(read_at(look.groove.astype(np.float32), rows, columns).max(0), SMOOTH_MM * PX_PER_MM)
        for a, b in runs((share > GROOVE) & inside, 1 / PX_PER_MM, UNDERCUT_MM, 1.0):
            place = float(toe[(a + b) // 2]) + outward * 0.1
            found.append(_stretch("undercut", look, a, b, place, float(share[a : b + 1].mean())))
    return found


def uneven_width(toes: Toes) -> list[Fault]:
    """Gaps and bulges; the rounded ends are left out."""
    step = float(toes.s_mm[1] - toes.s_mm[0])
    width = toes.right_mm - toes.left_mm
    usual = toes.width_mm
    margin = CLEAR_OF_TIPS * usual
    body = (toes.s_mm > toes.start_mm + margin) & (toes.s_mm < toes.end_mm - margin)
    found = []
    for kind, flags, least in (
        ("gap", width < GAP_SHARE * usual, GAP_MM),
        ("bulge", width > BULGE_SHARE * usual, BULGE_MM),
    ):
        for a, b in runs(flags & body, step, least):
            found.append(
                Fault(kind, float(toes.s_mm[(a + b) // 2]), float(toes.centre_mm[(a + b) // 2]), (b - a) * step, 0.8)
            )
    return found


def _stretch(kind: str, look: CloseLook, a: int, b: int, n_mm: float, confidence: float) -> Fault:
    return Fault(kind, float(look.s_mm[(a + b) // 2]), n_mm, (b - a) / PX_PER_MM, confidence)
