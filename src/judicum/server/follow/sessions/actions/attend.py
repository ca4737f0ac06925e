"""Who is away, and who is there: tapped by those who teach, said by oneself, or by the code at the door."""

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotAllowed, NotFound, WrongState, said
from judicum.server.follow.sessions.models import Attendance, BoothSlot, Session
from judicum.server.follow.sessions.queries import now_is, session_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members, membership_of
from judicum.server.people.roles import STAFF, Role


@transaction.atomic
def set_attendance(user: User, session_id: int, student_id: int, there: bool | None) -> None:
    """Say that somebody is away or there (None: nothing is known); who is away loses their slot in it.

    Students say of themselves that they will be away; that they are there, the door's code or those who teach say.

    Raises:
        NotFound: no such session or student. NotAllowed: a student saying it of another, or that they are there.
    """
    session = session_for(user, session_id)
    if membership_of(user, session.course_id).role not in STAFF and (student_id != user.pk or there):
        raise NotAllowed(said("refused-students-say-of-themselves-that-they"))
    if not members(session.course_id, Role.STUDENT).filter(user_id=student_id).exists():
        raise NotFound(said("refused-there-is-no-student-in-this", student_id=student_id))
    _keep(session, student_id, there)


@transaction.atomic
def come_in(user: User, session_id: int, code: str) -> None:
    """A student comes in and types the door's code.

    Raises:
        InvalidValue: another code. WrongState: the session does not go on now. NotFound: not in the course.
    """
    session = session_for(user, session_id)
    if not now_is(session):
        raise WrongState(said("refused-the-doors-code-counts-from-an"))
    if code.strip() != session.door_code:
        raise InvalidValue("code", code, said("allowed-the-four-digits-at-the-door"))
    _keep(session, user.pk, True)


def _keep(session: Session, student_id: int, there: bool | None) -> None:
    if there is None:
        Attendance.objects.filter(session=session, user_id=student_id).delete()
        return
    Attendance.objects.update_or_create(
        session=session, user_id=student_id, defaults={"there": there, "at": timezone.now()}
    )
    if not there:
        BoothSlot.objects.filter(session=session, student_id=student_id).delete()
