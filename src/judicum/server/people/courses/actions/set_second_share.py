"""How many marks of a course go to a blind second marker."""

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of


@transaction.atomic
def set_second_share(user: User, course_id: int, share: int) -> Course:
    """Set the share (percent) of marks that the lot gives to a second marker.

    Raises:
        InvalidValue: outside 0 to 100. NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    if not 0 <= share <= 100:
        raise InvalidValue("share", share, said("allowed-0-to-100-percent"))
    course.second_share = share
    course.save(update_fields=["second_share"])
    return course
