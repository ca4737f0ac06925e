"""The setup card of an assigned coupon, and a logged run beside it."""

from collections.abc import Mapping, Sequence
from typing import Any

from judicum.core.choices import CHOICES
from judicum.core.joints import JOINTS
from judicum.core.setup import RUN, Card, Checked, check_setup, checklist, plan_card, read_coupon
from judicum.core.setup.gas import cup
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.courses.models import Course

CARD_METHODS = ("cup_school", "flow_school", "run_order", "seams", "purge_tacks", "electrode_school")
"""Methods that move the card as they stand."""


def coupon_of(assignment: Assignment, run: Mapping[str, object] | None = None) -> dict[str, Any]:
    """The coupon that the core plans for an assignment by its course's schools; its gas as the maker of the cup says, where the
    course's stock knows.

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
    if course.cup_flows and "cup_flow_l_min" not in coupon:
        coupon["cup_flow_l_min"] = course.cup_flows.get(f"{cup(read_coupon(coupon)).number:g}")
    return coupon


def schools_of(course: Course) -> dict[str, Any]:
    """What of the course's methods the setup card asks for."""
    found = {key: getattr(course, key) for key in ("pedal_school", "start_school", *CARD_METHODS)}
    if course.gas_part_school != CHOICES["gas_part"].codes[0]:
        found["gas_part"] = course.gas_part_school
    if course.dabs_school.isdigit():
        found["dabs_per_run"] = int(course.dabs_school)
    return found


def purged(course: Course, joint: str, finish: str) -> bool | None:
    """Whether tube is purged by the course's method; None leaves it to the card's own rule."""
    kind = JOINTS[joint]
    if course.purge_school == "always":
        return None
    if course.purge_school == "butts":
        return kind.root_shows
    return kind.always_purged or (course.purge_school == "root" and finish == "bright")


def card_for(assignment: Assignment) -> Card:
    """The setup card of an assignment."""
    return plan_card(coupon_of(assignment))


def checklist_for(assignment: Assignment) -> list[str]:
    """What is prepared before the arc."""
    return checklist(read_coupon(coupon_of(assignment)))


def check_for(assignment: Assignment, run: Mapping[str, object]) -> Checked:
    """What of a logged run lies off the card.

    Raises:
        InvalidValues: a figure that is none of sense.
    """
    return check_setup({"coupon": coupon_of(assignment, run), "used": logged_of(run)})


def logged_of(run: Mapping[str, object]) -> dict[str, Any]:
    """What was really logged of a run, as the core reads it: no empty fields, and no alloy where there was no filler; what the
    machine's own log says counts before what was typed."""
    used = {key: run[key] for key in RUN.keys if run.get(key) not in (None, "", [])} | measured_by_machine(run)
    if used.get("filler_alloy") == "none":
        del used["filler_alloy"]
    return used


def measured_by_machine(run: Mapping[str, object]) -> dict[str, float]:
    """What of a run its machine's data log says, by the run's keys; nothing where there is none."""
    machine: Any = run.get("machine") or {}
    found = {**machine, **(machine.get("pulse") or {})}
    return {key: float(found[key]) for key in RUN.keys if found.get(key) is not None}


def worst_check(assignment: Assignment, runs: Sequence[Mapping[str, object]]) -> Checked | None:
    """Of several runs, the one that lies furthest off the card; None where nothing was logged."""
    checks = [check_for(assignment, run) for run in runs]
    return max(checks, key=lambda c: (len(c.deviations), len(c.warnings)), default=None)
