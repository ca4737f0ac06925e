"""Making a course: a fresh one, or one like another."""

from datetime import timedelta

from django.db import transaction
from django.utils import timezone
from django.utils.text import slugify

from judicum.core.choices import SCHOOLS
from judicum.core.errors import NotAllowed, said
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.follow.sessions.models import Booth
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.codes import fresh_code
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.names import check_course_name
from judicum.server.people.courses.queries import instructor_of, may_make_courses
from judicum.server.people.roles import Role

COPIED = (*SCHOOLS, "methods", "time_zone", "second_share", "calliper_share")
"""What of a course's own columns another one takes over."""


@transaction.atomic
def create_course(user: User, name: str, like: int | None = None) -> Course:
    """A new course whose instructor the person is.

    Args:
        like: a course of one's own to copy: schools, schemes, coupons of its own, what was given when, booths; not the people and
            nothing that was welded. What was given is due as long after today as it was after that course began.

    Raises:
        InvalidValue: no name, or one too long. NotAllowed: neither an owner nor an instructor of any course. NotFound: `like` is not one's own.
    """
    if not may_make_courses(user):
        raise NotAllowed(said("refused-only-an-owner-of-the-workshop"))
    kept = check_course_name(name)
    course = Course.objects.create(workshop=user.workshop, name=kept, join_code=fresh_code())
    Membership.objects.create(course=course, user=user, role=Role.INSTRUCTOR)
    if like is not None:
        _copy(instructor_of(user, like).course, course, user)
    return course


def _copy(old: Course, new: Course, user: User) -> None:
    for key in COPIED:
        setattr(new, key, getattr(old, key))
    new.save(update_fields=list(COPIED))
    for scheme in Scheme.objects.filter(course=old).order_by("code", "-version").distinct("code"):
        scheme.pk, scheme.course = None, new
        scheme.save()
    designs = {}
    for design in Design.objects.filter(course=old).order_by("code", "-version").distinct("code"):
        was = design.code
        design.pk, design.course, design.version = None, new, 1
        design.code = f"{slugify(was)[:28]}-{new.pk}"
        design.save()
        designs[was] = design
    later = timezone.now().date() - old.created_at.date()
    for given in Assignment.objects.filter(course=old).select_related("design").order_by("created_at", "id"):
        given.pk, given.course, given.created_by = None, new, user
        given.design = designs.get(given.design.code, given.design)
        given.due_on, given.created_at = given.due_on + later, timezone.now() + timedelta(microseconds=1)
        given.save()
    for booth in Booth.objects.filter(course=old):
        Booth.objects.create(course=new, name=booth.name, has=booth.has, machine=booth.machine)
