"""How it goes: a student over time, and what waits in a course today."""

from datetime import timedelta
from typing import Any

from django.db.models import Count, OuterRef, Subquery
from django.db.models.functions import Coalesce
from django.utils import timezone

from judicum.core.acceptance import STUCK_DAYS
from judicum.core.errors import NotAllowed, NotFound
from judicum.core.progress import good_in_a_row, trend_per_attempt
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members, membership_of, staff_of
from judicum.server.people.roles import STAFF, Role
from judicum.server.read.briefs import Brief, briefs, in_brief
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import course_attempts
from judicum.server.record.attempts.states import HELD_BACK, State
from judicum.server.record.attempts.visibility import Sight
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Measurement


def student_over_time(user: User, course_id: int, student_id: int) -> dict[str, Any]:
    """A student's attempts, oldest first, and those that were photographed by coupon, with trends and good ones in a row.

    Raises:
        NotFound: not in the course. NotAllowed: a student asking for another.
    """
    mine = membership_of(user, course_id)
    if mine.role not in STAFF and student_id != user.pk:
        raise NotAllowed("A student sees only their own progress.")
    them = mine if student_id == user.pk else members(course_id).filter(user_id=student_id).first()
    if them is None or them.role != Role.STUDENT:
        raise NotFound(f"There is no student {student_id} in this course.")
    student = user if them is mine else them.user
    rows = in_brief(course_attempts(mine, student_id).order_by("created_at", "id"))
    every = briefs(rows, {student_id: student.display_name})
    groups: dict[int, list[Brief]] = {}
    for attempt in every:
        if attempt.state not in (State.ASSIGNED, State.LOGGED):
            groups.setdefault(attempt.goal.id, []).append(attempt)
    sight = Sight(user, mine.role in STAFF)
    return {
        "student": student,
        "course": mine.course,
        "sight": sight,
        "attempts": every,
        "series": [_series(group, sight) for group in groups.values()],
    }


def _series(attempts: list[Brief], sight: Sight) -> dict[str, Any]:
    figures = [a.figures for a in attempts if a.figures]
    passed = [
        a.passed for a in attempts if a.passed is not None and sight.sees_mark(a.state, a.returned_at, a.marker_id)
    ]
    return {
        "attempts": attempts,
        "width_cv_trend": trend_per_attempt([f["width_cv"] for f in figures if f["width_cv"] is not None]),
        "pitch_cv_trend": trend_per_attempt([f["pitch_cv"] for f in figures if f["pitch_cv"] is not None]),
        "good_in_a_row": good_in_a_row(passed),
    }


def desk(user: User, course_id: int) -> dict[str, Any]:
    """Today's desk of those who teach: counts of what waits, and each student's standing.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    waiting = Attempt.objects.filter(course_id=course_id).exclude(state=State.RETURNED)
    counts = dict(waiting.values_list("state").annotate(Count("id")).order_by())
    now = timezone.now()
    mine = Attempt.objects.filter(course_id=course_id, student_id=OuterRef("user_id"))
    late = mine.filter(state=State.ASSIGNED, number=1, assignment__due_on__lt=now.date())
    standing = members(course_id, Role.STUDENT).annotate(
        last_worked_at=Subquery(mine.exclude(state=State.ASSIGNED).order_by("-updated_at").values("updated_at")[:1]),
        overdue=Coalesce(Subquery(late.order_by().values("student_id").annotate(n=Count("id")).values("n")), 0),
    )
    since = now - timedelta(days=STUCK_DAYS)
    students = [
        {
            "student": m.user,
            "last_worked_at": m.last_worked_at,
            "overdue": m.overdue,
            "stuck": m.last_worked_at is None or m.last_worked_at < since,
        }
        for m in standing
    ]
    return {
        "to_mark": counts.get(State.MEASURED, 0) + counts.get(State.PHOTOGRAPHED, 0),
        "to_return": sum(counts.get(state, 0) for state in HELD_BACK),
        "measuring": Measurement.objects.filter(state__in=UNDER_WAY, photo__attempt__course_id=course_id).count(),
        "welding": sum(counts.get(state, 0) for state in (State.ASSIGNED, State.LOGGED, State.PHOTO_ASKED)),
        "students": students,
    }
