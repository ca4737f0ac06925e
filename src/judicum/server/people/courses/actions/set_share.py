"""Shares of a course that the lot decides by: marks that get a second marker, attempts that are asked for callipered widths."""

from typing import Literal

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of


@transaction.atomic
def set_share(user: User, course_id: int, column: Literal["second_share", "calliper_share"], share: int) -> Course:
    """Set one of them, in percent.

    Raises:
        InvalidValue: outside 0 to 100. NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    if not 0 <= share <= 100:
        raise InvalidValue("share", share, said("allowed-0-to-100-percent"))
    setattr(course, column, share)
    course.save(update_fields=[column])
    return course
