"""A student's whole story in a course: ladder, figures with where they are going, what was asked to change."""

from typing import Any

from judicum.core.acceptance import BANDS
from judicum.core.choices import FINISH_LEVEL
from judicum.core.progress.cone import cone
from judicum.server.accounts.models import User
from judicum.server.attempts.briefs import Brief
from judicum.server.attempts.models import Attempt
from judicum.server.attempts.states import State
from judicum.server.attempts.visibility import Sight
from judicum.server.causes.models import Verdict
from judicum.server.coupons.models import Assignment
from judicum.server.courses.models import Course
from judicum.server.progress.forecasts import SHARES, ladder_of
from judicum.server.progress.queries import student_over_time

TINT, MARK = "tint_level", "total"
"""Figures beside the shares: the tint of the bead, and the mark."""
DONE, TRIED, READY, LOCKED = RUNGS = ("done", "tried", "ready", "locked")
"""Where a student stands at a rung: enough good ones in a row; welded; given or next; not yet."""


def story(user: User, course_id: int, student_id: int) -> dict[str, Any]:
    """All that a course has of a student, in one answer: what `student_over_time` gives, each coupon's figures with the band
    and where they go, the ladder, and what was asked to change with what became of it.

    Raises:
        NotFound: not in the course. NotAllowed: a student asking for another.
    """
    found = student_over_time(user, course_id, student_id)
    sight: Sight = found["sight"]
    for series in found["series"]:
        series["figures"] = _figures(series["attempts"], sight)
        series["engines"] = sorted({a.figures["engine_version"] for a in series["attempts"] if a.figures})
    return {
        **found,
        "ladder": _rungs(course_id, student_id, found["series"]),
        "changes": _changes(course_id, student_id, sight),
    }


def _figures(attempts: list[Brief], sight: Sight) -> list[dict[str, Any]]:
    goal = attempts[-1].goal
    measured = {key: [a.figures[key] if a.figures else None for a in attempts] for key in (*SHARES, TINT)}
    marks = [a.mark_total if sight.sees_mark(a.state, a.returned_at, a.marker_id) else None for a in attempts]
    good = {**{key: BANDS[key].good for key in SHARES}, TINT: float(FINISH_LEVEL[goal.finish]), MARK: None}
    return [
        {"key": key, "good": good[key], "values": values, "cone": cone([v for v in values if v is not None])}
        for key, values in {**measured, MARK: marks}.items()
    ]


def _rungs(course_id: int, student_id: int, series: list[dict[str, Any]]) -> list[dict[str, Any]]:
    rows = Attempt.objects.filter(course_id=course_id, student_id=student_id)
    given = dict(rows.values_list("assignment_id", "assignment__design__code").distinct())
    tried = set(rows.exclude(state=State.ASSIGNED).values_list("assignment_id", flat=True))
    stand = {one["attempts"][0].goal.id: one for one in series}
    rungs, before_done = [], True
    for design in ladder_of(Course.objects.get(pk=course_id)):
        here = [pk for pk, code in given.items() if code == design.code]
        inside = [stand[pk] for pk in here if pk in stand]
        done = any(one["good_in_a_row"] >= one["attempts"][0].goal.good_in_a_row for one in inside)
        state = DONE if done else TRIED if set(here) & tried else READY if here or before_done else LOCKED
        assignment = max(here) if here else None
        rungs.append({"title": design.title, "state": state, "assignment": assignment})
        before_done = done
    return rungs


def _changes(course_id: int, student_id: int, sight: Sight) -> list[dict[str, Any]]:
    """What was asked to change, newest first, with what the next attempt showed; only of marks that this person sees."""
    rows = Attempt.objects.filter(course_id=course_id, student_id=student_id, mark__isnull=False)
    causes = {
        one.attempt_id: one
        for one in Verdict.objects.filter(attempt__course_id=course_id, attempt__student_id=student_id, taken=True)
    }
    goals = dict(Assignment.objects.filter(course_id=course_id).values_list("pk", "design__title"))
    found = []
    for attempt in rows.select_related("mark").exclude(mark__next_change="").order_by("-created_at", "-pk"):
        mark = attempt.mark
        if not sight.sees_mark(attempt.state, mark.returned_at, mark.marked_by_id):
            continue
        verdict = causes.get(attempt.pk)
        found.append(
            {
                "attempt": attempt.pk, "title": goals[attempt.assignment_id], "number": attempt.number,
                "at": attempt.created_at, "text": mark.next_change,
                "cause": verdict.cause if verdict and sight.teaches else None,
                "done": verdict.done if verdict else "", "gone": verdict.gone if verdict else "",
            }
        )  # fmt: skip
    return found
