"""Joining a course with its code."""

from typing import Any

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, said
from judicum.server.people.accounts.actions.make_account import make_account
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.codes import meant
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.roles import Role


def units_of(course: Course) -> dict[str, Any]:
    """The units that a newcomer of the course sees until they switch."""
    return {"length_unit": "thou", "flow_unit": "cfh"} if course.unit_system == "us" else {}


def find_course(code: str) -> Course:
    """The course with this join code, capitals or not, held until the transaction ends.

    Raises:
        InvalidValue: no course has it, or it lets nobody in any more.
    """
    rows = Course.objects.select_for_update().filter(join_code__in=[meant(code), code.strip().upper()])
    course = rows.first()
    if course is None:
        raise InvalidValue("code", code, said("allowed-the-code-on-your-course-sheet"))
    if (
        course.archived_at is not None
        or course.join_left == 0
        or (course.join_until is not None and course.join_until <= timezone.now())
    ):
        raise InvalidValue("code", code, said("allowed-a-code-that-still-lets-people"))
    return course


def _joined(course: Course) -> None:
    """One less may join, where that is counted."""
    if course.join_left is not None:
        Course.objects.filter(pk=course.pk).update(join_left=course.join_left - 1)


@transaction.atomic
def join_course(user: User, code: str) -> Membership:
    """Make a person a student of the course; somebody already in it keeps their role.

    Raises:
        InvalidValue: no such code, or the course of another workshop.
    """
    course = find_course(code)
    if course.workshop_id != user.workshop_id:
        raise InvalidValue("code", code, said("allowed-a-code-of-your-own-workshop"))
    member, new = Membership.objects.get_or_create(course=course, user=user, defaults={"role": Role.STUDENT})
    if new:
        _joined(course)
    return member


@transaction.atomic
def register_and_join(code: str, username: str, display_name: str, password: str) -> User:
    """Create a person and make them a student of the course; nothing is created when any part is refused.

    Raises:
        InvalidValue: unknown code, a name that is none, or is taken or looks like one that is. InvalidValues: a password that is too weak.
    """
    course = find_course(code)
    user = make_account(course.workshop, username, display_name, password, **units_of(course))
    Membership.objects.create(course=course, user=user, role=Role.STUDENT)
    _joined(course)
    return user
