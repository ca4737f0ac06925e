"""Correcting a measurement by hand: steps that lie over the computed result, one after the other."""

from collections.abc import Mapping

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import EditConflict, InvalidValue, NotAllowed, WrongState, said
from judicum.core.photo.report import Report
from judicum.core.photo.steps import check_step
from judicum.server.people.accounts.models import User
from judicum.server.platform.sandbox import strip_in_sandbox
from judicum.server.platform.storage import store_file
from judicum.server.record.attempts.queries import held_as_staff, teaches
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.photos.actions.save_summary import save_summary
from judicum.server.record.photos.models import Correction, Measurement
from judicum.server.record.photos.queries import measurement_for, picture_of

MAX_STEPS = 500


def correct_measurement(user: User, measurement_id: int, given: Mapping[str, object]) -> Correction:
    """Add one step to a measurement's corrections; its figures, drawing and strip are made again from all of them.

    The strip is cut, in the sandbox, before any row is held; the row is then held only to write. Where somebody
    else corrected the same measurement meanwhile, nothing is written.

    Raises:
        InvalidValues: a step that does not fit. WrongState: nothing was measured, or by an engine that kept no trace.
        EditConflict: somebody else was faster. NotFound, NotAllowed: not a course one teaches.
    """
    # Slow to import, and few web processes ever correct a bead.
    from judicum.core.photo.bead import Bead
    from judicum.core.photo.correct import correct

    step = check_step(given)
    seen = _taught(user, measurement_id)
    traced = seen.computed
    if traced.bead is None or traced.report is None:
        raise WrongState(said("refused-there-is-no-traced-bead-to"))
    before = seen.corrections_in_force
    if len(before) >= MAX_STEPS:
        raise InvalidValue("step", step.step, said("allowed-at-most-corrections-of-one-measurement", most=MAX_STEPS))
    computed = Report.from_json(traced.report)
    report, bead = correct(computed, Bead.from_json(traced.bead), [*(check_step(c.step) for c in before), step])
    with picture_of(seen.photo).original.open("rb") as file:
        data = file.read()
    strip = store_file("strips", "jpg", strip_in_sandbox(data, bead.as_json()))
    made = Correction(step=step.as_json(), report=report.as_json(), overlay=bead.overlay(), by=user, at=timezone.now())
    made.strip.name = strip
    with transaction.atomic():
        attempt = held_as_staff(user, seen.photo.attempt_id)
        mine = _held(seen.pk)
        if mine.chosen_id != seen.chosen_id or [c.pk for c in mine.corrections_in_force] != [c.pk for c in before]:
            raise EditConflict(said("refused-somebody-else-corrected-this-bead-in"))
        made.measurement = mine
        made.save()
        save_summary(attempt.pk)
        advance(attempt, AttemptStep.CORRECT, user, made.at, measurement=mine.pk, change=step.as_json())
    return made


@transaction.atomic
def undo_correction(user: User, measurement_id: int, every: bool = False) -> Measurement:
    """Take back the last step, or every one; they stay on record.

    Raises:
        WrongState: there is none. NotFound, NotAllowed: not a course one teaches.
    """
    seen = _taught(user, measurement_id)
    attempt = held_as_staff(user, seen.photo.attempt_id)
    mine = _held(seen.pk)
    standing = mine.corrections_in_force
    if not standing:
        raise WrongState(said("refused-there-is-no-correction-to-take"))
    now = timezone.now()
    for one in standing if every else standing[-1:]:
        one.undone_by, one.undone_at = user, now
        one.save(update_fields=["undone_by", "undone_at"])
        advance(attempt, AttemptStep.CORRECT, user, now, measurement=mine.pk, change=one.step, undone=True)
    save_summary(attempt.pk)
    return mine


def _taught(user: User, measurement_id: int) -> Measurement:
    """The measurement, once the person is known to teach its course; its row is not held."""
    seen = measurement_for(user, measurement_id)
    if not teaches(user, seen.photo.attempt):
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants"))
    return seen


def _held(measurement_id: int) -> Measurement:
    """The measurement with its row held until the transaction ends."""
    return Measurement.objects.select_for_update(of=("self",)).select_related("photo__picture").get(pk=measurement_id)
