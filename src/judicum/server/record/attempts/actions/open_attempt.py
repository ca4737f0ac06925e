"""Opening a fresh attempt."""

from datetime import datetime

from django.db import transaction
from django.db.models import Max
from django.utils import timezone

from judicum.core.errors import NotAllowed, WrongState, said
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import STAFF
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState, AttemptStep


def open_attempt(assignment: Assignment, student: User, by: User, at: datetime | None = None) -> Attempt:
    """Open the student's next attempt at an assignment."""
    at = at or timezone.now()
    last = Attempt.objects.filter(assignment=assignment, student=student).aggregate(last=Max("number"))["last"] or 0
    attempt = Attempt.objects.create(
        assignment=assignment,
        course_id=assignment.course_id,
        student=student,
        number=last + 1,
        created_at=at,
        updated_at=at,
        shown_at=at,
    )
    attempt.events.create(kind=AttemptStep.OPEN, actor=by, at=at, data={"to": AttemptState.ASSIGNED})
    return attempt


@transaction.atomic
def weld_another(user: User, assignment: Assignment, at: datetime | None = None) -> Attempt:
    """Open the next attempt for oneself; one that has not been welded yet must be used first. Whoever teaches the course may open one
    at any of its coupons, to show how it is welded.

    Raises:
        NotAllowed: the assignment was not given to this student.
        WrongState: an attempt is still waiting to be welded, or was opened by another tap at the same moment.
    """
    # The student's row is held, not the attempts': two taps at once would each hold the ones there and open another.
    User.objects.select_for_update().get(pk=user.pk)
    mine = list(Attempt.objects.filter(assignment=assignment, student=user).order_by("number"))
    if not mine and not Membership.objects.filter(user=user, course_id=assignment.course_id, role__in=STAFF).exists():
        raise NotAllowed(said("refused-this-coupon-was-not-given-to"))
    waiting = next((attempt for attempt in mine if attempt.state == AttemptState.ASSIGNED), None)
    if waiting is not None:
        raise WrongState(said("refused-attempt-has-not-been-welded-yet", number=waiting.number))
    return open_attempt(assignment, user, by=user, at=at)
