"""Choosing a course's schools."""

from collections.abc import Mapping

from django.db import transaction

from judicum.core.choices import METHODS
from judicum.core.setup import check_schools
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of


@transaction.atomic
def set_schools(user: User, course_id: int, given: Mapping[str, object]) -> Course:
    """Change the schools named in `given`; the others stay.

    Raises:
        NotFound, NotAllowed: not the course's instructor. InvalidValues: unknown schools or choices.
    """
    course = instructor_of(user, course_id).course
    chosen = check_schools(given)
    for key, value in chosen.items():
        setattr(course, key, value)
    course.save(update_fields={"methods" if key in METHODS else key for key in chosen})
    return course
