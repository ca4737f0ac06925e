"""From which confidence a kind of fault is reported in a course: set where its corrections speak for it, and taken back."""

from django.db import transaction

from judicum.core.errors import InvalidValue, WrongState, one_of, said
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.trust.corrections import kinds_of
from judicum.server.follow.trust.queries import reviewed_of
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of


@transaction.atomic
def set_fault_limit(user: User, course_id: int, kind: str, on: bool) -> Course:
    """Take the limit that the course's corrections speak for, or none; it holds for photos measured from now on.

    Raises:
        InvalidValue: no such kind. WrongState: too few corrections, or they speak for none. NotFound, NotAllowed: not the course's
        instructor.
    """
    course = Course.objects.select_for_update().get(pk=instructor_of(user, course_id).course_id)
    if kind not in FAULT_KINDS:
        raise InvalidValue("kind", kind, one_of(FAULT_KINDS))
    limits = {other: limit for other, limit in course.fault_limits.items() if other != kind}
    if on:
        spoken = {one.kind: one.limit for one in kinds_of(reviewed_of(course))}.get(kind)
        if spoken is None:
            raise WrongState(said("refused-no-limit-spoken-for"))
        limits[kind] = spoken.confidence
    course.fault_limits = limits
    course.save(update_fields=["fault_limits"])
    return course
