"""Correcting a measurement by hand: steps that lie over the computed result, one after the other."""

from collections.abc import Mapping
from typing import Any

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, WrongState
from judicum.core.photo.steps import check_step
from judicum.server.accounts.models import User
from judicum.server.attempts.queries import held_as_staff
from judicum.server.attempts.states import Step, advance
from judicum.server.photos.models import Correction, Measurement
from judicum.server.photos.queries import measurement_for
from judicum.server.photos.storage import store_once

MOST_STEPS = 500


@transaction.atomic
def correct_measurement(user: User, measurement_id: int, given: Mapping[str, Any]) -> Correction:
    """Add one step to a measurement's corrections; its figures, drawing and strip are made again from all of them.

    Raises:
        InvalidValue: a step that does not fit. WrongState: nothing was measured, or by an engine that kept no trace.
        NotFound, NotAllowed: not a course one teaches.
    """
    # Only this and the worker need the measuring code.
    from judicum.core.photo.bead import Bead
    from judicum.core.photo.correct import correct
    from judicum.core.photo.decode import decode, encode_jpeg
    from judicum.core.photo.strip import cut_strip

    step = check_step(given)
    mine = _held(user, measurement_id)
    if mine.bead is None or mine.report is None:
        raise WrongState("There is no traced bead to correct; have the photo measured again first.")
    before = mine.corrections_in_force
    if len(before) >= MOST_STEPS:
        raise InvalidValue("step", step["step"], f"at most {MOST_STEPS} corrections of one measurement")
    report, bead = correct(mine.report, Bead.from_json(mine.bead), [*(c.step for c in before), step])
    with mine.photo.picture.original.open("rb") as file:
        strip = encode_jpeg(cut_strip(decode(file.read()), bead))
    made = Correction(measurement=mine, step=step, report=report, overlay=bead.overlay(), by=user, at=timezone.now())
    made.strip.name = store_once(f"strips/{mine.pk}-{mine.engine_version}-{mine.corrections.count() + 1}.jpg", strip)
    made.save()
    advance(held_as_staff(user, mine.photo.attempt_id), Step.CORRECT, user, made.at, measurement=mine.pk, change=step)
    return made


@transaction.atomic
def undo_correction(user: User, measurement_id: int, every: bool = False) -> Measurement:
    """Take back the last step, or every one; they stay on record.

    Raises:
        WrongState: there is none. NotFound, NotAllowed: not a course one teaches.
    """
    mine = _held(user, measurement_id)
    standing = mine.corrections_in_force
    if not standing:
        raise WrongState("There is no correction to take back.")
    now = timezone.now()
    for one in standing if every else standing[-1:]:
        one.undone_by, one.undone_at = user, now
        one.save(update_fields=["undone_by", "undone_at"])
        advance(
            held_as_staff(user, mine.photo.attempt_id),
            Step.CORRECT,
            user,
            now,
            measurement=mine.pk,
            change=one.step,
            undone=True,
        )
    return mine


def _held(user: User, measurement_id: int) -> Measurement:
    """The measurement with its row held, once the person is known to teach its course."""
    seen = measurement_for(user, measurement_id)
    held_as_staff(user, seen.photo.attempt_id)
    return Measurement.objects.select_for_update(of=("self",)).select_related("photo__picture").get(pk=seen.pk)
