"""Reading attempts, always for a person: who may see and change which, and with its row held."""

from django.db.models import Q, QuerySet

from judicum.core.errors import NotAllowed, NotFound, WrongState, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import STAFF
from judicum.server.record.attempts.models import Attempt, Event
from judicum.server.record.attempts.visibility import VisibilityPolicy

NO_ATTEMPT = "refused-no-attempt"


def visible_to(user: User) -> QuerySet[Attempt]:
    """Attempts of one's own and of every course one teaches."""
    taught = Membership.objects.filter(user=user, role__in=STAFF).values("course_id")
    return Attempt.objects.filter(Q(student=user) | Q(course_id__in=taught))


def attempt_for(user: User, attempt_id: int) -> Attempt:
    """One attempt that the person may see.

    Raises:
        NotFound: there is none.
    """
    found = (
        visible_to(user)
        .select_related("assignment__design", "assignment__course", "student")
        .filter(pk=attempt_id)
        .first()
    )
    if found is None:
        raise NotFound(said(NO_ATTEMPT, attempt_id=attempt_id))
    return found


def teaches(user: User, attempt: Attempt) -> bool:
    """Whether the person teaches the attempt's course."""
    return Membership.objects.filter(user=user, course_id=attempt.course_id, role__in=STAFF).exists()


def own_attempt(user: User, attempt_id: int) -> Attempt:
    """The student's own attempt, to go on with: they still take part in its course, and the course runs.

    Raises:
        NotFound: not visible. NotAllowed: somebody else's, or not in the course any more. WrongState: archived.
    """
    attempt = attempt_for(user, attempt_id)
    if attempt.student_id != user.pk:
        raise NotAllowed(said("refused-only-the-student-who-welds-the"))
    check_takes_part(user, attempt)
    return attempt


def check_takes_part(user: User, attempt: Attempt) -> None:
    """Raises NotAllowed where the person was let go from the attempt's course, WrongState where it is archived."""
    if not Membership.objects.filter(user=user, course_id=attempt.course_id).exists():
        raise NotAllowed(said("refused-no-longer-in-course"))
    if attempt.assignment.course.archived_at is not None:
        raise WrongState(said("refused-the-course-is-archived-it-can"))


def held_own(user: User, attempt_id: int) -> Attempt:
    """The student's own attempt with its row held until the transaction ends. Raises as `own_attempt`."""
    own_attempt(user, attempt_id)
    return held(attempt_id)


def held_as_staff(user: User, attempt_id: int) -> Attempt:
    """An attempt of a course one teaches with its row held until the transaction ends.

    Raises:
        NotFound: not visible. NotAllowed: not one who teaches the course. WrongState: archived.
    """
    attempt = attempt_for(user, attempt_id)
    if not teaches(user, attempt):
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants"))
    check_takes_part(user, attempt)
    return held(attempt_id)


def held(attempt_id: int) -> Attempt:
    """An attempt with its row held (SELECT … FOR UPDATE)."""
    return (
        Attempt.objects.select_for_update(of=("self",))
        .select_related("assignment__design", "assignment__course", "student")
        .get(pk=attempt_id)
    )


def visible_events(user: User, attempt: Attempt) -> list[Event]:
    """The log as this person may read it, oldest first."""
    return VisibilityPolicy(user, teaches(user, attempt)).events(log_of(attempt), marks_blind(user, attempt))


def marks_blind(user: User, attempt: Attempt) -> bool:
    """Whether the person is not to see the first mark of an attempt that waits for a second."""
    marker = Attempt.objects.filter(pk=attempt.pk).values_list("mark__marked_by", flat=True).first()
    return VisibilityPolicy(user, teaches(user, attempt)).blind(attempt.state, marker)


def log_of(attempt: Attempt) -> QuerySet[Event]:
    """All that happened to an attempt, oldest first, whoever asks; `visibility.VisibilityPolicy` says what of it is shown."""
    return attempt.events.select_related("actor").order_by("at", "id")


def visibility_of(user: User, attempt: Attempt) -> VisibilityPolicy:
    """This person's view of one attempt."""
    return VisibilityPolicy(user, teaches(user, attempt))


def course_attempts(
    mine: Membership,
    student_id: int | None = None,
    states: list[str] | None = None,
    assignment_id: int | None = None,
) -> QuerySet[Attempt]:
    """Attempts of a member's course: all for those who teach it, one's own for a student."""
    found = Attempt.objects.filter(course_id=mine.course_id)
    if mine.role not in STAFF:
        found = found.filter(student_id=mine.user_id)
    if student_id is not None:
        found = found.filter(student_id=student_id)
    if assignment_id is not None:
        found = found.filter(assignment_id=assignment_id)
    if states:
        found = found.filter(**{f"{VisibilityPolicy(mine.user, mine.role in STAFF).column('state')}__in": states})
    return found
