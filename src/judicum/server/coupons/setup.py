"""The setup card of an assigned coupon, and a logged run beside it."""

from typing import Any

from judicum.core.setup import check_setup, plan_card
from judicum.server.coupons.models import Assignment

COMPARED = (
    "current_a", "machine_a", "polarity", "cup", "gas_part", "gas_l_min", "stickout_mm", "electrode_mm", "filler_mm",
    "preflow_s", "downslope_s", "postflow_s", "work_angle_deg", "travel_angle_deg", "travel_mm_s",
)  # fmt: skip
"""Fields of a run that the card has something to say about; alloys are compared apart."""


def coupon_of(assignment: Assignment, run: dict[str, Any] | None = None) -> dict[str, Any]:
    """The coupon that the core plans for; the technique is the one that was really used, once logged."""
    design = assignment.design
    coupon: dict[str, Any] = {
        "metal": design.metal, "joint": design.joint, "thickness_mm": design.thickness_mm,
        "target_width_mm": assignment.target_width_mm, "finish": assignment.finish,
    }  # fmt: skip
    coupon |= {"position": design.position, "technique": design.technique}
    if design.tube_od_mm is not None:
        coupon |= {"tube_od_mm": design.tube_od_mm, "form": "tube"}
    if run and run.get("technique"):
        coupon["technique"] = run["technique"]
    return coupon


def card_for(assignment: Assignment) -> dict[str, Any]:
    """The setup card of an assignment."""
    return plan_card(coupon_of(assignment))


def check_for(assignment: Assignment, run: dict[str, Any] | None) -> dict[str, Any] | None:
    """What of a logged run lies off the card; None where nothing was logged."""
    if not run:
        return None
    used = {key: run[key] for key in COMPARED if run.get(key) is not None}
    if run.get("filler_alloy") not in (None, "", "none"):
        used["filler_alloy"] = run["filler_alloy"]
    return check_setup({"coupon": coupon_of(assignment, run), "used": used})
