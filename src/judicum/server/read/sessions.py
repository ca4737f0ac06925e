"""A course's sessions as its pages show them; one's own; the machine an attempt is welded with."""

from collections import defaultdict

from judicum.core.planning.booths import FEATURES
from judicum.core.planning.rota import USUAL_CHANGEOVER, Plan
from judicum.server.answers.attempts import Run
from judicum.server.answers.sessions import (
    Attendance,
    Booth,
    BoothName,
    BoothNote,
    BoothSlot,
    CourseSession,
    Machine,
    MachineAdvice,
    MachineProfile,
    MyBoothSlot,
    MySession,
    MySessions,
    SessionPlan,
    Unplaced,
    WorkAhead,
    WorkedAt,
)
from judicum.server.follow.sessions import models
from judicum.server.follow.sessions.machine import machine_of
from judicum.server.follow.sessions.queries import (
    Work,
    my_slots,
    now_is,
    others_faults,
    sessions_ahead,
    slots_ahead,
    work_in,
)
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members, membership_of, staff_of
from judicum.server.people.roles import Role
from judicum.words import Units
from judicum.words.catalogue import t
from judicum.words.names import named
from judicum.words.sessions import bring_words, set_words, unplaced_words, when_words
from judicum.words.setup import advised

MAX_NOTES = 60
"""The newest notes of what was broken that the page shows."""


def session_plan(user: User, course_id: int) -> SessionPlan:
    """A course's sessions ahead for those who teach it.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    sessions = sessions_ahead(course)
    ids = [one.pk for one in sessions]
    closed: dict[int, list[int]] = defaultdict(list)
    shut = models.Booth.closed.through.objects.filter(session_id__in=ids)
    for booth, session in shut.values_list("booth_id", "session_id"):
        closed[booth].append(session)
    notes = models.BoothNote.objects.filter(booth__course=course).select_related("by")[:MAX_NOTES]
    attendance = models.Attendance.objects.filter(session__in=sessions)
    return SessionPlan(
        time_zone=course.time_zone,
        changeover_minutes=USUAL_CHANGEOVER,
        features={key: named("feature", key) for key in FEATURES},
        sessions=[CourseSession.model_validate(one) for one in sessions],
        booths=[
            Booth(
                id=one.pk,
                name=one.name,
                has=one.has,
                machine=MachineProfile(**one.machine),
                broken=one.broken,
                closed=closed.get(one.pk, []),
            )
            for one in models.Booth.objects.filter(course=course)
        ],
        notes=[BoothNote.model_validate(one) for one in notes],
        people=[one.user for one in members(course_id, Role.STUDENT)],
        attendance=[Attendance(session=one.session_id, student=one.user_id, there=one.there) for one in attendance],
        slots=[_slot(one) for one in slots_ahead(course)],
        work=[_work(one) for one in work_in(course)],
    )


def _slot(one: models.BoothSlot) -> BoothSlot:
    return BoothSlot(
        id=one.pk,
        session=one.session_id,
        booth=one.booth_id,
        assignment=one.assignment_id,
        title=one.assignment.design.title,
        student=one.student,
        start=one.start,
        minutes=one.minutes,
        kept=one.kept,
    )


def _work(one: Work) -> WorkAhead:
    return WorkAhead(
        assignment=one.assignment.pk,
        title=one.assignment.design.title,
        student=one.student,
        minutes=one.minutes,
        wants=[named("feature", key) for key in one.wants],
        due_on=one.assignment.due_on,
    )


def unplaced_of(plan: Plan) -> list[Unplaced]:
    """What is not scheduled, and why."""
    rows = []
    for one in plan.unplaced:
        assignment, student = map(int, one.need.split("-"))
        words = unplaced_words(one.why, one.what)
        rows.append(Unplaced(assignment=assignment, student=student, why=one.why, words=words))
    return rows


def my_sessions(user: User, course_id: int) -> MySessions:
    """Where one welds, and when the course meets. Raises NotFound."""
    course = membership_of(user, course_id).course
    sessions = sessions_ahead(course)
    said = dict(models.Attendance.objects.filter(session__in=sessions, user=user).values_list("session_id", "there"))
    hidden = others_faults(user, course_id)
    return MySessions(
        slots=[
            MyBoothSlot(
                when=when_words(one.session.date, one.session.start, one.start),
                booth=one.booth.name,
                broken=_fault(one.booth, hidden),
                title=one.assignment.design.title,
                minutes=one.minutes,
                bring=bring_words(one.assignment.design.joint),
            )
            for one in my_slots(user, course_id)
        ],
        sessions=[
            MySession(
                id=one.pk,
                when=when_words(one.date, one.start, 0),
                away=said.get(one.pk) is False,
                there=said.get(one.pk) is True,
                now=now_is(one),
            )
            for one in sessions
        ],
    )


def machine_page(user: User, attempt_id: int, units: Units) -> Machine:
    """The machine an attempt is welded with, and what worked on it last. Raises NotFound."""
    found = machine_of(user, attempt_id)
    worked = found.worked and WorkedAt(
        at=found.worked.at, words=set_words(found.worked.run, units), run=Run(**{key: found.worked.run[key] for key in Run.model_fields})
    )  # fmt: skip
    hidden = others_faults(user, found.course_id)
    booths = [BoothName(id=one.pk, name=one.name, broken=_fault(one, hidden)) for one in found.booths]
    marked = found.booth.machine if found.booth else {}
    advice = [MachineAdvice(code=one.code, words=advised(one, units), hides=list(one.hides)) for one in found.advice]
    return Machine(
        booth=found.booth.pk if found.booth else None,
        booths=booths,
        worked=worked,
        advice=advice,
        ac_controls=marked.get("ac_controls", ""),
        knobs=marked.get("knobs", ""),
    )


def _fault(booth: models.Booth, hidden: set[int]) -> str:
    """What does not work at a booth; where the words are another student's, that something does not."""
    return t("booth-fault-reported") if booth.pk in hidden else booth.broken
