"""Logging what was set for a run."""

from collections.abc import Mapping
from datetime import datetime

from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.core.setup import check_run
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.queries import held_as_staff, held_own
from judicum.server.record.attempts.signals import consumption_changed
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance

MAX_RUNS = 40


@transaction.atomic
def log_run(
    user: User, attempt_id: int, values: Mapping[str, object], at: datetime | None = None, number: int = 1
) -> Attempt:
    """Save one run of one's own attempt; a later save replaces it and the log keeps what changed.

    Args:
        number: which run of the attempt, 1 for the first; at most one more than there are.

    Raises:
        InvalidValues: every field outside what is possible. InvalidValue: a run number out of turn.
        WrongState: already marked. NotFound, NotAllowed: not one's own attempt.
    """
    return _log(held_own(user, attempt_id), user, values, at, number)


@transaction.atomic
def log_for(
    user: User, attempt_id: int, values: Mapping[str, object], at: datetime | None = None, number: int = 1
) -> Attempt:
    """Save one run of a student's attempt in their stead, as from their notebook; the log says who did.

    Raises:
        InvalidValues, InvalidValue, WrongState: as `log_run`. NotFound, NotAllowed: not a course one teaches.
    """
    return _log(held_as_staff(user, attempt_id), user, values, at, number)


def _log(attempt: Attempt, user: User, values: Mapping[str, object], at: datetime | None, number: int) -> Attempt:
    clean = check_run(values).as_columns()
    most = min(Run.objects.filter(attempt=attempt).count() + 1, MAX_RUNS)
    if not 1 <= number <= most:
        raise InvalidValue("number", number, said("allowed-1-to", most=most))
    before = Run.objects.filter(attempt=attempt, number=number).values(*clean).first() or {}
    changed = {key: [before.get(key), value] for key, value in clean.items() if before.get(key) != value}
    advance(attempt, AttemptStep.LOG, user, at, changed=changed, run=number)
    run, _ = Run.objects.update_or_create(attempt=attempt, number=number, defaults=clean)
    # A figure that was read off a photo and is typed over is no longer measured.
    if still := [key for key in run.measured if key in changed]:
        run.measured = [key for key in run.measured if key not in still]
        run.save(update_fields=["measured"])
    consumption_changed.send(Attempt, attempt=attempt)
    return attempt
