"""Keeping a returned mark as a reference for markers, and letting it go."""

from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotFound, WrongState, said
from judicum.core.marking import MAX_NEXT
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import instructor_of
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.marking.models import Reference


@transaction.atomic
def save_reference(user: User, attempt_id: int, comment: str, at: datetime | None = None) -> Reference:
    """Keep an attempt's returned mark as a reference; kept again, it has the new comment.

    Raises:
        InvalidValue: no comment or one that is too long. WrongState: not returned.
        NotFound, NotAllowed: not the course's instructor.
    """
    text = comment.strip()
    if not 1 <= len(text) <= MAX_NEXT:
        raise InvalidValue("comment", comment, said("allowed-1-to-characters", most=MAX_NEXT))
    attempt = held_as_staff(user, attempt_id)
    instructor_of(user, attempt.course_id)
    if attempt.state != AttemptState.RETURNED:
        raise WrongState(said("refused-a-reference-is-a-returned-mark"))
    Reference.objects.filter(attempt=attempt, released_at=None).update(released_at=at or timezone.now())
    return Reference.objects.create(attempt=attempt, comment=text, kept_by=user, kept_at=at or timezone.now())


@transaction.atomic
def release_reference(user: User, attempt_id: int, at: datetime | None = None) -> None:
    """Let a reference go; tests that were made with it stay.

    Raises:
        NotFound: no reference. NotFound, NotAllowed: not the course's instructor.
    """
    attempt = held_as_staff(user, attempt_id)
    instructor_of(user, attempt.course_id)
    if not Reference.objects.filter(attempt=attempt, released_at=None).update(released_at=at or timezone.now()):
        raise NotFound(said("refused-attempt-is-no-reference", attempt_id=attempt_id))
