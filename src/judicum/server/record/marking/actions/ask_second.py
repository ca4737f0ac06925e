"""Sending a mark to a second marker, who sees neither it nor who gave it."""

import secrets
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import WrongState, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import STAFF
from judicum.server.record.attempts.actions.answer import check_version
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.marking.models import Mark, SecondMark


def drawn_for_second(user: User, attempt: Attempt) -> bool:
    """Whether the lot falls on an attempt that `user` marks for the first time; never where nobody else could mark it."""
    share = attempt.assignment.course.second_share
    return secrets.randbelow(100) < share and _others(user, attempt).exists()


def _others(user: User, attempt: Attempt):  # type: ignore[no-untyped-def]
    return Membership.objects.filter(course_id=attempt.course_id, role__in=STAFF).exclude(user=user)


@transaction.atomic
def ask_second(user: User, attempt_id: int, version: int, at: datetime | None = None) -> SecondMark:
    """Ask by hand for a second mark of a marked attempt that is not returned yet.

    Raises:
        WrongState: not marked, asked for before, or nobody else teaches the course. EditConflict: changed since.
        NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    check_version(attempt, version)
    if SecondMark.objects.filter(attempt=attempt).exists():
        raise WrongState(said("refused-a-second-mark-of-this-attempt"))
    mark = Mark.objects.select_related("marked_by").filter(attempt=attempt).first()
    if mark is None:
        raise WrongState(said("refused-a-second-mark-is-asked-for"))
    if not _others(mark.marked_by, attempt).exists():
        raise WrongState(said("refused-nobody-but-the-first-marker-teaches"))
    return ask(attempt, mark, user, at)


def ask(attempt: Attempt, mark: Mark, by: User | None, at: datetime | None = None) -> SecondMark:
    """Keep the first mark as it is and wait for the second. The caller holds the attempt."""
    advance(attempt, AttemptStep.ASK_SECOND, by, at, by_lot=by is None)
    return SecondMark.objects.create(
        attempt=attempt,
        asked_by=by,
        asked_at=at or timezone.now(),
        first={"scores": mark.scores, "total": mark.total, "passed": mark.passed},
        first_marker=mark.marked_by,
    )
