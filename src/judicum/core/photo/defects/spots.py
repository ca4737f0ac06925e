"""Faults that are spots on the face, as the networks see them: pores, specks, and whether a ring is a crater."""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.segment import PX_PER_MM, Segmentation
from judicum.core.photo.toes import Toes


@dataclass(frozen=True)
class SpotParameters:
    """From where on what the networks call a spot is one; means are taken over the spot."""

    seen: float = 0.5
    """Share from which a place belongs to a pore."""
    speck_seen: float = 0.3
    """Share from which it belongs to a speck, which is the rarer and half taken for a pore."""
    min_mm: float = 0.3
    """mm across: a smaller spot is the picture's grain."""
    min_speck: float = 0.74
    """Least mean share over a speck: on pictures kept from the networks specks had 0.79 and more, glints up to 0.70 and one 0.78."""
    clear_of_tips: float = 0.6
    """Share of the width from a tip within which the rounded end's shine looks like a speck."""
    min_crater: float = 0.8
    """Mean share within a ring that the networks call crater: craters had 0.88 and more but for one, other rings up to 0.77."""
    crater_alone: float = 0.84
    """Mean share over what the networks alone call crater: on pictures kept from them craters had 0.83 and more, ends that are none
    up to 0.81, and up to 0.83 on others."""
    crater_share: float = 0.5
    """Size of such a crater as a share of the width."""
    crater_at: float = 1.2
    """How many widths from a tip it may lie."""
    burn_share: float = 0.6
    """A hole wider than this share of the bead goes right through: through holes had 0.74 and more, shadows at the rounded ends and in
    fillets up to 0.57."""
    hole_seen: float = 0.3
    """Share from which a place belongs to a hole: of a lit bench seen through one the networks are half sure."""
    min_hole: float = 0.56
    """Mean share over a hole: through holes had 0.61 and more, craters as wide up to 0.52."""
    min_pore: float = 0.88
    """Least mean share over a pore: on pictures kept from the networks they had 0.90 and more, and nothing else had any."""


SPOT = SpotParameters()


def pores(segmented: Segmentation, toes: Toes) -> list[Fault]:
    """Round open holes between two toes."""
    return _blobs("pore", segmented, segmented.pore, _face(segmented, toes, 0.0), SPOT.seen, SPOT.min_pore)


def specks_seen(segmented: Segmentation, toes: Toes) -> list[Fault]:
    """Hard-edged specks between two toes."""
    body = _face(segmented, toes, SPOT.clear_of_tips * toes.width_mm)
    return _blobs("inclusion", segmented, segmented.speck, body, SPOT.speck_seen, SPOT.min_speck)


def _face(segmented: Segmentation, toes: Toes, clear_mm: float) -> Flags:
    """What lies between the toes and so far from the tips."""
    left, right = toes.at(segmented.s_mm)
    between = (segmented.n_mm[:, None] > left) & (segmented.n_mm[:, None] < right)
    return np.asarray(between & (segmented.s_mm > toes.start_mm + clear_mm) & (segmented.s_mm < toes.end_mm - clear_mm))


def may_have_craters(segmented: Segmentation) -> bool:
    """Whether the networks see anything of a crater: rings need not be looked for where they do not."""
    return float(segmented.crater.max()) > SPOT.min_crater


def seen_as_crater(segmented: Segmentation, ring: Fault) -> bool:
    """Whether the networks, too, see a crater within a ring that the light shows."""
    return _share_within(segmented, segmented.crater, ring) > SPOT.min_crater


def may_have_spots(segmented: Segmentation) -> bool:
    """Whether the networks see any spot: specks need not be looked for in the light where they do not."""
    return float((segmented.pore + segmented.speck).max()) > SPOT.seen


def seen_as_spot(segmented: Segmentation, speck: Fault) -> bool:
    """Whether the networks, too, see a spot, be it a pore, where the light shows a speck."""
    return _share_within(segmented, segmented.pore + segmented.speck, speck) > SPOT.seen


def holes_seen(segmented: Segmentation, toes: Toes) -> list[Fault]:
    """Holes so wide that they go through, black or not."""
    face, wide = _face(segmented, toes, 0.0), SPOT.burn_share * toes.width_mm
    return _blobs("burn_through", segmented, segmented.hole, face, SPOT.hole_seen, SPOT.min_hole, wide)


def craters_seen(segmented: Segmentation, toes: Toes) -> list[Fault]:
    """Craters at either end, whether the light shows their rims or not."""
    dishes = _blobs("crater", segmented, segmented.crater, _face(segmented, toes, 0.0), SPOT.seen, SPOT.crater_alone)
    return [
        dish
        for dish in dishes
        if dish.size_mm > SPOT.crater_share * toes.width_mm
        and min(dish.s_mm - toes.start_mm, toes.end_mm - dish.s_mm) < SPOT.crater_at * toes.width_mm
    ]


def _share_within(segmented: Segmentation, share: Floats, fault: Fault) -> float:
    """Mean of a share over the disc of a fault."""
    away = np.hypot(segmented.s_mm[None, :] - fault.s_mm, segmented.n_mm[:, None] - fault.n_mm)
    return float(share[away < fault.size_mm / 2].mean())


def _blobs(
    kind: str,
    segmented: Segmentation,
    share: Floats,
    face: Flags,
    seen: float,
    least: float,
    min_mm: float = SPOT.min_mm,
) -> list[Fault]:
    """Spots of `face`, `min_mm` across or more, whose places all have a share over `seen` and together one of at least `least`."""
    found = []
    count, labels, _, middles = cv2.connectedComponentsWithStats(((share > seen) & face).astype(np.uint8))
    for k in range(1, count):
        own = share[labels == k]
        sure = float(own.mean())
        if _across_mm(len(own)) >= min_mm and sure >= least:
            column, row = middles[k]
            s, n = segmented.s_mm[0] + column / PX_PER_MM, segmented.n_mm[0] + row / PX_PER_MM
            # Of one that is seen surely the faint rim is not counted.
            size = _across_mm(int((own > max(seen, own.max() / 2)).sum()))
            found.append(Fault(kind, s, n, size, sure))
    return found


def _across_mm(places: int) -> float:
    """Diameter of a disc of so many places."""
    return float(np.sqrt(4 * places / np.pi)) / PX_PER_MM
