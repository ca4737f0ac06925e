"""Sessions read for a person, and as the question that the rota is made of."""

from collections import defaultdict
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import Any
from zoneinfo import ZoneInfo

from django.utils import timezone

from judicum.core.errors import NotFound, said
from judicum.core.planning.booths import minutes_for, over_code, stronger_than, wants_of
from judicum.core.planning.rota import USUAL_CHANGEOVER
from judicum.core.setup import read_coupon
from judicum.core.setup.machine import gives_a, read_machine
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for, coupon_of
from judicum.server.follow.sessions.models import Attendance, Booth, BoothNote, BoothSlot, CalendarSubscription, Session
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import members, membership_of
from judicum.server.people.roles import STAFF, Role
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState


@dataclass(frozen=True)
class Work:
    """One coupon that a student is to weld next, as a need of the rota."""

    student: User
    assignment: Assignment
    minutes: int
    wants: list[str]
    machine_a: float

    @property
    def key(self) -> str:
        """How the rota names it."""
        return need_key(self.assignment.pk, self.student.pk)


def need_key(assignment_id: int, student_id: int) -> str:
    return f"{assignment_id}-{student_id}"


def today_in(course: Course) -> date:
    """The day it is where the course meets."""
    return datetime.now(ZoneInfo(course.time_zone)).date()


def sessions_ahead(course: Course) -> list[Session]:
    """Sessions of today and later."""
    return list(Session.objects.filter(course=course, date__gte=today_in(course)))


def work_in(course: Course) -> list[Work]:
    """What everybody is to weld next at each coupon they were given, in the order coupons were given."""
    rows = Attempt.objects.filter(course=course, state=AttemptState.ASSIGNED).select_related(
        "student", "assignment__design"
    )
    open_ones = rows.order_by("student__display_name", "assignment__created_at", "assignment_id")
    known: dict[int, tuple[int, list[str], float]] = {}
    found = []
    for attempt in open_ones:
        goal = attempt.assignment
        if goal.pk not in known:
            coupon = read_coupon(coupon_of(goal, None))
            card = card_for(goal)
            known[goal.pk] = minutes_for(coupon), wants_of(coupon, card), card.current_a.machine
        found.append(Work(attempt.student, goal, *known[goal.pk]))
    return found


def question_of(course: Course, kept: list[BoothSlot]) -> dict[str, Any]:
    """The course's sessions ahead as the core's rota reads them (docs/rota.md); of `kept` the places stand."""
    sessions = sessions_ahead(course)
    ids = {session.pk for session in sessions}
    work = work_in(course)
    away: dict[int, list[str]] = defaultdict(list)
    for user, session in Attendance.objects.filter(session__in=ids, there=False).values_list("user_id", "session_id"):
        away[user].append(str(session))
    closed: dict[int, list[str]] = defaultdict(list)
    for booth, session in Booth.closed.through.objects.filter(session_id__in=ids).values_list("booth_id", "session_id"):
        closed[booth].append(str(session))
    last: dict[int, str] = {}
    needs = []
    booths = list(Booth.objects.filter(course=course))
    gives = {one.pk: gives_a(read_machine(one.machine)) for one in booths}
    limits = sorted({amps for amps in gives.values() if amps is not None})
    for one in work:
        due = one.assignment.due_on
        needs.append(
            {
                "id": one.key, "person": str(one.student.pk), "coupon": one.assignment.design.code, "minutes": one.minutes,
                "wants": [*one.wants, *(over_code(limit) for limit in limits if one.machine_a > limit)], "due": due.isoformat() if sessions and due >= sessions[0].date else None,
                "after": last.get(one.student.pk), "priority": 1,
            }
        )  # fmt: skip
        last[one.student.pk] = one.key
    there = {need["id"] for need in needs}
    return {
        "sessions": [
            {"id": str(one.pk), "date": one.date.isoformat(), "start": f"{one.start:%H:%M}", "minutes": one.minutes}
            for one in sessions
        ],
        "booths": [
            {"id": str(one.pk), "has": [*one.has, *stronger_than(gives[one.pk], limits)], "closed": closed[one.pk]}
            for one in booths
        ],
        "people": [{"id": str(one.user_id), "away": away[one.user_id]} for one in members(course.pk, Role.STUDENT)],
        "needs": needs,
        "changeover_minutes": USUAL_CHANGEOVER,
        "kept": [kept_row(one) for one in kept if need_key(one.assignment_id, one.student_id) in there],
    }


def kept_row(one: BoothSlot) -> dict[str, str]:
    """A slot as the rota's `kept`."""
    begins = datetime.combine(one.session.date, one.session.start) + timedelta(minutes=one.start)
    return {
        "need": need_key(one.assignment_id, one.student_id), "session": str(one.session_id), "booth": str(one.booth_id),
        "start": f"{begins:%H:%M}",
    }  # fmt: skip


def slots_ahead(course: Course) -> list[BoothSlot]:
    """Everybody's slots of today and later."""
    ahead = BoothSlot.objects.filter(session__course=course, session__date__gte=today_in(course))
    return list(ahead.select_related("session", "booth", "student", "assignment__design"))


def session_for(user: User, session_id: int) -> Session:
    """A session of a course one takes part in. Raises NotFound."""
    mine = Session.objects.select_related("course").filter(course__memberships__user=user)
    found = mine.filter(pk=session_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-session-for-you", session_id=session_id))
    return found


def my_slots(user: User, course_id: int) -> list[BoothSlot]:
    """One's own slots ahead. Raises NotFound."""
    course = membership_of(user, course_id).course
    return [one for one in slots_ahead(course) if one.student_id == user.pk]


def others_faults(user: User, course_id: int) -> set[int]:
    """Booths whose fault was reported by another student: this person is to know that there is one and to ask, not to read the
    words. Empty to those who teach."""
    staff = Membership.objects.filter(course_id=course_id, role__in=STAFF).values_list("user_id", flat=True)
    if user.pk in set(staff):
        return set()
    notes = BoothNote.objects.filter(booth__course_id=course_id, mended_at=None)
    return set(notes.exclude(by__in=[*staff, user.pk]).values_list("booth_id", flat=True))


def begins_at(session: Session, minutes: int = 0) -> datetime:
    """The moment so many minutes after a session's beginning, where the course meets."""
    zone = ZoneInfo(session.course.time_zone)
    return datetime.combine(session.date, session.start, zone) + timedelta(minutes=minutes)


def feed_of(token: str) -> CalendarSubscription:
    """The calendar of a secret address. Raises NotFound."""
    found = CalendarSubscription.objects.select_related("course", "user").filter(token=token).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-such-calendar"))
    return found


def now_is(session: Session) -> bool:
    """Whether a session goes on now, an hour before and after counted in."""
    hour = timedelta(hours=1)
    return begins_at(session) - hour <= timezone.now() <= begins_at(session, session.minutes) + hour
