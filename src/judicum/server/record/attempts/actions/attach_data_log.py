"""Keeping what the machine did beside what was typed of a run."""

from dataclasses import asdict
from datetime import datetime
from typing import Any

import numpy as np
from django.db import transaction
from django.utils import timezone

from judicum.core.datalog import DataLog, figures_of
from judicum.core.datalog.read import thinned
from judicum.core.errors import InvalidValue, NotFound, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt, MachineLog, Run
from judicum.server.record.attempts.queries import attempt_for, held_as_staff, held_own
from judicum.server.record.attempts.signals import consumption_changed
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance

MAX_POINTS = 800
"""Points of the current that are kept to be drawn: more than a screen is wide in strips."""
MAX_NAME = 200


@transaction.atomic
def attach_data_log(
    user: User, attempt_id: int, number: int, log: DataLog, name: str = "", at: datetime | None = None
) -> Attempt:
    """Keep a log with a run of one's own attempt, or of one in a course one teaches; it takes the place of the one before.

    Raises:
        InvalidValue: no arc in it. NotFound: not visible, or no such run. NotAllowed, WrongState: as `log_run`.
    """
    found = figures_of(log)
    if found is None:
        raise InvalidValue("log", name[:MAX_NAME], said("allowed-log-with-arc"))
    own = attempt_for(user, attempt_id).student_id == user.pk
    attempt = held_own(user, attempt_id) if own else held_as_staff(user, attempt_id)
    run = Run.objects.filter(attempt=attempt, number=number).first()
    if run is None:
        raise NotFound(said("refused-no-such-run", number=number))
    run.machine = asdict(found)
    run.save(update_fields=["machine"])
    advance(attempt, AttemptStep.LOG, user, at, changed={"machine": [None, name[:MAX_NAME]]}, run=number)
    MachineLog.objects.update_or_create(
        run=run,
        defaults={
            "name": name[:MAX_NAME],
            "series": _series(log, found.from_s, found.to_s),
            "sent_by": user,
            "sent_at": at or timezone.now(),
        },
    )
    consumption_changed.send(Attempt, attempt=attempt)
    return attempt


def _series(log: DataLog, begin: float, end: float) -> dict[str, Any]:
    """The current of the weld to be drawn: where (0–1 of its time) and how much (A)."""
    within = slice(*np.searchsorted(log.time_s, (begin, end)))
    time, current = thinned(log.time_s[within], [log.current_a[within]], MAX_POINTS)
    lasted = max(end - begin, 1e-9)
    return {
        "share": [round(float(one), 4) for one in (time - begin) / lasted],
        "current_a": [round(float(one), 1) for one in current],
    }
