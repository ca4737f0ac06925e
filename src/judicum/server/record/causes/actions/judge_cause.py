"""Confirming a cause as what is to change next, or ruling it out."""

from datetime import datetime
from typing import Any

from django.db import transaction
from django.utils import timezone

from judicum.core.causes import CAUSES, Explained, explain_case, followed, strengths
from judicum.core.errors import InvalidValue, one_of, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.causes.models import Verdict
from judicum.server.record.causes.queries import asked_before, case_of

CONFIRMED = "confirmed"
RULED_OUT = "ruled_out"
BESIDE = "beside"
"""There too, beside the one that is to change next."""
VERDICTS = (CONFIRMED, BESIDE, RULED_OUT)


@transaction.atomic
def judge_cause(user: User, attempt_id: int, cause: str, verdict: str | None, at: datetime | None = None) -> Attempt:
    """Keep what somebody who teaches makes of a cause; None takes it back.

    Raises:
        InvalidValue: no such cause or verdict. WrongState: nothing has been sent yet.
        NotFound, NotAllowed: not a course one teaches.
    """
    check_cause(cause)
    if verdict is not None and verdict not in VERDICTS:
        raise InvalidValue("verdict", verdict, said("allowed-one-of-or-null", options=", ".join(VERDICTS)))
    attempt = held_as_staff(user, attempt_id)
    advance(attempt, AttemptStep.JUDGE_CAUSE, user, at, cause=cause, verdict=verdict)
    if verdict == CONFIRMED:
        confirm_cause(user, attempt, cause, at)
    elif verdict is not None:
        _say(user, attempt, cause, verdict == BESIDE, at)
    else:
        Verdict.objects.filter(attempt=attempt, cause=cause).delete()
    return attempt


def _say(user: User, attempt: Attempt, cause: str, beside: bool, at: datetime | None) -> None:
    """Keep that a cause is there beside the one to change, or ruled out; with what spoke for it, so that it is known what is new later."""
    found = explain_case(case_of(attempt))
    ranked = next((one for one in found.causes if one.code == cause), None)
    spoke = {item.what: item.strength for item in ranked.speaks_for} if ranked else {}
    kept = {
        "confirmed": beside,
        "beside": beside,
        "symptoms": strengths(found.symptoms, CAUSES[cause].shows) if beside else spoke,
        "suggested": first_of(found),
        "by": user,
        "at": at or timezone.now(),
    }
    Verdict.objects.update_or_create(attempt=attempt, cause=cause, defaults=kept)


def first_of(found: Explained) -> str:
    """Code of the cause that stands first, empty where none does."""
    return found.causes[0].code if found.causes else ""


def check_cause(cause: str) -> None:
    """Raises InvalidValue where there is no such cause."""
    if cause not in CAUSES:
        raise InvalidValue("cause", cause, one_of(CAUSES))


def confirm_cause(user: User, attempt: Attempt, cause: str, at: datetime | None = None) -> dict[str, Any]:
    """Keep a cause as the one confirmed, instead of another that was; returns its change. The caller holds the attempt."""
    case = case_of(attempt)
    found = explain_case(case)
    ranked = next((one for one in found.causes if one.code == cause), None)
    change: dict[str, Any] = {"key": CAUSES[cause].change[0], "from": None, "to": None}
    if ranked is not None:
        change = {"key": ranked.key, "from": ranked.before, "to": ranked.after}
    clear_confirmed(attempt, but=cause)
    kept = {
        "confirmed": True,
        "beside": False,
        "suggested": first_of(found),
        "change": change,
        "symptoms": strengths(found.symptoms, CAUSES[cause].shows),
        "by": user,
        "at": at or timezone.now(),
    }
    Verdict.objects.update_or_create(attempt=attempt, cause=cause, defaults=kept)
    return change


def clear_confirmed(attempt: Attempt, but: str = "") -> None:
    """No cause is what is to change any more, but for one. The caller holds the attempt."""
    Verdict.objects.filter(attempt=attempt, confirmed=True, beside=False).exclude(cause=but).delete()


def save_outcome(attempt: Attempt) -> None:
    """Write down whether what was asked to change before this attempt was done in it, and whether the symptom has gone."""
    asked = asked_before(attempt)
    if asked is not None and asked.verdict is not None:
        found = followed(case_of(attempt), asked.verdict.change, asked.verdict.symptoms)
        Verdict.objects.filter(pk=asked.verdict.pk).update(done=found.done, gone=found.gone)
