"""Faults that are spots on the face, as the network sees them: pores."""

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.close import PX_PER_MM, CloseLook
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.toes import Toes

SEEN = 0.5
"""Share from which a place belongs to a spot."""
LEAST_MM = 0.3
"""Least diameter: a smaller spot is the picture's grain."""
LEAST_CONFIDENCE = 0.7
"""Least mean share over a spot."""


def pores(look: CloseLook, toes: Toes) -> list[Fault]:
    """Round open holes between two toes."""
    left, right = toes.at(look.s_mm)
    between = (look.n_mm[:, None] > left) & (look.n_mm[:, None] < right)
    face = np.asarray(between & (look.s_mm > toes.start_mm) & (look.s_mm < toes.end_mm))
    return _blobs("pore", look, look.pore, face)


def _blobs(kind: str, look: CloseLook, share: Floats, face: Flags) -> list[Fault]:
    found = []
    count, labels, stats, middles = cv2.connectedComponentsWithStats(((share > SEEN) & face).astype(np.uint8))
    for k in range(1, count):
        size = float(np.sqrt(4 * stats[k, cv2.CC_STAT_AREA] / np.pi)) / PX_PER_MM
        sure = float(share[labels == k].mean())
        if size >= LEAST_MM and sure >= LEAST_CONFIDENCE:
            column, row = middles[k]
            found.append(Fault(kind, look.s_mm[0] + column / PX_PER_MM, look.n_mm[0] + row / PX_PER_MM, size, sure))
    return found
