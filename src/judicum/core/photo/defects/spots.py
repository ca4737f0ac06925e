"""Faults that are spots: holes, specks, craters, as the network sees them on the face."""

from collections.abc import Iterator

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.close import PX_PER_MM, CloseLook
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.toes import Toes

SEEN = 0.5
"""Share from which a place belongs to a spot."""
LEAST_MM = {"pore": 0.3, "inclusion": 0.3, "crater": 1.0, "burn_through": 1.0}
"""Least diameter: a smaller spot is the picture's grain."""
LEAST_CONFIDENCE = {"pore": 0.7, "inclusion": 0.7, "crater": 0.7, "burn_through": 0.7}
"""Least mean share over a spot."""
BURN_SHARE = 0.5
"""A hole wider than this share of the bead goes right through."""
AT_END = 1.3
"""A crater lies within so many widths of a tip."""


def spots(look: CloseLook, toes: Toes) -> list[Fault]:
    """Pores, inclusions, craters and burn-through between two toes; a pore within a crater is the crater's pinhole."""
    face = _face(look, toes)
    craters = [f for f in _blobs("crater", look, look.crater, face) if _at_end(f, toes)]
    burnt = [f for f in _blobs("burn_through", look, look.hole, face) if f.size_mm > BURN_SHARE * toes.width_mm]
    pores = [f for f in _blobs("pore", look, look.pore, face) if not any(_within(f, b) for b in burnt)]
    specks = list(_blobs("inclusion", look, look.speck, face))
    pinned = [Fault(**{**vars(c), "pinhole": any(_within(p, c) for p in pores)}) for c in craters]
    return [*pinned, *burnt, *(f for f in [*pores, *specks] if not any(_within(f, c) for c in craters))]


def _face(look: CloseLook, toes: Toes) -> Flags:
    left, right = toes.at(look.s_mm)
    between = (look.n_mm[:, None] > left) & (look.n_mm[:, None] < right)
    return np.asarray(between & (look.s_mm > toes.start_mm) & (look.s_mm < toes.end_mm))


def _at_end(fault: Fault, toes: Toes) -> bool:
    return min(fault.s_mm - toes.start_mm, toes.end_mm - fault.s_mm) < AT_END * toes.width_mm


def _within(fault: Fault, other: Fault) -> bool:
    return float(np.hypot(fault.s_mm - other.s_mm, fault.n_mm - other.n_mm)) < other.size_mm / 2 + 0.2


def _blobs(kind: str, look: CloseLook, share: Floats, face: Flags) -> Iterator[Fault]:
    count, labels, stats, middles = cv2.connectedComponentsWithStats(((share > SEEN) & face).astype(np.uint8))
    for k in range(1, count):
        size = float(np.sqrt(4 * stats[k, cv2.CC_STAT_AREA] / np.pi)) / PX_PER_MM
        sure = float(share[labels == k].mean())
        if size >= LEAST_MM[kind] and sure >= LEAST_CONFIDENCE[kind]:
            column, row = middles[k]
            yield Fault(kind, look.s_mm[0] + column / PX_PER_MM, look.n_mm[0] + row / PX_PER_MM, size, sure)
