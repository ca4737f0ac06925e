"""Opening a fresh attempt."""

from datetime import datetime

from django.db import transaction
from django.db.models import Max
from django.utils import timezone

from judicum.core.errors import NotAllowed, WrongState
from judicum.server.accounts.models import User
from judicum.server.attempts.models import Attempt
from judicum.server.attempts.states import State, Step
from judicum.server.coupons.models import Assignment


def open_attempt(assignment: Assignment, student: User, by: User, at: datetime | None = None) -> Attempt:
    """Open the student's next attempt at an assignment."""
    at = at or timezone.now()
    last = Attempt.objects.filter(assignment=assignment, student=student).aggregate(last=Max("number"))["last"] or 0
    attempt = Attempt.objects.create(
        assignment=assignment, student=student, number=last + 1, created_at=at, updated_at=at
    )
    attempt.events.create(kind=Step.OPEN, actor=by, at=at, data={"to": State.ASSIGNED})
    return attempt


@transaction.atomic
def weld_another(user: User, assignment: Assignment) -> Attempt:
    """Open the next attempt for oneself; one that has not been welded yet must be used first.

    Raises:
        NotAllowed: the assignment was not given to this student.
        WrongState: an attempt is still waiting to be welded.
    """
    mine = list(Attempt.objects.select_for_update().filter(assignment=assignment, student=user).order_by("number"))
    if not mine:
        raise NotAllowed("This coupon was not given to you.")
    if mine[-1].state == State.ASSIGNED:
        raise WrongState(f"Attempt {mine[-1].number} has not been welded yet; log that one first.")
    return open_attempt(assignment, user, by=user)
