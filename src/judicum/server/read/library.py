"""The coupon library of a course, with how many have passed each coupon."""

from typing import Any

from django.db.models import Count, IntegerField, OuterRef, QuerySet, Subquery, Value
from django.db.models.functions import Coalesce

from judicum.server.catalogue.coupons.queries import newest_designs
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import membership_of
from judicum.server.people.roles import STAFF
from judicum.server.record.marking.models import Mark


def library_of(user: User, course_id: int) -> "QuerySet[Any]":
    """The newest version of every design, with `passed`: how many of the course passed any version of it; None for students.

    Raises:
        NotFound: not a course one takes part in.
    """
    role = membership_of(user, course_id).role
    designs = newest_designs(course_id)
    if role not in STAFF:
        return designs.annotate(passed=Value(None, output_field=IntegerField()))
    code = "attempt__assignment__design__code"
    marks = Mark.objects.filter(
        attempt__course_id=course_id, passed=True, returned_at__isnull=False, **{code: OuterRef("code")}
    )
    counted = marks.order_by().values(code).annotate(n=Count("attempt__student_id", distinct=True)).values("n")
    return designs.annotate(passed=Coalesce(Subquery(counted), 0))
