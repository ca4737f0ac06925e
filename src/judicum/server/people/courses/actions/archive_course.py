"""Ending a course: archived, it is read and reported, and nothing of it changes any more."""

from django.db import transaction
from django.utils import timezone

from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of


@transaction.atomic
def archive_course(user: User, course_id: int, archived: bool) -> Course:
    """Archive a course, or open it again; its join code lets nobody in while it is archived.

    Raises:
        NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    if archived != (course.archived_at is not None):
        course.archived_at = timezone.now() if archived else None
        course.save(update_fields=["archived_at"])
    return course
