"""Setting a mark, and giving it back to the student."""

from collections.abc import Mapping
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import EditConflict, InvalidValue
from judicum.core.marking import MOST_COMMENT, MOST_NEXT, check_scores, total
from judicum.server.accounts.models import User
from judicum.server.attempts.models import Attempt
from judicum.server.attempts.queries import held_as_staff
from judicum.server.attempts.states import Step, advance
from judicum.server.marking.models import Mark
from judicum.server.marking.queries import measurement_that_counts


@transaction.atomic
def set_mark(
    user: User,
    attempt_id: int,
    version: int,
    scores: Mapping[str, float | None],
    comment: str,
    next_change: str,
    at: datetime | None = None,
) -> Mark:
    """Set or change an attempt's mark.

    Args:
        version: the attempt's version that the marker was looking at.

    Raises:
        EditConflict: the attempt has changed since; nothing is written.
        InvalidValues, InvalidValue: scores or texts outside what is allowed.
        WrongState: no photo yet. NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    clean = check_scores(scores)
    for name, text, most in (("comment", comment, MOST_COMMENT), ("next_change", next_change, MOST_NEXT)):
        if len(text) > most:
            raise InvalidValue(name, f"{len(text)} characters", f"at most {most} characters")
    _check_version(attempt, version)
    mark_total = total(clean)
    advance(attempt, Step.MARK, user, at, scores=clean, total=mark_total)
    fields = {
        "measurement": measurement_that_counts(attempt),
        "scores": clean,
        "total": mark_total,
        "comment": comment,
        "next_change": next_change,
        "marked_by": user,
        "marked_at": at or timezone.now(),
        "returned_at": None,
    }
    return Mark.objects.update_or_create(attempt=attempt, defaults=fields)[0]


@transaction.atomic
def return_mark(user: User, attempt_id: int, version: int, at: datetime | None = None) -> Mark:
    """Give the mark back to the student, who sees it from then on.

    Raises:
        EditConflict: the attempt has changed since. WrongState: not marked.
        NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    _check_version(attempt, version)
    advance(attempt, Step.RETURN, user, at)
    mark = Mark.objects.get(attempt=attempt)
    mark.returned_at = at or timezone.now()
    mark.save(update_fields=["returned_at"])
    return mark


def _check_version(attempt: Attempt, version: int) -> None:
    if attempt.version == version:
        return
    last = attempt.events.select_related("actor").order_by("-at", "-id").first()
    who = last.actor.display_name if last and last.actor else "The measurement"
    what = last.kind.replace("_", " ") if last else "change"
    raise EditConflict(
        f"{who} changed this attempt in the meantime ({what}). Load it again; what you typed is still here."
    )
