"""What is new for somebody, as lines by kind."""

from collections.abc import Callable
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from django.db.models import QuerySet

from judicum.server.follow.stock.low import stock_warnings
from judicum.server.follow.stock.queries import store_in
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import STAFF, Role
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import OVER, AttemptState, AttemptStep
from judicum.words.notices import coupon_line, low_line

AGAIN = {AttemptState.WELD_AGAIN: AttemptStep.SEND_BACK, AttemptState.PHOTO_ASKED: AttemptStep.ASK_PHOTO}
"""States that ask a student for something, and the step that leads there."""


def clock_of(user: User) -> ZoneInfo:
    """The clock of a person's first course that runs; UTC without one."""
    running = Membership.objects.filter(user=user, course__archived_at=None).order_by("id")
    return ZoneInfo(running.values_list("course__time_zone", flat=True).first() or "UTC")


def news_of(user: User, kinds: list[str], since: datetime, now: datetime) -> dict[str, list[str]]:
    """Lines by kind of what happened after `since`, is due the day after `now`, or runs low."""
    return {kind: lines for kind in kinds if kind in NEWS and (lines := NEWS[kind](user, since, now))}


def _mine(user: User) -> QuerySet[Attempt]:
    """A person's attempts of courses that run and in which they are a student."""
    running = Membership.objects.filter(user=user, role=Role.STUDENT, course__archived_at=None).values("course_id")
    return Attempt.objects.filter(student=user, course_id__in=running).select_related("assignment__design", "course")


def _line(attempt: Attempt, numbered: bool = True) -> str:
    number = attempt.number if numbered else None
    return coupon_line(attempt.assignment.design.title, number, attempt.course.name)


def _due(user: User, since: datetime, now: datetime) -> list[str]:
    tomorrow = now.astimezone(clock_of(user)).date() + timedelta(days=1)
    open_ones = _mine(user).filter(assignment__due_on=tomorrow).exclude(state__in=OVER)
    return list(dict.fromkeys(_line(one, numbered=False) for one in open_ones.order_by("assignment_id")))


def _returned(user: User, since: datetime, now: datetime) -> list[str]:
    back = _mine(user).filter(state=AttemptState.RETURNED, mark__returned_at__gt=since, mark__returned_at__lte=now)
    return [_line(one) for one in back.order_by("mark__returned_at")]


def _again(user: User, since: datetime, now: datetime) -> list[str]:
    asked = _mine(user).filter(state__in=AGAIN, events__kind__in=AGAIN.values())
    rows = asked.filter(events__at__gt=since, events__at__lte=now).order_by("updated_at", "id").distinct()
    return [f"{_line(one)}: {one.answer}" if one.answer else _line(one) for one in rows]


def _low(user: User, since: datetime, now: datetime) -> list[str]:
    teaches = Membership.objects.filter(user=user, role__in=STAFF, course__archived_at=None).select_related("course")
    return [
        low_line(line, member.course.name)
        for member in teaches.order_by("id")
        for line in stock_warnings(store_in(member.course))
    ]


NEWS: dict[str, Callable[[User, datetime, datetime], list[str]]] = {
    "due": _due,
    "returned": _returned,
    "again": _again,
    "low": _low,
}
