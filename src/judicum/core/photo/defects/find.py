"""All faults of a bead, each place told once."""

from dataclasses import replace

from judicum.core.arrays import Floats
from judicum.core.photo.defects.crater import craters, has_pinhole
from judicum.core.photo.defects.face import straighten
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.defects.hard import specks
from judicum.core.photo.defects.spots import (
    craters_seen,
    holes_seen,
    may_have_craters,
    may_have_spots,
    pores,
    seen_as_crater,
    seen_as_spot,
    specks_seen,
)
from judicum.core.photo.defects.stretches import grooves_seen, seen_as_groove, sugar, undercut, uneven_width
from judicum.core.photo.segment import Segmentation
from judicum.core.photo.toes import Toes


def find_defects(segmented: Segmentation, toes: Toes, gains: Floats) -> list[Fault]:
    """Faults of a bead in the order of s.

    Under sugar, a hole or a missing stretch nothing else is told: what is seen there belongs to it.

    Args:
        gains: (3,) what balances the light of what the segmentation saw.
    """
    face = straighten(segmented, toes, gains)
    sugared, burnt = sugar(segmented, toes), holes_seen(segmented, toes)
    # A hole, or sugar beside the bead, is not the bead's width.
    uneven = [fault for fault in uneven_width(toes) if not _covered(fault, [*burnt, *sugared])]
    hidden = [*sugared, *burnt, *(fault for fault in uneven if fault.kind == "gap")]
    rings = craters(face) if may_have_craters(segmented) else []
    rings = [ring for ring in rings if seen_as_crater(segmented, ring) and not _covered(ring, hidden)]
    rings += [
        replace(one, pinhole=has_pinhole(face, one.s_mm, one.size_mm / 2))
        for one in craters_seen(segmented, toes)
        if not _covered(one, [*rings, *hidden])
    ]
    # A hole in a crater is the crater's pinhole.
    # The light tells a speck from a hole by its not being black; the networks are less sure of which it is.
    pored = pores(segmented, toes)
    hard = [speck for speck in specks(face) if seen_as_spot(segmented, speck)] if may_have_spots(segmented) else []
    hard += [one for one in specks_seen(segmented, toes) if not _covered(one, [*hard, *pored])]
    spots = [
        *(speck for speck in hard if not _covered(speck, [*hidden, *rings])),
        *(pore for pore in pored if not _covered(pore, [*hidden, *rings, *hard])),
    ]
    dark = [one for one in undercut(face) if seen_as_groove(segmented, toes, one)]
    grooves = [one for one in [*dark, *grooves_seen(segmented, toes)] if not _covered(one, hidden)]
    grooves = [one for k, one in enumerate(grooves) if not _covered(one, grooves[:k])]
    return sorted([*sugared, *burnt, *uneven, *rings, *spots, *grooves], key=lambda fault: fault.s_mm)


def _covered(fault: Fault, others: list[Fault]) -> bool:
    """Whether the middle of a fault lies along another one."""
    return any(abs(fault.s_mm - o.s_mm) < o.size_mm / 2 + 0.4 for o in others)
