"""Taking a step: the one way in which an attempt's state changes."""

from datetime import datetime

from django.utils import timezone

from judicum.core.errors import Named, WrongState, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import HELD_BACK, STEPS, UNSEEN, AttemptState, AttemptStep


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
            said("refused-step", step=Named("attempt-step", step.value), state=Named("state", state_for(attempt, by)))
        )
    before, attempt.state = attempt.state, (to or STEPS[step][AttemptState(attempt.state)]).value
    attempt.version += 1
    now = at or timezone.now()
    attempt.updated_at = now if moved else attempt.updated_at
    shown = _show(attempt, step, before)
    attempt.save(update_fields=["state", "version", "updated_at", "shown_state", "shown_version", "shown_at"])
    kept = {"from": before, "to": attempt.state, **({} if shown == (before, attempt.state) else {"shown": shown})}
    attempt.events.create(kind=step.value, actor=by, at=now, data={**kept, **data})


def state_for(attempt: Attempt, person: User | None) -> str:
    """The state to name to a person: to the student who welds it the one they see."""
    return attempt.shown_state if person is not None and person.pk == attempt.student_id else attempt.state


def _show(attempt: Attempt, step: AttemptStep, before: str) -> tuple[str, str]:
    """Let the student see a step that was taken, unless it tells of a mark in the making; their state before and after it.

    A mark that was returned and is changed leaves them with the bead as it was measured.
    """
    shown = attempt.shown_state
    if step in UNSEEN and before != AttemptState.RETURNED:
        return shown, shown
    if attempt.state not in HELD_BACK:
        attempt.shown_state = attempt.state
    elif before not in HELD_BACK:
        attempt.shown_state = AttemptState.MEASURED.value
    else:
        attempt.shown_state = STEPS[step].get(AttemptState(shown), AttemptState(shown)).value
    attempt.shown_version += 1
    attempt.shown_at = attempt.updated_at
    return shown, attempt.shown_state
