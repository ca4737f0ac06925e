"""Making a course's sessions: single ones, or a weekly pattern with holidays left out."""

from collections.abc import Collection
from datetime import date, time, timedelta

from django.db import transaction

from judicum.core.errors import InvalidValue, WrongState, said
from judicum.server.follow.sessions.models import Session
from judicum.server.follow.sessions.queries import session_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import instructor_of

MAX_WEEKS = 60
"""Weeks of one pattern: a year and its holidays."""
SHORTEST = 15
"""Minutes of a session, at least."""
LONGEST = 720
"""And at most: a day."""


@transaction.atomic
def make_sessions(
    user: User, course_id: int, first: date, start: time, minutes: int, weeks: int = 1, without: Collection[date] = ()
) -> list[Session]:
    """Make a session on `first` and on the same weekday of the weeks after it, but on no day in `without`.

    Raises:
        InvalidValue: minutes or weeks outside what is allowed. WrongState: one of them overlaps a session there is.
        NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    if not SHORTEST <= minutes <= LONGEST:
        raise InvalidValue("minutes", minutes, said("allowed-to-minutes", least=SHORTEST, most=LONGEST))
    if not 1 <= weeks <= MAX_WEEKS:
        raise InvalidValue("weeks", weeks, said("allowed-1-to", most=MAX_WEEKS))
    days = [day for k in range(weeks) if (day := first + timedelta(weeks=k)) not in without]
    begin = 60 * start.hour + start.minute
    for other in Session.objects.filter(course=course, date__in=days):
        theirs = 60 * other.start.hour + other.start.minute
        if begin < theirs + other.minutes and theirs < begin + minutes:
            raise WrongState(
                said("refused-there-is-a-session-on-at", date=f"{other.date:%d %b %Y}", start=f"{other.start:%H:%M}")
            )
    return [Session.objects.create(course=course, date=day, start=start, minutes=minutes) for day in days]


@transaction.atomic
def drop_session(user: User, session_id: int) -> None:
    """Take a session out of the calendar, with who stood where in it.

    Raises:
        NotFound, NotAllowed: not the course's instructor.
    """
    session = session_for(user, session_id)
    instructor_of(user, session.course_id)
    session.delete()
