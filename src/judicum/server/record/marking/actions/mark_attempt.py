"""Setting a mark, and giving it back to the student."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, refuse_all, said, some_of
from judicum.core.marking import MAX_COMMENT, MAX_NEXT, check_runs, check_scores, passes, read_scheme, total
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.answer import check_version
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import held_as_staff
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.causes.actions.judge_cause import check_cause, clear_confirmed, confirm_cause, save_outcome
from judicum.server.record.marking.actions.ask_second import ask, drawn_for_second
from judicum.server.record.marking.models import Mark
from judicum.server.record.marking.queries import Proposal, propose
from judicum.server.record.photos.queries import runs_photographed


@transaction.atomic
def set_mark(
    user: User,
    attempt_id: int,
    version: int,
    scores: Mapping[str, float | None],
    comment: str,
    next_change: str,
    at: datetime | None = None,
    not_applying: Sequence[str] = (),
    waived: Sequence[str] = (),
    cause: str | None = None,
    runs: Mapping[int, float] | None = None,
) -> Mark:
    """Set or change an attempt's mark by its coupon's scheme; once marked, by the version it was first marked by.

    Args:
        version: the attempt's version that the marker was looking at.
        not_applying: criteria without a score that are said not to apply. waived: knock-outs that are not minded.
        cause: the cause taken as what is to change next; None for none.
        runs: totals (of 100) of runs that the next one covered, by their number; None keeps those that were given.

    Raises:
        EditConflict: the attempt has changed since; nothing is written.
        InvalidValues, InvalidValue: scores, texts or codes outside what is allowed.
        WrongState: no photo yet. NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    check_texts(comment, next_change)
    if cause is not None:
        check_cause(cause)
    proposal = propose(attempt)
    given = read_given(attempt, proposal, scores, not_applying, waived)
    covered = {} if runs is None else {"runs": check_runs(runs_photographed(attempt), runs)}
    check_version(attempt, version)
    first_time = not Mark.objects.filter(attempt=attempt).exists()
    advance(
        attempt,
        AttemptStep.MARK,
        user,
        at,
        scores=given.scores,
        total=given.total,
        passed=given.passed,
        cause=cause,
    )
    if cause is not None:
        confirm_cause(user, attempt, cause, at)
    else:
        clear_confirmed(attempt)
    fields = {
        "measurement": proposal.measurement,
        "scheme": proposal.scheme,
        **vars(given),
        **covered,
        "suggested": {one.criterion: one.score for one in proposal.suggestions},
        "readings": {key: read.figure for key, read in proposal.readings.items() if read.figure is not None},
        "knocked": list(proposal.knocked),
        "waived": list(waived),
        "comment": comment,
        "next_change": next_change,
        "marked_by": user,
        "marked_at": at or timezone.now(),
        "returned_at": None,
    }
    save_outcome(attempt)
    mark = Mark.objects.update_or_create(attempt=attempt, defaults=fields)[0]
    if first_time and drawn_for_second(user, attempt):
        ask(attempt, mark, None, at)
    return mark


def check_texts(comment: str, next_change: str = "") -> None:
    """Raises InvalidValue where the words of a mark are too long."""
    for name, text, most in (("comment", comment, MAX_COMMENT), ("next_change", next_change, MAX_NEXT)):
        if len(text) > most:
            raise InvalidValue(name, f"{len(text)} characters", said("allowed-at-most-characters", most=most))


@dataclass(frozen=True)
class GivenScores:
    """A mark as it was given: scores by criterion, criteria said not to apply, and what that makes."""

    scores: dict[str, float | None]
    not_applying: list[str]
    total: float
    passed: bool


def read_given(
    attempt: Attempt,
    proposal: Proposal,
    scores: Mapping[str, float | None],
    not_applying: Sequence[str] = (),
    waived: Sequence[str] = (),
) -> GivenScores:
    """What somebody gave an attempt, checked against its scheme.

    Raises:
        InvalidValues: scores or codes outside what is allowed.
    """
    rules = proposal.rules
    clean = check_scores(rules, scores)
    without = [key for key in rules.keys if clean[key] is None]
    empty = [one.criterion for one in proposal.suggestions if not one.applies and clean[one.criterion] is None]
    _check_within("not_applying", not_applying, without)
    _check_within("waived", waived, proposal.minded)
    left = tuple(key for key in proposal.knocked if key not in waived)
    mark_total = total(rules, clean)
    return GivenScores(
        scores=clean,
        not_applying=list(dict.fromkeys([*not_applying, *empty])),
        total=mark_total,
        passed=passes(rules, mark_total, left, attempt.assignment.pass_mark),
    )


def _check_within(name: str, given: Sequence[str], allowed: Sequence[str]) -> None:
    refuse_all([InvalidValue(name, one, some_of(allowed)) for one in given if one not in allowed])


@transaction.atomic
def return_mark(user: User, attempt_id: int, version: int, at: datetime | None = None) -> Mark:
    """Give the mark back to the student, who sees it from then on.

    Raises:
        InvalidValues: lines of the scheme that have neither a score nor are said not to apply; nothing is returned.
        EditConflict: the attempt has changed since. WrongState: not marked.
        NotFound, NotAllowed: not a course one teaches.
    """
    attempt = held_as_staff(user, attempt_id)
    check_version(attempt, version)
    advance(attempt, AttemptStep.RETURN, user, at)
    mark = Mark.objects.select_related("scheme").get(attempt=attempt)
    refuse_all(
        [
            InvalidValue(f"scores.{key}", None, said("allowed-a-score-or-that-the-line"))
            for key in read_scheme(mark.scheme.body).keys
            if mark.scores.get(key) is None and key not in mark.not_applying
        ]
    )
    mark.returned_at = at or timezone.now()
    mark.save(update_fields=["returned_at"])
    return mark
