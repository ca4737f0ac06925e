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
    PHOTO_ASKED = "photo_asked"
    WELD_AGAIN = "weld_again"
    SECOND_ASKED = "second_asked"
    TO_AGREE = "to_agree"


class Step(models.TextChoices):
    OPEN = "open"
    PREPARE = "prepare"
    LOG = "log"
    ADD_PHOTO = "add_photo"
    ADD_VIEW = "add_view"
    READ_ANGLE = "read_angle"
    MEASURE = "measure"
    REFUSE_PHOTO = "refuse_photo"
    MEASURE_BACK = "measure_back"
    CORRECT = "correct"
    CHOOSE_BEAD = "choose_bead"
    FIND = "find"
    JUDGE_CAUSE = "judge_cause"
    MARK = "mark"
    RETURN = "return"
    ASK_PHOTO = "ask_photo"
    SEND_BACK = "send_back"
    TAKE_BACK = "take_back"
    ASK_SECOND = "ask_second"
    MARK_SECOND = "mark_second"
    AGREE = "agree"


HELD_BACK = (State.MARKED, State.SECOND_ASKED, State.TO_AGREE)
"""States of an attempt with a mark that its student knows nothing of."""
WAITING = (State.PHOTOGRAPHED, State.MEASURED, *HELD_BACK)
"""States in which an attempt waits for those who teach: to be marked, marked blind a second time, agreed or returned."""
OVER = (State.RETURNED, State.WELD_AGAIN)
"""States in which nobody has anything to do with an attempt any more."""
BEFORE_MARK = (State.LOGGED, State.PHOTOGRAPHED, State.MEASURED, State.PHOTO_ASKED)
SENT = (*WAITING, State.PHOTO_ASKED, State.RETURNED, State.WELD_AGAIN)
"""States of an attempt that has had a photo."""

# step -> {state before: state after}
STEPS: dict[Step, dict[State, State]] = {
    Step.PREPARE: {s: s for s in (State.ASSIGNED, *BEFORE_MARK)},
    Step.LOG: {State.ASSIGNED: State.LOGGED} | {s: s for s in BEFORE_MARK},
    Step.ADD_VIEW: {s: s for s in (State.ASSIGNED, *BEFORE_MARK)},
    Step.READ_ANGLE: {s: s for s in BEFORE_MARK},
    Step.ADD_PHOTO: dict.fromkeys(BEFORE_MARK, State.PHOTOGRAPHED),
    # A measurement may end after the mark was set by eye, or be made again: the mark stands.
    Step.MEASURE: {**{s: s for s in SENT}, State.PHOTOGRAPHED: State.MEASURED},
    Step.REFUSE_PHOTO: {s: s for s in SENT},
    Step.MEASURE_BACK: {s: s for s in State},
    Step.CORRECT: {s: s for s in SENT},
    # Before a mark stands only: a mark is of one bead.
    Step.CHOOSE_BEAD: {State.MEASURED: State.MEASURED},
    Step.FIND: {s: s for s in WAITING},
    # The cause that was taken belongs to the first mark until one is agreed.
    Step.JUDGE_CAUSE: {s: s for s in (*WAITING, State.RETURNED) if s != State.SECOND_ASKED},
    Step.MARK: {
        State.PHOTOGRAPHED: State.MARKED,
        State.MEASURED: State.MARKED,
        State.MARKED: State.MARKED,
        State.RETURNED: State.MARKED,
    },
    Step.ASK_SECOND: {State.MARKED: State.SECOND_ASKED},
    Step.MARK_SECOND: {State.SECOND_ASKED: State.TO_AGREE},
    Step.AGREE: {State.TO_AGREE: State.MARKED},
    Step.RETURN: {State.MARKED: State.RETURNED},
    Step.ASK_PHOTO: dict.fromkeys((State.PHOTOGRAPHED, State.MEASURED), State.PHOTO_ASKED),
    Step.SEND_BACK: dict.fromkeys((State.PHOTOGRAPHED, State.MEASURED), State.WELD_AGAIN),
    # Where it leads back to stands in the log (`actions.answer.take_back`).
    Step.TAKE_BACK: {State.RETURNED: State.MARKED, State.PHOTO_ASKED: State.MEASURED, State.WELD_AGAIN: State.MEASURED},
}


def allowed(attempt: Any, step: Step) -> bool:
    """Whether the step may be taken now."""
    return attempt.state in STEPS[step]


def advance(
    attempt: Any,
    step: Step,
    by: Any,
    at: datetime | None = None,
    to: State | None = None,
    moved: bool = True,
    **data: Any,
) -> None:
    """Take a step: check it, write the new state (`to` where it depends on more than the state) and add it to the log.

    `moved` False where nobody did anything with the attempt: it keeps its place in what is sorted by change.

    The caller holds the attempt's row (`queries.held`) inside a transaction, so that a step and
    what belongs to it are written together or not at all.

    Raises:
        WrongState: the step cannot be taken in this state.
    """
    if not allowed(attempt, step):
        may = ", ".join(s.value for s in STEPS[step])
        raise WrongState(f"The attempt is {attempt.state}; {step.label.lower()} is possible when it is {may}.")
    before, attempt.state = attempt.state, (to or STEPS[step][State(attempt.state)]).value
    attempt.version += 1
    now = at or timezone.now()
    attempt.updated_at = now if moved else attempt.updated_at
    attempt.save(update_fields=["state", "version", "updated_at"])
    attempt.events.create(kind=step.value, actor=by, at=now, data={"from": before, "to": attempt.state, **data})
