"""Marks and what is suggested for one, as the page shows them."""

from typing import Any

from judicum.core.errors import NotAllowed, said
from judicum.core.marking import back_from
from judicum.server.answers.marking import Finding, KnockOut, Mark, Proposal, SecondMark, Suggestion
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.actions.note_findings import findings_asked_for
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, visibility_of
from judicum.server.record.marking import models
from judicum.server.record.marking.queries import pass_mark_of, propose
from judicum.server.record.photos.queries import back_seen
from judicum.words.catalogue import t
from judicum.words.marking import because, figure_in_words, finding, placeholder_values
from judicum.words.names import named
from judicum.words.units import Units


def lines_of_scheme(body: dict[str, Any]) -> dict[str, str]:
    """What each criterion of a scheme is called, in its order."""
    return {line["criterion"]: named("criterion", line["criterion"]) for line in body["lines"]}


def mark_answer(mark: models.Mark) -> Mark:
    """A mark to somebody who may see it."""
    body = mark.scheme.body
    # What knocks out is what the scheme minds; the rest was kept for trying other schemes on.
    counts = [key for key in mark.knocked if key in body["knock_outs"] and key not in mark.waived]
    return Mark(
        scheme=t("scheme-version", title=body["title"], version=mark.scheme.version),
        lines=lines_of_scheme(body),
        scores=mark.scores,
        not_applying=mark.not_applying,
        knocked=[named("knocked", key) for key in counts],
        waived=mark.waived,
        runs=mark.runs,
        total=mark.total,
        passed=mark.passed,
        comment=mark.comment,
        next_change=mark.next_change,
        marked_by=mark.marked_by,
        marked_at=mark.marked_at,
        returned_at=mark.returned_at,
    )


def second_mark_answer(second: models.SecondMark, mark: models.Mark, blind: bool) -> SecondMark:
    """A second mark to one who teaches; `blind` to one who is not to see the first."""
    first = {**second.first, "marked_by": second.first_marker, "comment": "" if second.agreed_at else mark.comment}
    given = {
        "marked_by": second.marked_by,
        "scores": second.scores,
        "total": second.total,
        "passed": second.passed,
        "comment": second.comment,
    }
    return SecondMark(
        by_lot=second.asked_by_id is None,
        agreed=second.agreed_at is not None,
        lines=lines_of_scheme(mark.scheme.body),
        first=None if blind else first,
        second=given if second.marked_at is not None else None,
    )


def suggestions(user: User, attempt_id: int, units: Units, run: int | None = None) -> Proposal:
    """What the coupon's scheme suggests for an attempt, or for one run of it.

    Raises:
        NotFound: not visible, or no measured photo of that run. NotAllowed: a student.
    """
    attempt = attempt_for(user, attempt_id)
    if not visibility_of(user, attempt).suggestions():
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants-4"))
    proposal = propose(attempt, run)
    rules, goal = proposal.rules, attempt.assignment
    back = back_seen(attempt)
    return Proposal(
        scheme=t("scheme-version", title=rules.title, version=proposal.scheme.version),
        pass_mark=pass_mark_of(attempt, rules),
        lines=[
            Suggestion(
                criterion=one.criterion,
                words=named("criterion", one.criterion),
                weight=rules.share(one.criterion),
                score=one.score,
                applies=one.applies,
                reason=one.reason,
                because=because(one, units),
                figure=one.figure if isinstance(one.figure, int | float) else None,
                figure_in_words=figure_in_words(one, units),
                figure_name=t(f"criterion-{one.criterion}-figure"),
                curve=[list(point) for point in line.curve],
                needs=list(line.criterion.needs),
            )
            for one, line in zip(proposal.suggestions, rules.lines, strict=True)
        ],
        knocked=[KnockOut(key=key, words=named("knocked", key)) for key in proposal.minded],
        findings=[Finding(**finding(key)) for key in _findings(attempt, rules.time_limit_s)],
        found=attempt.by_hand,
        back_seen=back_from(back, goal.finish) if back else None,
        placeholders=placeholder_values(proposal.report, goal.target_width_mm, attempt.student.display_name, units),
    )


def _findings(attempt: Attempt, time_limit_s: float | None) -> list[str]:
    """The time taken is asked after only where it counts."""
    return [key for key in findings_asked_for(attempt.assignment) if key != "time_taken_s" or time_limit_s]
