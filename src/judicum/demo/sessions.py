"""The demo's sessions ahead: booths, a weekly session, the next two coupons given to everybody, who stands where."""

from collections.abc import Sequence
from datetime import time, timedelta
from typing import Any

from django.utils import timezone

from judicum.server.catalogue.coupons.models import Design
from judicum.server.follow.sessions.actions.make_sessions import make_sessions
from judicum.server.follow.sessions.actions.plan_sessions import plan_rest
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import Booth, WeldedAt
from judicum.server.follow.sessions.queries import today_in
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState


def plan_ahead(staff: Sequence[User], course: Course, scenario: dict[str, Any]) -> None:
    """Make it all once; a fill that went on where another ended finds it there."""
    if Booth.objects.filter(course=course).exists():
        return
    sessions, today = scenario["sessions"], today_in(course)
    start = time.fromisoformat(sessions["start"])
    make_sessions(staff[0], course.pk, today, start, sessions["minutes"], sessions["weeks"])
    for one in sessions["booths"]:
        set_booth(staff[0], course.pk, None, one["name"], one["has"], one.get("broken", ""))
    for code in sessions["given"]:
        design = Design.objects.get(code=code, version=1)
        assign_coupon(
            staff[0], course.pk, design_id=design.pk, target_width_mm=design.target_width_mm, finish=design.finish,
            good_in_a_row=2, due_on=today + timedelta(weeks=sessions["weeks"]),
        )  # fmt: skip
    plan_rest(staff[0], course.pk)
    _some_are_late(staff[0], course, sessions["late"])
    booths = list(Booth.objects.filter(course=course))
    welded = Attempt.objects.filter(course=course).exclude(state=AttemptState.ASSIGNED).order_by("student_id", "number")
    # Everybody has a booth they like, and now and then stands at the one beside it.
    WeldedAt.objects.bulk_create(
        WeldedAt(attempt=one, booth=booths[(one.student_id + one.number // 2) % len(booths)]) for one in welded
    )


def _some_are_late(instructor: User, course: Course, late: dict[str, Any]) -> None:
    """A coupon of some weeks ago, given to a few, that they have not welded."""
    design = Design.objects.get(code=late["design"], version=1)
    they = User.objects.filter(username__in=late["students"], memberships__course=course)
    assign_coupon(
        instructor, course.pk, design_id=design.pk, target_width_mm=design.target_width_mm, finish=design.finish,
        good_in_a_row=2, due_on=today_in(course) - timedelta(days=late["due_days"]),
        student_ids=list(they.values_list("pk", flat=True)),
        at=timezone.now() - timedelta(days=late["given_days"]),
    )  # fmt: skip
