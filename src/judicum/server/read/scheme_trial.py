"""What another scheme would have made of the marks there are."""

from judicum.core.marking import GivenMark, try_on
from judicum.core.marking import Scheme as Rules
from judicum.server.answers.schemes import SchemeTrial, SchemeTrialMark
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.marking.models import Mark

TRIED_ON = 50
"""Marks of the course that a changed scheme is tried on."""


def scheme_trial(user: User, course_id: int, rules: Rules, code: str | None) -> SchemeTrial:
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
        then = try_on(rules, GivenMark(mark.readings, mark.suggested, mark.scores, knocked, goal.pass_mark))
        shown.append(
            SchemeTrialMark(
                attempt=mark.attempt_id,
                student=mark.attempt.student.display_name,
                title=goal.design.title,
                number=mark.attempt.number,
                total=mark.total,
                passed=mark.passed,
                new_total=then.total,
                new_passed=then.passed,
            )
        )
    return SchemeTrial(
        marks=shown,
        pass_anew=sum(row.new_passed and not row.passed for row in shown),
        fail_anew=sum(row.passed and not row.new_passed for row in shown),
    )
