"""Logging what was set for a run."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from django.db import transaction

from judicum.core.setup import check_run
from judicum.server.accounts.models import User
from judicum.server.attempts.models import Attempt, Run
from judicum.server.attempts.queries import held_own
from judicum.server.attempts.states import Step, advance


@transaction.atomic
def log_run(user: User, attempt_id: int, values: Mapping[str, Any], at: datetime | None = None) -> Attempt:
    """Save the run of one's own attempt; a later save replaces it and the log keeps what changed.

    Raises:
        InvalidValues: every field outside what is possible. WrongState: already marked.
        NotFound, NotAllowed: not one's own attempt.
    """
    clean = check_run(values)
    attempt = held_own(user, attempt_id)
    before = Run.objects.filter(attempt=attempt).values(*clean).first() or {}
    changed = {key: [before.get(key), value] for key, value in clean.items() if before.get(key) != value}
    advance(attempt, Step.LOG, user, at, changed=changed)
    Run.objects.update_or_create(attempt=attempt, defaults=clean)
    return attempt
