"""A student's whole story in a course: ladder, figures with where they are going, what was asked to change."""

from typing import Any

from judicum.core.acceptance import BANDS
from judicum.core.choices import FINISH_LEVEL
from judicum.core.progress.cone import cone
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.read.briefs import Brief
from judicum.server.read.progress.forecasts import SHARES, ladder_of
from judicum.server.read.progress.queries import student_over_time
from judicum.server.record.attempts.states import State
from judicum.server.record.attempts.visibility import Sight
from judicum.server.record.causes.models import Verdict

TINT, MARK = "tint_level", "total"
"""Figures beside the shares: the tint of the bead, and the mark."""
MOST_CHANGES = 20
"""The newest that are told of."""
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
        "ladder": _rungs(found["course"], found["attempts"], found["series"]),
        "changes": _changes(found["attempts"], sight),
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


def _rungs(course: Course, attempts: list[Brief], series: list[dict[str, Any]]) -> list[dict[str, Any]]:
    given = {one.goal.id: one.goal.code for one in attempts}
    tried = {one.goal.id for one in attempts if one.state != State.ASSIGNED}
    stand = {one["attempts"][0].goal.id: one for one in series}
    rungs, before_done = [], True
    for design in ladder_of(course):
        here = [pk for pk, code in given.items() if code == design.code]
        inside = [stand[pk] for pk in here if pk in stand]
        done = any(one["good_in_a_row"] >= one["attempts"][0].goal.good_in_a_row for one in inside)
        state = DONE if done else TRIED if set(here) & tried else READY if here or before_done else LOCKED
        assignment = max(here) if here else None
        rungs.append({"title": design.title, "state": state, "assignment": assignment})
        before_done = done
    return rungs


def _changes(attempts: list[Brief], sight: Sight) -> list[dict[str, Any]]:
    """What was asked to change, newest first, with what the next attempt showed; only of marks that this person sees."""
    told = [one for one in reversed(attempts) if one.next_change][:MOST_CHANGES]
    causes = {
        attempt: rest
        for attempt, *rest in Verdict.objects.filter(attempt__id__any=[one.id for one in told], taken=True).values_list(
            "attempt_id", "cause", "done", "gone"
        )
    }
    found = []
    for one in told:
        if not sight.sees_mark(one.state, one.returned_at, one.marker_id):
            continue
        cause, done, gone = causes.get(one.id, (None, "", ""))
        found.append(
            {
                "attempt": one.id, "title": one.goal.title, "number": one.number, "at": one.created_at, "text": one.next_change,
                "cause": cause if sight.teaches else None, "done": done, "gone": gone,
            }
        )  # fmt: skip
    return found
