"""All faults of a bead, each place told once."""

from judicum.core.arrays import Floats
from judicum.core.photo.close import CloseLook
from judicum.core.photo.defects.crater import craters
from judicum.core.photo.defects.face import straighten
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.defects.holes import burnt_through
from judicum.core.photo.defects.spots import may_have_craters, seen_as_crater, spots
from judicum.core.photo.defects.stretches import seen_as_groove, sugar, undercut, uneven_width
from judicum.core.photo.toes import Toes


def find_defects(look: CloseLook, toes: Toes, gains: Floats) -> list[Fault]:
    """Faults of a bead in the order of s.

    Under sugar, a hole or a missing stretch nothing else is told: what is seen there belongs to it.

    Args:
        gains: (3,) what balances the light of what the look saw.
    """
    face = straighten(look, toes, gains)
    sugared, burnt = sugar(look, toes), burnt_through(face)
    # A hole, or sugar beside the bead, is not the bead's width.
    uneven = [fault for fault in uneven_width(toes) if not _covered(fault, [*burnt, *sugared])]
    hidden = [*sugared, *burnt, *(fault for fault in uneven if fault.kind == "gap")]
    rings = craters(face) if may_have_craters(look) else []
    rings = [ring for ring in rings if seen_as_crater(look, ring) and not _covered(ring, hidden)]
    # A hole in a crater is the crater's pinhole.
    holes_and_specks = [spot for spot in spots(look, toes) if not _covered(spot, [*hidden, *rings])]
    grooves = [one for one in undercut(face) if seen_as_groove(look, toes, one) and not _covered(one, hidden)]
    return sorted([*sugared, *burnt, *uneven, *rings, *holes_and_specks, *grooves], key=lambda fault: fault.s_mm)


def _covered(fault: Fault, others: list[Fault]) -> bool:
    """Whether the middle of a fault lies along another one."""
    return any(abs(fault.s_mm - o.s_mm) < o.size_mm / 2 + 0.4 for o in others)
