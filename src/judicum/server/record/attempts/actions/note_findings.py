"""Findings by hand of those who teach: what no photo shows."""

from datetime import datetime

from django.db import transaction

from judicum.core.errors import InvalidValue, refuse_all, some_of
from judicum.core.marking import asked_for, check_findings
from judicum.core.setup import read_coupon
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import coupon_of
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance


def findings_asked_for(assignment: Assignment) -> tuple[str, ...]:
    """Keys of the findings that an assignment's coupon calls for."""
    return asked_for(read_coupon(coupon_of(assignment)))


@transaction.atomic
def note_findings(user: User, attempt_id: int, values: object, at: datetime | None = None) -> Attempt:
    """Keep the findings by hand of an attempt; what is left out or null is not found out.

    Raises:
        InvalidValues: a figure outside its limits, or one that this coupon does not call for.
        WrongState: no photo yet, or returned. NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    clean = {key: value for key, value in check_findings(values).items() if value is not None}
    asked = findings_asked_for(attempt.assignment)
    refuse_all([InvalidValue(key, clean[key], some_of(asked)) for key in clean if key not in asked])
    changed = {k: [attempt.by_hand.get(k), clean.get(k)] for k in asked if attempt.by_hand.get(k) != clean.get(k)}
    attempt.by_hand = clean
    attempt.save(update_fields=["by_hand"])
    advance(attempt, AttemptStep.FIND, user, at, changed=changed)
    return attempt
