"""Saying which of several beads in a photo counts."""

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, one_of, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.queries import check_takes_part, held
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.photos.actions.save_summary import save_summary
from judicum.server.record.photos.models import Measurement
from judicum.server.record.photos.queries import measurement_for


@transaction.atomic
def choose_bead(user: User, measurement_id: int, number: int) -> Measurement:
    """Let another bead of a measured photo count; corrections of the one before are taken back and stay on record.

    The student may for their own coupon, those who teach for any, until it is returned. Every bead's figures are kept.

    Raises:
        InvalidValue: the photo has no such bead. WrongState: returned already, or archived. NotFound: not visible.
        NotAllowed: not in the course any more.
    """
    attempt = held(measurement_for(user, measurement_id).photo.attempt_id)
    check_takes_part(user, attempt)
    mine = Measurement.objects.select_for_update(of=("self",)).select_related("photo", "chosen").get(pk=measurement_id)
    beads = {bead.number: bead for bead in mine.beads.all()}
    if number not in beads:
        allowed = one_of(beads) if beads else said("allowed-the-only-bead")
        raise InvalidValue("number", number, allowed)
    now = timezone.now()
    advance(attempt, AttemptStep.CHOOSE_BEAD, user, now, measurement=mine.pk, bead=number)
    counting = mine.computed.report or {}
    if counting.get("bead_number") != number:
        mine.corrections.filter(undone_at=None).update(undone_by=user, undone_at=now)
        mine.chosen = beads[number]
        mine.save(update_fields=["chosen"])
        save_summary(attempt.pk)
    return mine
