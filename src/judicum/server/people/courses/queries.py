"""Reading courses, always for a person: what they may not see does not exist."""

from django.db.models import QuerySet

from judicum.core.errors import NotAllowed, NotFound, said
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.roles import STAFF, Role


def membership_of(user: User, course_id: int) -> Membership:
    """The person's membership.

    Raises:
        NotFound: no such course, or the person is not in it.
    """
    found = Membership.objects.select_related("course").filter(user=user, course_id=course_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-course-that-you", course_id=course_id))
    return found


def staff_of(user: User, course_id: int) -> Membership:
    """The person's membership as instructor or assistant.

    Raises:
        NotFound: not in the course. NotAllowed: in it as a student.
    """
    found = membership_of(user, course_id)
    if found.role not in STAFF:
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants"))
    return found


def instructor_of(user: User, course_id: int) -> Membership:
    """The person's membership as instructor.

    Raises:
        NotFound: not in the course. NotAllowed: in it with another role.
    """
    found = membership_of(user, course_id)
    if found.role != Role.INSTRUCTOR:
        raise NotAllowed(said("refused-only-the-courses-instructor-may-do"))
    return found


def course_in(workshop: Workshop, course_id: int) -> Course:
    """A course of a workshop. Raises NotFound."""
    found = Course.objects.filter(workshop=workshop, pk=course_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-course-in-your", course_id=course_id))
    return found


def members(course_id: int, role: str | None = None) -> QuerySet[Membership]:
    """Members of a course by name, optionally of one role."""
    found = Membership.objects.filter(course_id=course_id).select_related("user").order_by("user__display_name", "id")
    return found.filter(role=role) if role else found


def may_make_courses(user: User) -> bool:
    """Owners of the workshop, and whoever is instructor of one of its courses."""
    return user.owns or Membership.objects.filter(user=user, role=Role.INSTRUCTOR).exists()
