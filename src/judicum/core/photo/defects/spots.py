"""Faults that are spots on the face, as the networks see them: pores, specks, and whether a ring is a crater."""

import cv2
import numpy as np

from judicum.core.arrays import Flags
from judicum.core.photo.close import PX_PER_MM, CloseLook
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.film import srgb_to_linear
from judicum.core.photo.toes import Toes

SEEN = 0.5
"""Share (of pore and speck together) from which a place belongs to a spot."""
LEAST_MM = 0.3
"""Least diameter: a smaller spot is the picture's grain."""
LEAST_CONFIDENCE = 0.75
"""Least mean share over a spot: of labelled pictures' beads spots had 0.85 and more, shine and dark fronts up to 0.63."""
HOLE_LIGHT, DARKEST = 0.36, 0.3
"""A hole has less than this share of the light around it over the darkest part of it: of labelled pictures pores had up to
0.30, inclusions 0.42 and more."""
RING_MM = (0.3, 0.8)
"""Where around a spot that light is read."""
BESIDE_PX = round(RING_MM[1] * PX_PER_MM) + 1
CLEAR_OF_TIPS = 0.6
"""Share of the width from a tip within which the rounded end's shine looks like a speck."""
LEAST_CRATER = 0.5
"""Mean share within a ring that the networks call crater: of labelled pictures craters had 0.65 and more, other rings up to
0.33."""


def spots(look: CloseLook, toes: Toes) -> list[Fault]:
    """Pores (round open holes) and inclusions (hard-edged specks that are none) between two toes.

    The networks are surer that there is a spot than which of both it is; a hole is dark, whatever lies around.
    """
    left, right = toes.at(look.s_mm)
    face = (look.n_mm[:, None] > left) & (look.n_mm[:, None] < right)
    face &= (look.s_mm > toes.start_mm) & (look.s_mm < toes.end_mm)
    either = look.pore + look.speck
    count, labels, stats, middles = cv2.connectedComponentsWithStats(((either > SEEN) & face).astype(np.uint8))
    found = []
    for k in range(1, count):
        spot = labels == k
        size = float(np.sqrt(4 * stats[k, cv2.CC_STAT_AREA] / np.pi)) / PX_PER_MM
        sure = min(float(either[spot].mean()), 1.0)
        if size < LEAST_MM or sure < LEAST_CONFIDENCE:
            continue
        column, row = middles[k]
        s, n = look.s_mm[0] + column / PX_PER_MM, look.n_mm[0] + row / PX_PER_MM
        kind = "pore" if _light_within(look, spot) < HOLE_LIGHT else "inclusion"
        if kind == "pore" or min(s - toes.start_mm, toes.end_mm - s) > CLEAR_OF_TIPS * toes.width_mm:
            found.append(Fault(kind, s, n, size, sure))
    return found


def _light_within(look: CloseLook, spot: Flags) -> float:
    """The light of a spot's darkest part against that around it."""
    rows, columns = (slice(max(0, k.min() - BESIDE_PX), k.max() + BESIDE_PX + 1) for k in np.nonzero(spot))
    light = srgb_to_linear(look.seen[rows, columns]).mean(-1)
    within = spot[rows, columns]
    away = cv2.distanceTransform(np.asarray(~within, np.uint8), cv2.DIST_L2, 3) / PX_PER_MM
    around = light[(away > RING_MM[0]) & (away < RING_MM[1])]
    return float(np.quantile(light[within], DARKEST) / max(float(np.median(around)), 1e-3))


def may_have_craters(look: CloseLook) -> bool:
    """Whether the networks see anything of a crater: rings need not be looked for where they do not."""
    return float(look.crater.max()) > LEAST_CRATER


def seen_as_crater(look: CloseLook, ring: Fault) -> bool:
    """Whether the networks, too, see a crater within a ring that the light shows."""
    away = np.hypot(look.s_mm[None, :] - ring.s_mm, look.n_mm[:, None] - ring.n_mm)
    return float(look.crater[away < ring.size_mm / 2].mean()) > LEAST_CRATER
