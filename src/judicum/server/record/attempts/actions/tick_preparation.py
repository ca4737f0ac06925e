"""Ticking what was prepared before the arc."""

from collections.abc import Sequence
from datetime import datetime

from django.db import transaction

from judicum.core.errors import InvalidValue, one_of
from judicum.server.catalogue.coupons.setup import checklist_for
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_own
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance


@transaction.atomic
def tick_preparation(user: User, attempt_id: int, done: Sequence[str], at: datetime | None = None) -> Attempt:
    """Keep which steps of the checklist the student ticked; what was skipped stays visible to the marker.

    Raises:
        InvalidValue: a step that the coupon's checklist does not have. WrongState: already marked.
        NotFound, NotAllowed: not one's own attempt.
    """
    attempt = held_own(user, attempt_id)
    steps = checklist_for(attempt.assignment)
    unknown = [step for step in done if step not in steps]
    if unknown:
        raise InvalidValue("prepared", unknown[0], one_of(steps))
    attempt.prepared = [step for step in steps if step in done]
    attempt.save(update_fields=["prepared"])
    advance(attempt, AttemptStep.PREPARE, user, at, prepared=attempt.prepared)
    return attempt
