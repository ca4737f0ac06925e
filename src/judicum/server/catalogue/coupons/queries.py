"""Reading designs and assignments."""

from django.db.models import Count, F, Q, QuerySet

from judicum.core.errors import NotFound, said
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import membership_of
from judicum.server.people.roles import STAFF


def newest_designs(course_id: int) -> QuerySet[Design]:
    """The newest version of every design that the course can give: the library's and its own."""
    newest = of_course(course_id).order_by("code", "-version").distinct("code").values("pk")
    return Design.objects.filter(pk__in=newest).order_by(F("stainless_step").asc(nulls_last=True), "carbon_step", "id")


def of_course(course_id: int) -> QuerySet[Design]:
    """Every version of the library's designs and of the course's own."""
    return Design.objects.filter(Q(course_id=course_id) | Q(course_id=None))


def assignments_for(user: User, course_id: int) -> QuerySet[Assignment]:
    """Assignments of a course: all for those who teach it, one's own for a student."""
    mine = membership_of(user, course_id)
    found = Assignment.objects.filter(course_id=course_id).select_related("design")
    if mine.role not in STAFF:
        found = found.filter(attempts__student=user).distinct()
    return found.annotate(students=Count("attempts__student", distinct=True)).order_by("-created_at", "-id")


def assignment_for(user: User, assignment_id: int) -> Assignment:
    """One assignment that the person may see.

    Raises:
        NotFound: there is none.
    """
    taught = Membership.objects.filter(user=user, role__in=STAFF).values("course_id")
    mine = Membership.objects.filter(user=user).values("course_id")
    given = Q(course_id__in=mine, attempts__student=user)
    rows = Assignment.objects.filter(Q(course_id__in=taught) | given).select_related("course", "design")
    found = rows.filter(pk=assignment_id).distinct().first()
    if found is None:
        raise NotFound(said("refused-there-is-no-assignment-for-you", assignment_id=assignment_id))
    return found
