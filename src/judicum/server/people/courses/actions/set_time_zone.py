"""Where a course meets: the time zone its clocks show."""

from zoneinfo import available_timezones

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of


@transaction.atomic
def set_time_zone(user: User, course_id: int, time_zone: str) -> Course:
    """Set the time zone of a course; its sessions keep their clock.

    Raises:
        InvalidValue: no time zone of the IANA database. NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    if time_zone not in available_timezones():
        raise InvalidValue("time_zone", time_zone, said("allowed-a-name-of-the-iana-time"))
    course.time_zone = time_zone
    course.save(update_fields=["time_zone"])
    return course
