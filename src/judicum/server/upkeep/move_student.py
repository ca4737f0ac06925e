"""A student moved to another course of the workshop, with all that they welded."""

from django.db import transaction
from django.db.models import Q
from django.utils import timezone

from judicum.core.errors import InvalidValue, NotAllowed, NotFound, WrongState, said
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.follow.sessions.models import Attendance, BoothSlot, CalendarSubscription, WeldedAt
from judicum.server.follow.stock.models import Use
from judicum.server.follow.trials.models import StartValue
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import instructor_of
from judicum.server.people.roles import Role
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Reference


@transaction.atomic
def move_student(user: User, course_id: int, member_id: int, to: int) -> Membership:
    """Take a student out of one course and into another, with attempts, photos, marks and log.

    Attempts go to the same coupon of the new course where the student has none at it yet, else to one that is given there
    like it was here. What belongs to the old course's sessions (places ahead, machines) stays behind; its reference beads
    of this student are let go.

    Raises:
        NotFound, NotAllowed: not instructor of both courses; no such member, or not a student. WrongState: archived.
        InvalidValue: the same course.
    """
    old, new = instructor_of(user, course_id).course, instructor_of(user, to).course
    if old.pk == new.pk:
        raise InvalidValue("to", to, said("allowed-another-course"))
    if new.archived_at is not None:
        raise WrongState(said("refused-the-course-to-move-to-is"))
    # Always in one order, so that two who move students the opposite ways wait for one another.
    list(Course.objects.select_for_update().filter(pk__in=(old.pk, new.pk)).order_by("pk"))
    member = Membership.objects.select_related("user").filter(course=old, pk=member_id).first()
    if member is None:
        raise NotFound(said("refused-there-is-no-member-in-this", member_id=member_id))
    if member.role != Role.STUDENT:
        raise NotAllowed(said("refused-only-students-are-moved-whoever-teaches"))
    student = member.user
    for given in Assignment.objects.filter(course=old, attempts__student=student).distinct().order_by("id"):
        _move_attempts(given, student, new)
    BoothSlot.objects.filter(student=student, session__course=old, session__date__gte=timezone.now().date()).delete()
    Attendance.objects.filter(user=student, session__course=old).delete()
    CalendarSubscription.objects.filter(user=student, course=old).delete()
    member.delete()
    there, _ = Membership.objects.get_or_create(course=new, user=student, defaults={"role": Role.STUDENT})
    return there


def _move_attempts(given: Assignment, student: User, new: Course) -> None:
    attempts = Attempt.objects.filter(assignment=given, student=student)
    keys = list(attempts.values_list("pk", flat=True))
    same = Assignment.objects.filter(course=new, design=given.design, scheme=given.scheme)
    there = same.exclude(attempts__student=student).order_by("-created_at").first() or _given_there(given, new)
    Reference.objects.filter(attempt__in=keys, released_at=None).update(released_at=timezone.now())
    WeldedAt.objects.filter(attempt__in=keys).delete()
    Use.objects.filter(attempt__in=keys).update(course=new)
    attempts.update(assignment=there, course=new)
    own = StartValue.objects.filter(student=student)
    kept = own.filter(assignment=there).values("key")
    own.filter(assignment=given).exclude(key__in=kept).update(assignment=there)


def _given_there(given: Assignment, new: Course) -> Assignment:
    """The same coupon given in another course, with the scheme by which it was marked."""
    schemes = Scheme.objects.filter(code=given.scheme)
    if not schemes.filter(Q(course=new) | Q(course=None)).exists():
        newest = schemes.filter(course=given.course).order_by("-version").first()
        if newest is not None:
            newest.pk, newest.course, newest.version = None, new, 1
            newest.save()
    copy = Assignment.objects.get(pk=given.pk)
    copy.pk, copy.course = None, new
    copy.save()
    return copy
