"""All faults of a bead, each place told once."""

from judicum.core.photo.close import CloseLook
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.defects.spots import spots
from judicum.core.photo.defects.stretches import sugar, undercut, uneven_width
from judicum.core.photo.toes import Toes


def find_defects(look: CloseLook, toes: Toes) -> list[Fault]:
    """Faults of a bead in the order of s.

    Under sugar, a hole or a missing stretch nothing else is told: what is seen there belongs to it.
    """
    sugared, uneven, found = sugar(look, toes), uneven_width(toes), spots(look, toes)
    burnt = [f for f in found if f.kind == "burn_through"]
    gaps = [f for f in uneven if f.kind == "gap" and not _covered(f, burnt)]
    hidden = [*sugared, *gaps, *burnt]
    small = [f for f in [*found, *undercut(look, toes)] if f.kind == "burn_through" or not _covered(f, hidden)]
    bulges = [f for f in uneven if f.kind == "bulge" and not _covered(f, burnt)]
    return sorted([*sugared, *gaps, *bulges, *small], key=lambda f: f.s_mm)


def _covered(fault: Fault, others: list[Fault]) -> bool:
    """Whether the middle of a fault lies along another one."""
    return any(abs(fault.s_mm - o.s_mm) < o.size_mm / 2 + 0.4 for o in others)
