"""A student over time, and what waits in a course today."""

from dataclasses import dataclass
from datetime import timedelta

from django.db.models import Count, OuterRef, Subquery
from django.db.models.functions import Coalesce
from django.utils import timezone

from judicum.core.acceptance import STUCK_DAYS
from judicum.core.errors import NotAllowed, NotFound, said
from judicum.server.answers.attempts import AttemptBrief
from judicum.server.answers.people import Person
from judicum.server.answers.progress import Desk, Standing
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import members, membership_of, staff_of
from judicum.server.people.roles import STAFF, Role
from judicum.server.read.attempts import policy_in
from judicum.server.read.briefs import briefs, in_brief
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import course_attempts
from judicum.server.record.attempts.states import HELD_BACK, AttemptState
from judicum.server.record.attempts.visibility import VisibilityPolicy
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Measurement


@dataclass(frozen=True)
class StudentRecord:
    """A student's attempts in a course, oldest first, as the policy's person may see them."""

    student: User
    course: Course
    policy: VisibilityPolicy
    attempts: list[AttemptBrief]

    def by_coupon(self) -> list[list[AttemptBrief]]:
        """Those that were photographed, by coupon, in the order of each coupon's first."""
        groups: dict[int, list[AttemptBrief]] = {}
        for attempt in self.attempts:
            if attempt.state not in (AttemptState.ASSIGNED, AttemptState.LOGGED):
                groups.setdefault(attempt.assignment.id, []).append(attempt)
        return list(groups.values())


def student_record(user: User, course_id: int, student_id: int) -> StudentRecord:
    """A student's record.

    Raises:
        NotFound: not in the course. NotAllowed: a student asking for another.
    """
    mine = membership_of(user, course_id)
    if mine.role not in STAFF and student_id != user.pk:
        raise NotAllowed(said("refused-a-student-sees-only-their-own"))
    them = mine if student_id == user.pk else members(course_id).filter(user_id=student_id).first()
    if them is None or them.role != Role.STUDENT:
        raise NotFound(said("refused-there-is-no-student-in-this", student_id=student_id))
    student = user if them is mine else them.user
    rows = in_brief(course_attempts(mine, student_id).order_by("created_at", "id"))
    policy = policy_in(mine)
    return StudentRecord(student, mine.course, policy, briefs(rows, policy, {student_id: student.display_name}))


def desk(user: User, course_id: int) -> Desk:
    """Today's desk of those who teach: counts of what waits, and each student's standing. While the course's attempts are brought
    in nobody is late: theirs may be still to come.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    filling = staff_of(user, course_id).course.filling is not None
    waiting = Attempt.objects.filter(course_id=course_id).exclude(state=AttemptState.RETURNED)
    counts = dict(waiting.values_list("state").annotate(Count("id")).order_by())
    now = timezone.now()
    mine = Attempt.objects.filter(course_id=course_id, student_id=OuterRef("user_id"))
    late = mine.filter(state=AttemptState.ASSIGNED, number=1, assignment__due_on__lt=now.date())
    standing = members(course_id, Role.STUDENT).annotate(
        last_worked_at=Subquery(
            mine.exclude(state=AttemptState.ASSIGNED).order_by("-updated_at").values("updated_at")[:1]
        ),
        overdue=Coalesce(Subquery(late.order_by().values("student_id").annotate(n=Count("id")).values("n")), 0),
    )
    since = now - timedelta(days=STUCK_DAYS)
    students = [
        Standing(
            student=Person(id=m.user_id, display_name=m.user.display_name),
            last_worked_at=m.last_worked_at,
            overdue=0 if filling else m.overdue,
            stuck=not filling and (m.last_worked_at or m.joined_at) < since,
        )
        for m in standing
    ]
    to_weld = (AttemptState.ASSIGNED, AttemptState.LOGGED, AttemptState.PHOTO_ASKED)
    return Desk(
        to_mark=counts.get(AttemptState.MEASURED, 0) + counts.get(AttemptState.PHOTOGRAPHED, 0),
        to_return=sum(counts.get(state, 0) for state in HELD_BACK),
        measuring=Measurement.objects.filter(state__in=UNDER_WAY, photo__attempt__course_id=course_id).count(),
        welding=sum(counts.get(state, 0) for state in to_weld),
        students=students,
    )
