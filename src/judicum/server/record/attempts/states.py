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
BEFORE_MARK = (AttemptState.LOGGED, AttemptState.PHOTOGRAPHED, AttemptState.MEASURED, AttemptState.PHOTO_ASKED)
SENT = (*WAITING, AttemptState.PHOTO_ASKED, AttemptState.RETURNED, AttemptState.WELD_AGAIN)
"""States of an attempt that has had a photo."""

# step -> {state before: state after}
STEPS: dict[AttemptStep, dict[AttemptState, AttemptState]] = {
    AttemptStep.PREPARE: {s: s for s in (AttemptState.ASSIGNED, *BEFORE_MARK)},
    AttemptStep.LOG: {AttemptState.ASSIGNED: AttemptState.LOGGED} | {s: s for s in BEFORE_MARK},
    AttemptStep.ADD_VIEW: {s: s for s in (AttemptState.ASSIGNED, *BEFORE_MARK)},
    AttemptStep.READ_ANGLE: {s: s for s in BEFORE_MARK},
    AttemptStep.ADD_PHOTO: dict.fromkeys(BEFORE_MARK, AttemptState.PHOTOGRAPHED),
    # A measurement may end after the mark was set by eye, or be made again: the mark stands.
    AttemptStep.MEASURE: {**{s: s for s in SENT}, AttemptState.PHOTOGRAPHED: AttemptState.MEASURED},
    AttemptStep.REFUSE_PHOTO: {s: s for s in SENT},
    AttemptStep.MEASURE_BACK: {s: s for s in AttemptState},
    AttemptStep.CORRECT: {s: s for s in SENT},
    # Before a mark stands only: a mark is of one bead.
    AttemptStep.CHOOSE_BEAD: {AttemptState.MEASURED: AttemptState.MEASURED},
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
