"""Who stands where: planned for everybody, placed by hand, taken out."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from django.db import transaction

from judicum.core.errors import InvalidValue, InvalidValues, NotFound, said
from judicum.core.planning.rota import Plan, minutes_of, read_rota
from judicum.core.planning.rota import plan as plan_rota
from judicum.core.planning.rota.ground import Ground
from judicum.server.follow.sessions.models import Booth, BoothSlot, Session
from judicum.server.follow.sessions.queries import kept_row, need_key, question_of, slots_ahead, today_in, work_in
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import staff_of
from judicum.words.units import date_words

SECONDS = 2.0
"""A person waits for it: an evening class is placed in half a second, the rest is polish."""


@transaction.atomic
def plan_rest(user: User, course_id: int) -> Plan:
    """Plan all that is to be welded on the sessions ahead; what was placed by hand stays where it is.

    Raises:
        InvalidValues: what was placed by hand contradicts itself. NotFound, NotAllowed: not a course one teaches.
    """
    course = _held(staff_of(user, course_id).course.pk)
    _forget_past(course)
    kept = [one for one in slots_ahead(course) if one.kept]
    asked = question_of(course, kept)
    found = plan_rota(read_rota(asked), SECONDS)
    minutes = {need["id"]: need["minutes"] for need in asked["needs"]}
    stay = {need_key(one.assignment_id, one.student_id) for one in kept}
    BoothSlot.objects.filter(session__course=course, kept=False).delete()
    sessions = {str(one.pk): one for one in Session.objects.filter(course=course)}
    made = []
    for one in found.slots:
        if one.need in stay:
            continue
        assignment, student = map(int, one.need.split("-"))
        session = sessions[one.session]
        start = (minutes_of(one.start) - 60 * session.start.hour - session.start.minute) % (24 * 60)
        made.append(
            BoothSlot(
                session=session, booth_id=int(one.booth), assignment_id=assignment, student_id=student, start=start,
                minutes=minutes[one.need],
            )
        )  # fmt: skip
    BoothSlot.objects.bulk_create(made)
    return found


@dataclass(frozen=True)
class Placed:
    """A slot placed by hand, and those that had to go for it."""

    slot: BoothSlot
    gone: list[BoothSlot]


@transaction.atomic
def place(
    user: User, course_id: int, assignment_id: int, student_id: int, session_id: int, booth_id: int, start: int
) -> Placed:
    """Place somebody by hand: it stays. Planned slots that stand in its way are taken out and named.

    Raises:
        InvalidValues: what makes it impossible: the booth, dates, absence, or another that was placed by hand.
        NotFound, NotAllowed: not a course one teaches; nothing of theirs to weld there.
    """
    course = _held(staff_of(user, course_id).course.pk)
    _forget_past(course)
    work = next((w for w in work_in(course) if (w.assignment.pk, w.student.pk) == (assignment_id, student_id)), None)
    session = Session.objects.filter(course=course, pk=session_id).first()
    booth = Booth.objects.filter(course=course, pk=booth_id).first()
    if work is None or session is None or booth is None:
        raise NotFound(said("refused-there-is-no-such-coupon-to"))
    others = [one for one in slots_ahead(course) if (one.assignment_id, one.student_id) != (assignment_id, student_id)]
    mine = BoothSlot(
        session=session, booth=booth, assignment=work.assignment, student=work.student, start=start, minutes=work.minutes,
        kept=True,
    )  # fmt: skip
    asked = question_of(course, [])
    try:
        _check(asked, [*(one for one in others if one.kept), mine])
    except InvalidValues as error:
        given = f"{work.student.display_name}, {booth.name}, {date_words(session.date)}, {kept_row(mine)['start']}"
        raise InvalidValues([InvalidValue("slot", given, one.allowed) for one in error.problems]) from error
    # One at a time, so that no more go than must: what still fits beside all that stays, stays.
    stay, gone = [one for one in others if one.kept], []
    for one in (one for one in others if not one.kept):
        try:
            _check(asked, [*stay, mine, one])
            stay.append(one)
        except InvalidValues:
            gone.append(one)
    BoothSlot.objects.filter(pk__in=[one.pk for one in gone]).delete()
    BoothSlot.objects.filter(assignment_id=assignment_id, student_id=student_id).delete()
    mine.save()
    return Placed(mine, gone)


@transaction.atomic
def remove_slot(user: User, course_id: int, slot_id: int) -> None:
    """Take a slot out.

    Raises:
        NotFound, NotAllowed: not a course one teaches, no such slot.
    """
    staff_of(user, course_id)
    gone, _ = BoothSlot.objects.filter(session__course_id=course_id, pk=slot_id).delete()
    if not gone:
        raise NotFound(said("refused-there-is-no-slot-in-this", slot_id=slot_id))


def _check(asked: Mapping[str, Any], kept: list[BoothSlot]) -> None:
    """Raises InvalidValues where these cannot all stand."""
    there = {need["id"] for need in asked["needs"]}
    rows = [row for one in kept if (row := kept_row(one))["need"] in there]
    Ground(read_rota({**asked, "kept": rows}))


def _forget_past(course: Course) -> None:
    """What was welded stands in the log of its attempt; a slot is a place in time to come."""
    BoothSlot.objects.filter(session__course=course, session__date__lt=today_in(course)).delete()


def _held(course_id: int) -> Course:
    """The course with its row held: two who plan at once wait for each other."""
    return Course.objects.select_for_update().get(pk=course_id)
