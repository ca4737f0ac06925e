"""Taking one's own return or answer back within a few seconds."""

from datetime import datetime, timedelta

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import WrongState, said
from judicum.core.marking import UNDO_S
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.answer import ANSWERS
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptState, AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.marking.models import Mark

ON_THE_WAY = timedelta(seconds=5)
"""What is let pass beside the time that is offered: the call may come late from a slow line."""
UNDONE = (AttemptStep.RETURN, *ANSWERS.values())


@transaction.atomic
def take_back(user: User, attempt_id: int, at: datetime | None = None) -> Attempt:
    """Take one's own return or answer back, within UNDO_S of giving it; the attempt is where it was before.

    Raises:
        WrongState: nothing to take back, too late, or somebody has done something since.
        NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    last = attempt.events.order_by("-at", "-id").first()
    now = at or timezone.now()
    mine = last is not None and last.kind in UNDONE and last.actor_id == user.pk
    if last is None or not mine or now - last.at > timedelta(seconds=UNDO_S) + ON_THE_WAY:
        raise WrongState(said("refused-only-your-own-return-or-answer", undo_s=UNDO_S))
    attempt.answer = ""
    attempt.save(update_fields=["answer"])
    advance(attempt, AttemptStep.TAKE_BACK, user, at, to=AttemptState(last.data["from"]))
    Mark.objects.filter(attempt=attempt).update(returned_at=None)
    return attempt
