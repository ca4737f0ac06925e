"""Planning a trial, tapping through its beads, saying which bead is which, and taking what it found."""

from collections.abc import Mapping, Sequence
from typing import Any

from django.db import transaction
from django.db.models import Max
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotAllowed, WrongState, one_of, said
from judicum.core.trial import VARIED, read_trial
from judicum.server.follow.sessions.models import WeldedAt
from judicum.server.follow.trials.models import StartValue, Trial
from judicum.server.follow.trials.queries import trial_for
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.log_run import MAX_RUNS
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, held_own, own_attempt, teaches
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance

WHOSE = ("student", "booth", "class")
"""Whose start value a setting becomes; a booth's and the class's are set by those who teach."""


@transaction.atomic
def begin_trial(user: User, attempt_id: int, given: Mapping[str, Any]) -> Trial:
    """Plan a trial before one's own coupon (`judicum.core.trial.read_trial`).

    Raises:
        InvalidValue: nothing to vary, figures that make no sense, no room. WrongState: the coupon is over, or too many trials.
        NotFound, NotAllowed: not one's own attempt.
    """
    attempt = held_own(user, attempt_id)
    trial = read_trial(given, attempt.assignment.design.tube_od_mm)
    number = (attempt.trials.aggregate(last=Max("number"))["last"] or 0) + 1
    if number > MAX_RUNS:
        raise WrongState(said("refused-too-many-trials", most=MAX_RUNS))
    advance(attempt, AttemptStep.TRY, user, trial=number, varied=trial.varied.key)
    return Trial.objects.create(
        attempt=attempt,
        number=number,
        varied=trial.varied.key,
        values=[line.value for line in trial.lines],
        blank_length_mm=trial.length_mm,
        blank_width_mm=trial.width_mm,
        made_at=timezone.now(),
    )


@transaction.atomic
def tap_beads(user: User, trial_id: int, welded: Sequence[int]) -> Trial:
    """Note which lines of one's own trial are welded.

    Raises:
        InvalidValue: no such line. NotFound, NotAllowed: not one's own.
    """
    trial = _own(user, trial_id)
    _check_lines(trial, "welded", welded)
    trial.welded = sorted(set(welded))
    trial.save(update_fields=["welded"])
    return trial


@transaction.atomic
def count_beads(user: User, trial_id: int, counted: Mapping[int, int] | None) -> Trial:
    """Say which bead of the photo lies on which line, by line; None: count them by place again. The welder's and whoever teaches.

    Raises:
        InvalidValue: no such line, or one bead on two. NotFound: not visible. NotAllowed: let go from the course.
    """
    trial = trial_for(user, trial_id)
    if not teaches(user, trial.attempt):
        own_attempt(user, trial.attempt_id)
    if counted is not None:
        _check_lines(trial, "counted", list(counted))
        if len(set(counted.values())) != len(counted):
            raise InvalidValue("counted", list(counted.values()), said("allowed-each-bead-once"))
    trial.counted = None if counted is None else {str(line): bead for line, bead in counted.items()}
    trial.save(update_fields=["counted"])
    return trial


@transaction.atomic
def take_start(user: User, trial_id: int, value: float | str, whose: str) -> StartValue:
    """Take a setting as what the coupon is started with from now on: the welder's own, the booth's or the class's.

    Raises:
        InvalidValue: outside of what was tried by more than it spans, or of nobody. WrongState: nobody said at which booth.
        NotFound: not visible. NotAllowed: a booth's or the class's, and one does not teach; somebody else's.
    """
    trial = trial_for(user, trial_id)
    _check_value(trial.varied, value, trial.values)
    return _take(user, trial.attempt, trial.varied, value, whose, trial)


@transaction.atomic
def take_foretold(user: User, attempt_id: int, values: Mapping[str, float], whose: str) -> Attempt:
    """Take foretold settings, by figure, as what the coupon is started with from now on; whose as `take_start`.

    Raises:
        InvalidValue: a figure that nobody varies or that makes no sense, or of nobody. Otherwise as `take_start`.
    """
    attempt = attempt_for(user, attempt_id)
    for key, value in values.items():
        if key not in VARIED or VARIED[key].codes:
            raise InvalidValue("key", key, one_of(key for key, one in VARIED.items() if not one.codes))
        _check_value(key, value, ())
    for key, value in values.items():
        _take(user, attempt, key, value, whose, None)
    return attempt


def _take(user: User, attempt: Attempt, key: str, value: float | str, whose: str, trial: Trial | None) -> StartValue:
    if whose not in WHOSE:
        raise InvalidValue("whose", whose, one_of(WHOSE))
    taught = teaches(user, attempt)
    if whose != "student" and not taught:
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants"))
    if not taught:
        own_attempt(user, attempt.pk)
    booth = WeldedAt.objects.filter(attempt=attempt).select_related("booth").first() if whose == "booth" else None
    if whose == "booth" and booth is None:
        raise WrongState(said("refused-no-booth-said"))
    made, _ = StartValue.objects.update_or_create(
        assignment_id=attempt.assignment_id,
        key=key,
        student_id=attempt.student_id if whose == "student" else None,
        booth=booth.booth if booth else None,
        defaults={"value": value, "trial": trial, "foretold": trial is None, "by": user, "at": timezone.now()},
    )
    return made


def _own(user: User, trial_id: int) -> Trial:
    trial = trial_for(user, trial_id)
    own_attempt(user, trial.attempt_id)
    return Trial.objects.select_for_update(of=("self",)).select_related("attempt__assignment__design").get(pk=trial.pk)


def _check_lines(trial: Trial, field: str, lines: Sequence[int]) -> None:
    unknown = [one for one in lines if not 1 <= one <= len(trial.values)]
    if unknown:
        raise InvalidValue(field, unknown[0], said("allowed-1-to", most=len(trial.values)))


def _check_value(key: str, value: float | str, tried: Sequence[float | str]) -> None:
    varied = VARIED[key]
    if varied.codes:
        if value not in tried:
            raise InvalidValue("value", value, one_of(tried))
        return
    quantity = varied.quantity
    assert quantity is not None
    if not isinstance(value, int | float) or not quantity.sensible_at(value):
        raise InvalidValue("value", value, quantity.makes_sense)


def drop_trial(user: User, trial_id: int) -> None:
    """Let go of one's own trial of which nothing is welded yet.

    Raises:
        WrongState: a bead is welded. NotFound, NotAllowed: not one's own.
    """
    with transaction.atomic():
        trial = _own(user, trial_id)
        if trial.welded or trial.attempt.photos.filter(kind="trial", run=trial.number).exists():
            raise WrongState(said("refused-trial-has-begun"))
        trial.delete()
