"""Taking a step: the one way in which an attempt's state changes."""

from datetime import datetime

from django.utils import timezone

from judicum.core.errors import Named, WrongState, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import STEPS, AttemptState, AttemptStep


def allowed(attempt: Attempt, step: AttemptStep) -> bool:
    """Whether the step may be taken now."""
    return AttemptState(attempt.state) in STEPS[step]


def advance(
    attempt: Attempt,
    step: AttemptStep,
    by: User | None,
    at: datetime | None = None,
    to: AttemptState | None = None,
    moved: bool = True,
    **data: object,
) -> None:
    """Take a step: check it, write the new state (`to` where it depends on more than the state) and add it to the log.

    `moved` False where nobody did anything with the attempt: it keeps its place in what is sorted by change.

    The caller holds the attempt's row (`queries.held`) inside a transaction, so that a step and
    what belongs to it are written together or not at all.

    Raises:
        WrongState: the step cannot be taken in this state.
    """
    if not allowed(attempt, step):
        raise WrongState(
            said("refused-step", step=Named("attempt-step", step.value), state=Named("state", attempt.state))
        )
    before, attempt.state = attempt.state, (to or STEPS[step][AttemptState(attempt.state)]).value
    attempt.version += 1
    now = at or timezone.now()
    attempt.updated_at = now if moved else attempt.updated_at
    attempt.save(update_fields=["state", "version", "updated_at"])
    attempt.events.create(kind=step.value, actor=by, at=now, data={"from": before, "to": attempt.state, **data})
