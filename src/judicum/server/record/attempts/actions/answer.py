"""Answers beside a mark: another photo, weld it again."""

from datetime import datetime

from django.db import transaction

from judicum.core.errors import EditConflict, InvalidValue, Named, one_of, said
from judicum.core.marking import MAX_NEXT
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptState, AttemptStep
from judicum.server.record.attempts.transitions import advance

ANSWERS = {"another_photo": AttemptStep.ASK_PHOTO, "weld_again": AttemptStep.SEND_BACK}


@transaction.atomic
def answer_attempt(
    user: User, attempt_id: int, version: int, answer: str, why: str, at: datetime | None = None
) -> Attempt:
    """Answer an attempt without a mark; the student sees why.

    Args:
        answer: one of ANSWERS. version: the attempt's that the marker was looking at.

    Raises:
        InvalidValue: no such answer, no reason given or one that is too long.
        EditConflict: the attempt has changed since. WrongState: no photo yet, or marked.
        NotFound, NotAllowed: not a course one teaches.
    """
    if answer not in ANSWERS:
        raise InvalidValue("answer", answer, one_of(ANSWERS))
    if not 1 <= len(why.strip()) <= MAX_NEXT:
        raise InvalidValue("why", why, said("allowed-1-to-characters", most=MAX_NEXT))
    attempt = held_as_staff(user, attempt_id)
    check_version(attempt, version)
    attempt.answer = why.strip()
    attempt.save(update_fields=["answer"])
    advance(attempt, ANSWERS[answer], user, at, why=attempt.answer)
    return attempt


def check_version(attempt: Attempt, version: int) -> None:
    """Raises EditConflict where somebody changed the attempt since that version, and says who and how."""
    if attempt.version == version:
        return
    if attempt.state == AttemptState.SECOND_ASKED:
        # Whoever marks blind is not to learn who marked first.
        raise EditConflict(said("refused-a-second-mark-was-asked-for"))
    last = attempt.events.select_related("actor").order_by("-at", "-id").first()
    step = Named("attempt-event", last.kind if last else "change")
    if last is None or last.actor is None:
        raise EditConflict(said("refused-measured-in-the-meantime"))
    raise EditConflict(said("refused-changed-this-attempt-in-the-meantime", who=last.actor.display_name, what=step))
