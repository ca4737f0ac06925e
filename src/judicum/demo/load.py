"""The demo course at once: its people, its coupons, nothing welded yet. `fill` does the rest while one watches."""

from datetime import datetime, time, timedelta
from typing import Any

from django.db import transaction
from django.utils import timezone

from judicum.demo.drawing import Weld
from judicum.demo.scenario import PASSWORD
from judicum.server.catalogue.coupons.library import load_library
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.roles import Role
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.marking.actions.save_phrases import save_phrases

EVENING = time(18, 30)


@transaction.atomic
def load(story: dict[str, Any]) -> Course:
    """Make the demo course with everything but its attempts: all of it or nothing."""
    load_library()
    workshop = Workshop.objects.create(name=story["workshop"])
    course = Course.objects.create(
        workshop=workshop, name=story["course"]["name"], join_code=story["course"]["join_code"]
    )
    staff = [_person(p, course, p["role"]) for p in story["staff"]]
    for one in story["students"]:
        _person(one, course, Role.STUDENT)
    save_phrases(staff[0], story["phrases"])
    begin = begin_of(course, story)
    for given in story["assignments"]:
        design = Design.objects.get(code=given["design"], version=1)
        assign_coupon(
            staff[0],
            course.pk,
            design_id=design.pk,
            good_in_a_row=given["good_in_a_row"],
            finish=given["finish"],
            target_width_mm=design.target_width_mm,
            scheme=given["scheme"],
            due_on=(begin + timedelta(weeks=given["due_week"])).date(),
            at=begin + timedelta(weeks=given["week"]),
        )
    course.filling = {"done": 0, "total": len(plans(story))}
    course.save(update_fields=["filling"])
    return course


def begin_of(course: Course, story: dict[str, Any]) -> datetime:
    """The first session: as many weeks before the course was made as it lasts."""
    day = timezone.localtime(course.created_at).date() - timedelta(weeks=story["course"]["weeks"])
    return datetime.combine(day, EVENING, tzinfo=timezone.get_current_timezone())


def plans(story: dict[str, Any]) -> list[Weld]:
    """Every attempt of the scenario, in the order of time."""
    designs = {d.code: d for d in Design.objects.filter(version=1)}
    made = []
    for k, given in enumerate(story["assignments"]):
        design = designs[given["design"]]
        for number in range(1, given["attempts"] + 1):
            week = _week(given, number)
            share = week / story["course"]["weeks"]
            made += [
                Weld(i, k, number, week, share, design.target_width_mm, design.joint, design.technique == "fuse")
                for i in range(len(story["students"]))
            ]
    return made


def _week(given: dict[str, Any], number: int) -> float:
    return float(given["week"] + (number - 0.5) * (given["due_week"] - given["week"]) / given["attempts"])


def assignments_of(course: Course) -> list[Assignment]:
    """The course's assignments in the order they were given."""
    return list(Assignment.objects.filter(course=course).select_related("design", "course").order_by("id"))


def _person(story: dict[str, Any], course: Course, role: str) -> User:
    user = User.objects.create_user(
        story["username"], PASSWORD, story["name"], workshop=course.workshop, owns=story.get("owns", False)
    )
    Membership.objects.create(course=course, user=user, role=role)
    return user
