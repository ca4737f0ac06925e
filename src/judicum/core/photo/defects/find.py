"""All faults of a face, each place told once."""

from judicum.core.arrays import Floats
from judicum.core.photo.defects.crater import craters
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.defects.holes import spots
from judicum.core.photo.defects.stretches import missing, sugar, undercut, uneven_width


def find_defects(face: Face, wide_s_mm: Floats, wide_width_mm: Floats) -> list[Fault]:
    """Faults of a bead in the order of s.

    Args:
        face: the straightened bead.
        wide_s_mm, wide_width_mm: the width along it as traced with a free hand (`trace.freely`).
    """
    sugared, blind = sugar(face)
    rings = craters(face)
    holes = spots(face, blind)
    long = uneven_width(wide_s_mm, wide_width_mm)
    long += [gap for gap in missing(face, blind) if not _covered(gap, long)]
    hidden = sugared + long + [h for h in holes if h.kind == "burn_through"]
    rings = [c for c in rings if not _covered(c, hidden)]
    small = [
        h
        for h in holes
        if h.kind == "burn_through" or not _covered(h, [*sugared, *rings, *[f for f in long if f.kind == "gap"]])
    ]
    # A hole in a crater is the crater's pinhole.
    grooves = [u for u in undercut(face, blind) if not _covered(u, hidden)]
    return sorted([*sugared, *rings, *small, *grooves, *long], key=lambda f: f.s_mm)


def _covered(fault: Fault, others: list[Fault]) -> bool:
    """Whether the middle of a fault lies within another one."""
    return any(abs(fault.s_mm - o.s_mm) < o.size_mm / 2 + 0.4 and abs(fault.n_mm - o.n_mm) < 6 for o in others)
