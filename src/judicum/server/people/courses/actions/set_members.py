"""Who takes part in a course: roles given and taken, the join code, a forgotten password."""

from datetime import datetime

from django.db import transaction
from django.db.models import Q
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotAllowed, NotFound, WrongState, one_of, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.codes import fresh_code
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import instructor_of
from judicum.server.people.roles import Role

MAX_TO_JOIN = 1000


def _member(user: User, course_id: int, member_id: int) -> Membership:
    """A member of a course whose instructor one is, held until the transaction ends."""
    course = instructor_of(user, course_id).course
    rows = Membership.objects.select_for_update(of=("self",)).select_related("user")
    found = rows.filter(course=course, pk=member_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-member-in-this", member_id=member_id))
    return found


def _check_one_instructor(member: Membership) -> None:
    others = Membership.objects.filter(course_id=member.course_id, role=Role.INSTRUCTOR).exclude(pk=member.pk)
    if member.role == Role.INSTRUCTOR and not others.exists():
        raise WrongState(said("refused-a-course-keeps-one-instructor-make"))


@transaction.atomic
def set_role(user: User, course_id: int, member_id: int, role: str) -> Membership:
    """Give a member another role.

    Raises:
        InvalidValue: no role. WrongState: the last instructor. NotFound, NotAllowed: not the course's instructor, no such member.
    """
    member = _member(user, course_id, member_id)
    if role not in Role.values:
        raise InvalidValue("role", role, one_of(Role.values))
    if role != Role.INSTRUCTOR:
        _check_one_instructor(member)
    member.role = role
    member.save(update_fields=["role"])
    return member


@transaction.atomic
def remove_member(user: User, course_id: int, member_id: int) -> None:
    """Take somebody out of a course; what they welded or marked stays in its records.

    Raises:
        WrongState: the last instructor. NotFound, NotAllowed: not the course's instructor, no such member.
    """
    member = _member(user, course_id, member_id)
    _check_one_instructor(member)
    member.delete()


@transaction.atomic
def set_join_code(
    user: User, course_id: int, renew: bool = False, left: int | None = None, until: datetime | None = None
) -> Course:
    """Say how many more may join (None: any number, 0: nobody) and until when; `renew` ends the old code.

    Raises:
        InvalidValue: a number that is none, a time that is over. NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    if left is not None and not 0 <= left <= MAX_TO_JOIN:
        raise InvalidValue("left", left, said("allowed-0-to-or-nothing-for-any", most=MAX_TO_JOIN))
    if until is not None and until <= timezone.now():
        raise InvalidValue("until", until.isoformat(timespec="minutes"), said("allowed-a-time-to-come-or-nothing"))
    course.join_left, course.join_until = left, until
    if renew:
        course.join_code = fresh_code()
    course.save(update_fields=["join_left", "join_until", "join_code"])
    return course


@transaction.atomic
def may_reset(user: User, course_id: int, member_id: int) -> User:
    """A member who may be handed a link for a new password.

    Raises:
        NotAllowed: oneself, an instructor or owner of the workshop, or somebody who is, or has welded, in a course too that one is
            not instructor of: an owner helps them, or they themselves by mail.
        NotFound: not the course's instructor, no such member.
    """
    found = _member(user, course_id, member_id)
    mine = Membership.objects.filter(user=user, role=Role.INSTRUCTOR).values("course_id")
    theirs = Membership.objects.filter(user=found.user)
    elsewhere = Q(memberships__user=found.user) | Q(assignments__attempts__student=found.user)
    if (
        found.user.owns
        or found.user_id == user.pk
        or theirs.filter(role=Role.INSTRUCTOR).exists()
        or Course.objects.exclude(pk__in=mine).filter(elsewhere).exists()
    ):
        raise NotAllowed(said("refused-a-password-is-reset-for-students"))
    return found.user
