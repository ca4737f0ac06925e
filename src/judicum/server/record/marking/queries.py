"""What an attempt's scheme suggests for it, and what another would have made of the marks there are."""

from dataclasses import dataclass
from typing import Any

from judicum.core.marking import (
    Evidence,
    Given,
    Reading,
    Suggestion,
    knocked_out,
    read_all,
    read_scheme,
    suggest,
    try_on,
)
from judicum.core.marking import Scheme as Rules
from judicum.core.photo.report import Report
from judicum.core.setup import read_coupon
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import checklist_for, coupon_of, worst_check
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.catalogue.schemes.queries import scheme_coded
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.models import Measurement
from judicum.server.record.photos.queries import measurement_that_counts

TRIED_ON = 50
"""Marks of the course that a changed scheme is tried on."""


def scheme_of(attempt: Attempt) -> Scheme:
    """The scheme an attempt is marked by: the version its mark stands on, else its coupon's newest."""
    mark = Mark.objects.select_related("scheme").filter(attempt=attempt).first()
    return mark.scheme if mark else scheme_coded(attempt.course_id, attempt.assignment.scheme)


def evidence_of(attempt: Attempt, rules: Rules, measurement: Measurement | None) -> Evidence:
    """All that a mark of the attempt can stand on; `measurement` is the one that counts."""
    goal: Assignment = attempt.assignment
    runs = list(attempt.runs.values())
    steps = checklist_for(goal)
    return Evidence(
        report=Report.from_json((measurement.result if measurement else None) or {}),
        coupon=read_coupon(coupon_of(goal, runs[0] if runs else None)),
        finish=goal.finish,
        target_width_mm=goal.target_width_mm,
        length_mm=goal.design.length_mm,
        checked=worst_check(goal, runs),
        prepared=(len([s for s in steps if s in attempt.prepared]), len(steps)) if attempt.prepared else None,
        restarts_mm=tuple(at for run in runs for at in run["restarts_mm"] or []),
        by_hand=attempt.by_hand,
        time_limit_s=rules.time_limit_s,
    )


@dataclass(frozen=True)
class Proposal:
    """What a scheme suggests for an attempt: its lines, every criterion's reading, and what knocks the coupon out.

    `measurement` is the one it stands on, `report` what that says (nothing where there is none).
    """

    measurement: Measurement | None
    report: Report
    scheme: Scheme
    rules: Rules
    suggestions: list[Suggestion]
    readings: dict[str, Reading]
    knocked: tuple[str, ...]

    @property
    def minded(self) -> list[str]:
        """What of `knocked` this scheme minds."""
        return [key for key in self.knocked if key in self.rules.knock_outs]


def propose(attempt: Attempt) -> Proposal:
    """What the attempt's scheme suggests for it as it stands now."""
    row, measurement = scheme_of(attempt), measurement_that_counts(attempt)
    rules = read_scheme(row.body)
    evidence = evidence_of(attempt, rules, measurement)
    readings = read_all(evidence)
    suggested = suggest(rules, evidence, readings)
    return Proposal(measurement, evidence.report, row, rules, suggested, readings, knocked_out(evidence))


def pass_mark_of(attempt: Attempt, rules: Rules) -> float:
    """The coupon's own pass mark, else the scheme's."""
    own = attempt.assignment.pass_mark
    return rules.pass_mark if own is None else own


def tried_on(user: User, course_id: int, rules: Rules, code: str | None) -> dict[str, Any]:
    """What a scheme would have made of the course's last marks: of its coupons where it has a code, else of all.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    marks = (
        Mark.objects.filter(attempt__course_id=course_id)
        .exclude(readings={})
        .exclude(attempt__state=AttemptState.SECOND_ASKED)
    )
    if code is not None:
        marks = marks.filter(attempt__assignment__scheme=code)
    rows = marks.select_related("attempt__student", "attempt__assignment__design").order_by("-marked_at", "-id")[
        :TRIED_ON
    ]
    shown = []
    for mark in rows:
        goal = mark.attempt.assignment
        knocked = tuple(key for key in mark.knocked if key not in mark.waived)
        then = try_on(rules, Given(mark.readings, mark.suggested, mark.scores, knocked, goal.pass_mark))
        shown.append(
            {
                "attempt": mark.attempt_id, "student": mark.attempt.student.display_name, "title": goal.design.title,
                "number": mark.attempt.number, "total": mark.total, "passed": mark.passed, "new_total": then.total,
                "new_passed": then.passed,
            }
        )  # fmt: skip
    return {
        "marks": shown,
        "pass_anew": sum(row["new_passed"] and not row["passed"] for row in shown),
        "fail_anew": sum(row["passed"] and not row["new_passed"] for row in shown),
    }
