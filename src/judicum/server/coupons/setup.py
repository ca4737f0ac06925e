"""The setup card of an assigned coupon, and a logged run beside it."""

from collections.abc import Mapping, Sequence
from typing import Any

from judicum.core.setup import check_setup, checklist, plan_card, read_coupon
from judicum.server.coupons.models import Assignment
from judicum.server.courses.models import Course

COMPARED = (
    "current_a", "machine_a", "polarity", "cup", "gas_part", "gas_l_min", "stickout_mm", "electrode_mm", "filler_mm",
    "preflow_s", "downslope_s", "postflow_s", "work_angle_deg", "travel_angle_deg", "travel_mm_s",
)  # fmt: skip
"""Fields of a run that the card has something to say about; alloys are compared apart."""


def coupon_of(assignment: Assignment, run: Mapping[str, Any] | None = None) -> dict[str, Any]:
    """The coupon that the core plans for an assignment by its course's schools.

    Technique and pass are those really used, once a run is logged.
    """
    design, course = assignment.design, assignment.course
    coupon: dict[str, Any] = {
        "metal": design.metal, "joint": design.joint, "thickness_mm": design.thickness_mm, "position": design.position,
        "technique": design.technique, "target_width_mm": assignment.target_width_mm,
        "finish": assignment.finish,
        **schools_of(course), **design.more,
    }  # fmt: skip
    if design.tube_od_mm is not None:
        coupon |= {"tube_od_mm": design.tube_od_mm, "form": "tube"}
        coupon.setdefault("purge", purged(course, design.joint, assignment.finish))
    for key, column in (("technique", "technique"), ("pass", "pass_number")):
        if run and run.get(column):
            coupon[key] = run[column]
    return coupon


def schools_of(course: Course) -> dict[str, str]:
    """What of the course's schools the setup card asks for."""
    return {"pedal_school": course.pedal_school, "start_school": course.start_school}


def purged(course: Course, joint: str, finish: str) -> bool | None:
    """Whether tube is purged by the course's school; None leaves it to the card's own rule."""
    if course.purge_school == "always":
        return None
    return finish == "bright" or joint == "turntable"


def card_for(assignment: Assignment) -> dict[str, Any]:
    """The setup card of an assignment."""
    return plan_card(coupon_of(assignment))


def checklist_for(assignment: Assignment) -> list[str]:
    """What is prepared before the arc."""
    return checklist(read_coupon(coupon_of(assignment)))


def check_for(assignment: Assignment, run: Mapping[str, Any]) -> dict[str, Any]:
    """What of a logged run lies off the card.

    Raises:
        InvalidValue: a figure that is none of sense.
    """
    used = {key: run[key] for key in COMPARED if run.get(key) is not None}
    if run.get("filler_alloy") not in (None, "", "none"):
        used["filler_alloy"] = run["filler_alloy"]
    return check_setup({"coupon": coupon_of(assignment, run), "used": used})


def worst_check(assignment: Assignment, runs: Sequence[Mapping[str, Any]]) -> dict[str, Any] | None:
    """Of several runs, the one that lies furthest off the card; None where nothing was logged."""
    checks = [check_for(assignment, run) for run in runs]
    return max(checks, key=lambda c: (len(c["deviations"]), len(c["warnings"])), default=None)
