"""What the hands do: angles, travel, dab pitch, stick-out, arc length."""

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.record import Angles, Band

TRAVEL_ANGLE_DEG = {"flat": 10, "horizontal": 10, "vertical_up": 20, "overhead": 10}
FLATTEST_PUSH_DEG = 25
FILLER_ANGLE_DEG = 20
"""Degrees to the plate: low enough that its tip stays in the gas."""
WIDE_CUP = 12
SECOND_MESH_CUP = 9
REACHING_CUP = 10
FARTHEST_MM = 20.0
"""Steady hands stand so far out from a number 10 on, with the gas for it."""
WIDE_CUP_STICKOUT_MM = 16.0
"""Aim with a wide cup; behind a narrower one the electrode never sticks out further, however thick it is."""
SECOND_MESH_STICKOUT_MM = 14.0
"""Aim where a second mesh carries the gas of a middling cup farther."""
LONGEST_ARC_MM = 1.6
"""Aim of the arc's length at most: behind a thick electrode, too, a short arc is the better one."""


def bead_width_mm(thickness_mm: float) -> float:
    """Usual bead width on a thickness: 2.4 + 1.1 h for sheet, no wider than that of 3.5 mm.

    >>> round(bead_width_mm(1.5), 2)
    4.05
    """
    return 2.4 + 1.1 * min(thickness_mm, 3.5)


def travel_mm_s(thickness_mm: float) -> float:
    """Usual travel with dabbed filler, mm/s: 2.4 to 2 mm, falling to 1.8 at 4 mm.

    >>> travel_mm_s(1.5), round(travel_mm_s(6.0), 2)
    (2.4, 1.8)
    """
    return 2.4 - 0.3 * min(max(thickness_mm - 2.0, 0.0), 2.0)


def travel(coupon: Coupon) -> Band:
    """Travel range and aim, mm/s."""
    aim = coupon.travel_mm_s or travel_mm_s(coupon.thickness_mm)
    return Band.around(aim, 0.75, 1.3, 2)


def dab_pitch(coupon: Coupon) -> Band | None:
    """Distance between dabs, mm; None where no dabs are made."""
    if coupon.technique != "dab":
        return None
    return Band.around(min(max(1.7 + 0.3 * coupon.thickness_mm, 1.8), 2.6), 0.8, 1.25, 2)


def angles_deg(coupon: Coupon) -> Angles:
    """Work, travel (push) and filler angle, degrees."""
    return Angles(coupon.kind.work_deg, TRAVEL_ANGLE_DEG[coupon.position], FILLER_ANGLE_DEG)


def stickout(coupon: Coupon, electrode_mm: float, cup: float) -> Band:
    """Stick-out range and aim, mm: by electrode in a fillet, by the cup when it is walked or wide.

    Args:
        electrode_mm: diameter, mm. cup: number, sixteenths of an inch of the cup's bore.

    >>> from judicum.core.setup.coupon import read_coupon
    >>> flat = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat", "technique": "walk_cup"}
    >>> stickout(read_coupon(flat), 1.6, 8)
    Band(low=7.6, aim=12.7, high=15.9)
    """
    inside = cup * 25.4 / 16
    if coupon.technique == "walk_cup":
        return Band.around(inside, 0.6, 1.25)
    if cup >= WIDE_CUP:
        return Band(8.0, WIDE_CUP_STICKOUT_MM, 20.0)
    if coupon.gas_part == "double_mesh" and cup >= SECOND_MESH_CUP:
        return Band(8.0, SECOND_MESH_STICKOUT_MM, 18.0)
    farthest = FARTHEST_MM if cup >= REACHING_CUP else 0.0
    if coupon.kind.fillet:
        return Band(
            low=round(2 * electrode_mm, 1),
            aim=round(min(3 * electrode_mm + 2, WIDE_CUP_STICKOUT_MM), 1),
            high=round(max(5 * electrode_mm, 16.0, farthest), 1),
        )
    return Band(
        low=round(2 * electrode_mm, 1),
        aim=round(min(3 * electrode_mm, WIDE_CUP_STICKOUT_MM), 1),
        high=round(max(4 * electrode_mm, 12.0, farthest), 1),
    )


def arc_length(electrode_mm: float) -> Band:
    """Arc length, mm: three quarters of an electrode diameter, no more than one; never more than 1.6 mm is aimed at.

    >>> arc_length(1.6)
    Band(low=0.8, aim=1.2, high=1.6)
    """
    return Band(round(electrode_mm / 2, 2), round(min(0.75 * electrode_mm, LONGEST_ARC_MM), 2), round(electrode_mm, 2))
