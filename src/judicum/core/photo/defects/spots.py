"""Faults that are spots on the face, as the network sees them: pores, and whether a ring is a crater."""

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
LEAST_CRATER = 0.18
"""Mean share within a ring that the network calls crater: of labelled pictures craters had 0.21 and more, other rings up
to 0.14."""
LEAST_CONFIDENCE = 0.7
"""Least mean share over a spot."""


def pores(look: CloseLook, toes: Toes) -> list[Fault]:
    """Round open holes between two toes."""
    left, right = toes.at(look.s_mm)
    between = (look.n_mm[:, None] > left) & (look.n_mm[:, None] < right)
    face = np.asarray(between & (look.s_mm > toes.start_mm) & (look.s_mm < toes.end_mm))
    return _blobs("pore", look, look.pore, face)


def seen_as_crater(look: CloseLook, ring: Fault) -> bool:
    """Whether the network, too, sees a crater within a ring that the light shows."""
    away = np.hypot(look.s_mm[None, :] - ring.s_mm, look.n_mm[:, None] - ring.n_mm)
    return float(look.crater[away < ring.size_mm / 2].mean()) > LEAST_CRATER


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
