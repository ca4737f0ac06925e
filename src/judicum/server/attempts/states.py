"""The states of an attempt and every step between them: the only place that knows them."""

from datetime import datetime
from typing import Any

from django.db import models
from django.utils import timezone

from judicum.core.errors import WrongState


class State(models.TextChoices):
    ASSIGNED = "assigned"
    LOGGED = "logged"
    PHOTOGRAPHED = "photographed"
    MEASURED = "measured"
    MARKED = "marked"
    RETURNED = "returned"


class Step(models.TextChoices):
    OPEN = "open"
    PREPARE = "prepare"
    LOG = "log"
    ADD_PHOTO = "add_photo"
    ADD_VIEW = "add_view"
    READ_ANGLE = "read_angle"
    MEASURE = "measure"
    REFUSE_PHOTO = "refuse_photo"
    CORRECT = "correct"
    CHOOSE_BEAD = "choose_bead"
    MARK = "mark"
    RETURN = "return"


WAITING = (State.PHOTOGRAPHED, State.MEASURED, State.MARKED)
"""States in which an attempt waits for those who teach: to be marked or to be returned."""
BEFORE_MARK = (State.LOGGED, State.PHOTOGRAPHED, State.MEASURED)

# step -> {state before: state after}
STEPS: dict[Step, dict[State, State]] = {
    Step.PREPARE: {s: s for s in (State.ASSIGNED, *BEFORE_MARK)},
    Step.LOG: {State.ASSIGNED: State.LOGGED} | {s: s for s in BEFORE_MARK},
    Step.ADD_VIEW: {s: s for s in (State.ASSIGNED, *BEFORE_MARK)},
    Step.READ_ANGLE: {s: s for s in BEFORE_MARK},
    Step.ADD_PHOTO: dict.fromkeys(BEFORE_MARK, State.PHOTOGRAPHED),
    # A measurement may end after the mark was set by eye, or be made again: the mark stands.
    Step.MEASURE: {
        State.PHOTOGRAPHED: State.MEASURED,
        State.MEASURED: State.MEASURED,
        State.MARKED: State.MARKED,
        State.RETURNED: State.RETURNED,
    },
    Step.REFUSE_PHOTO: {s: s for s in (State.PHOTOGRAPHED, State.MEASURED, State.MARKED, State.RETURNED)},
    Step.CORRECT: {s: s for s in (State.PHOTOGRAPHED, State.MEASURED, State.MARKED, State.RETURNED)},
    # Before a mark stands only: a mark is of one bead.
    Step.CHOOSE_BEAD: {State.MEASURED: State.MEASURED},
    Step.MARK: {
        State.PHOTOGRAPHED: State.MARKED,
        State.MEASURED: State.MARKED,
        State.MARKED: State.MARKED,
        State.RETURNED: State.MARKED,
    },
    Step.RETURN: {State.MARKED: State.RETURNED},
}


def allowed(attempt: Any, step: Step) -> bool:
    """Whether the step may be taken now."""
    return attempt.state in STEPS[step]


def advance(attempt: Any, step: Step, by: Any, at: datetime | None = None, **data: Any) -> None:
    """Take a step: check it, write the new state and add it to the log.

    The caller holds the attempt's row (`queries.held`) inside a transaction, so that a step and
    what belongs to it are written together or not at all.

    Raises:
        WrongState: the step cannot be taken in this state.
    """
    if not allowed(attempt, step):
        may = ", ".join(s.value for s in STEPS[step])
        raise WrongState(f"The attempt is {attempt.state}; {step.label.lower()} is possible when it is {may}.")
    before, attempt.state = attempt.state, STEPS[step][State(attempt.state)].value
    attempt.version += 1
    attempt.updated_at = at or timezone.now()
    attempt.save(update_fields=["state", "version", "updated_at"])
    attempt.events.create(
        kind=step.value, actor=by, at=attempt.updated_at, data={"from": before, "to": attempt.state, **data}
    )
