"""The states of an attempt and every step between them: the only place that knows them."""

from django.db import models


class AttemptState(models.TextChoices):
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


class AttemptStep(models.TextChoices):
    OPEN = "open"
    PREPARE = "prepare"
    LOG = "log"
    ADD_PHOTO = "add_photo"
    ADD_VIEW = "add_view"
    READ_ANGLE = "read_angle"
    MEASURE = "measure"
    REFUSE_PHOTO = "refuse_photo"
    MEASURE_BACK = "measure_back"
    MEASURE_RUN = "measure_run"
    TRY = "try"
    MEASURE_TRIAL = "measure_trial"
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


HELD_BACK = (AttemptState.MARKED, AttemptState.SECOND_ASKED, AttemptState.TO_AGREE)
"""States of an attempt with a mark that its student knows nothing of."""
WAITING = (AttemptState.PHOTOGRAPHED, AttemptState.MEASURED, *HELD_BACK)
"""States in which an attempt waits for those who teach: to be marked, marked blind a second time, agreed or returned."""
OVER = (AttemptState.RETURNED, AttemptState.WELD_AGAIN)
"""States in which nobody has anything to do with an attempt any more."""
UNSEEN = (
    AttemptStep.FIND, AttemptStep.JUDGE_CAUSE, AttemptStep.MARK, AttemptStep.ASK_SECOND, AttemptStep.MARK_SECOND, AttemptStep.AGREE,
)  # fmt: skip
"""Steps that tell of a mark in the making: the student learns of none of them before its return."""
BEFORE_MARK = (AttemptState.LOGGED, AttemptState.PHOTOGRAPHED, AttemptState.MEASURED, AttemptState.PHOTO_ASKED)
OPEN = (*BEFORE_MARK, *HELD_BACK)
"""States in which a student still works at what was logged: a mark they know nothing of changes nothing for them."""
SENT = (*WAITING, AttemptState.PHOTO_ASKED, AttemptState.RETURNED, AttemptState.WELD_AGAIN)
"""States of an attempt that has had a photo."""

# step -> {state before: state after}
STEPS: dict[AttemptStep, dict[AttemptState, AttemptState]] = {
    # While a mark is held back the student may do what they could before it: to be refused would tell of it. The mark
    # stands, and whoever returns it is told of the change by the attempt's version.
    AttemptStep.PREPARE: {s: s for s in (AttemptState.ASSIGNED, *OPEN)},
    AttemptStep.LOG: {AttemptState.ASSIGNED: AttemptState.LOGGED} | {s: s for s in OPEN},
    AttemptStep.ADD_VIEW: {s: s for s in (AttemptState.ASSIGNED, *OPEN)},
    AttemptStep.TRY: {s: s for s in (AttemptState.ASSIGNED, *OPEN)},
    AttemptStep.READ_ANGLE: {s: s for s in OPEN},
    AttemptStep.ADD_PHOTO: dict.fromkeys(BEFORE_MARK, AttemptState.PHOTOGRAPHED) | {s: s for s in HELD_BACK},
    # A measurement may end after the mark was set by eye, or be made again: the mark stands.
    AttemptStep.MEASURE: {**{s: s for s in SENT}, AttemptState.PHOTOGRAPHED: AttemptState.MEASURED},
    AttemptStep.REFUSE_PHOTO: {s: s for s in SENT},
    AttemptStep.MEASURE_BACK: {s: s for s in AttemptState},
    AttemptStep.MEASURE_RUN: {s: s for s in AttemptState},
    AttemptStep.MEASURE_TRIAL: {s: s for s in AttemptState},
    AttemptStep.CORRECT: {s: s for s in SENT},
    AttemptStep.CHOOSE_BEAD: {s: s for s in (AttemptState.MEASURED, *HELD_BACK)},
    AttemptStep.FIND: {s: s for s in WAITING},
    # The cause that was taken belongs to the first mark until one is agreed.
    AttemptStep.JUDGE_CAUSE: {s: s for s in (*WAITING, AttemptState.RETURNED) if s != AttemptState.SECOND_ASKED},
    AttemptStep.MARK: {
        AttemptState.PHOTOGRAPHED: AttemptState.MARKED,
        AttemptState.MEASURED: AttemptState.MARKED,
        AttemptState.MARKED: AttemptState.MARKED,
        AttemptState.RETURNED: AttemptState.MARKED,
    },
    AttemptStep.ASK_SECOND: {AttemptState.MARKED: AttemptState.SECOND_ASKED},
    AttemptStep.MARK_SECOND: {AttemptState.SECOND_ASKED: AttemptState.TO_AGREE},
    AttemptStep.AGREE: {AttemptState.TO_AGREE: AttemptState.MARKED},
    AttemptStep.RETURN: {AttemptState.MARKED: AttemptState.RETURNED},
    AttemptStep.ASK_PHOTO: dict.fromkeys((AttemptState.PHOTOGRAPHED, AttemptState.MEASURED), AttemptState.PHOTO_ASKED),
    AttemptStep.SEND_BACK: dict.fromkeys((AttemptState.PHOTOGRAPHED, AttemptState.MEASURED), AttemptState.WELD_AGAIN),
    # Where it leads back to stands in the log (`actions.answer.take_back`).
    AttemptStep.TAKE_BACK: {
        AttemptState.RETURNED: AttemptState.MARKED,
        AttemptState.PHOTO_ASKED: AttemptState.MEASURED,
        AttemptState.WELD_AGAIN: AttemptState.MEASURED,
    },
}
