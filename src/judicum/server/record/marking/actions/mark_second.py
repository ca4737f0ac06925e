"""Giving a blind second mark, and agreeing on one of both."""

from collections.abc import Mapping, Sequence
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import NotAllowed, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.answer import check_version
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.marking.actions.mark_attempt import check_texts, read_given
from judicum.server.record.marking.models import Mark, SecondMark
from judicum.server.record.marking.queries import propose


@transaction.atomic
def set_second_mark(
    user: User,
    attempt_id: int,
    version: int,
    scores: Mapping[str, float | None],
    comment: str = "",
    not_applying: Sequence[str] = (),
    waived: Sequence[str] = (),
    at: datetime | None = None,
) -> SecondMark:
    """Give the second mark, by the scheme of the first; from then on those who teach see both.

    Raises:
        NotAllowed: one's own first mark. WrongState: no second mark is asked for. EditConflict: changed since.
        InvalidValues, InvalidValue: scores, text or codes outside what is allowed.
        NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    check_texts(comment)
    if Mark.objects.filter(attempt=attempt, marked_by=user).exists():
        raise NotAllowed(said("refused-the-second-mark-is-somebody-elses"))
    check_version(attempt, version)
    given = read_given(attempt, propose(attempt), scores, not_applying, waived)
    advance(attempt, AttemptStep.MARK_SECOND, user, at, scores=given.scores, total=given.total, passed=given.passed)
    second = SecondMark.objects.get(attempt=attempt)
    for name, value in {
        **vars(given),
        "comment": comment,
        "marked_by": user,
        "marked_at": at or timezone.now(),
    }.items():
        setattr(second, name, value)
    second.save()
    return second


@transaction.atomic
def agree(
    user: User,
    attempt_id: int,
    version: int,
    scores: Mapping[str, float | None],
    comment: str,
    next_change: str,
    not_applying: Sequence[str] = (),
    waived: Sequence[str] = (),
    at: datetime | None = None,
) -> Mark:
    """Agree on one mark of both: it stands from then on, and is what is returned; the two stay on record.

    Raises:
        WrongState: not both marks are there. EditConflict: changed since.
        InvalidValues, InvalidValue: scores, texts or codes outside what is allowed.
        NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    check_texts(comment, next_change)
    given = read_given(attempt, propose(attempt), scores, not_applying, waived)
    check_version(attempt, version)
    advance(attempt, AttemptStep.AGREE, user, at, scores=given.scores, total=given.total, passed=given.passed)
    now = at or timezone.now()
    mark = Mark.objects.get(attempt=attempt)
    changes = {
        **vars(given), "waived": list(waived), "comment": comment, "next_change": next_change, "marked_by": user, "marked_at": now,
    }  # fmt: skip
    for name, value in changes.items():
        setattr(mark, name, value)
    mark.save()
    SecondMark.objects.filter(attempt=attempt).update(agreed_by=user, agreed_at=now)
    return mark
