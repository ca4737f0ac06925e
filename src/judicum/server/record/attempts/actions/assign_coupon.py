"""Giving a coupon to a class or to some of it."""

from collections.abc import Sequence
from datetime import date, datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.fields import Fields
from judicum.core.marking import USUAL_SCHEME
from judicum.core.quantities import QUANTITIES
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.queries import of_course
from judicum.server.catalogue.schemes.queries import newest_schemes
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members, staff_of
from judicum.server.people.roles import Role
from judicum.server.record.attempts.actions.open_attempt import open_attempt

GIVEN = Fields(
    "what is given",
    (QUANTITIES["target_width_mm"], QUANTITIES["good_in_a_row"], QUANTITIES["pass_mark"], CHOICES["finish"]),
)


@transaction.atomic
def assign_coupon(
    user: User,
    course_id: int,
    *,
    design_id: int,
    target_width_mm: float,
    finish: str,
    good_in_a_row: int,
    due_on: date,
    scheme: str = USUAL_SCHEME,
    pass_mark: float | None = None,
    student_ids: Sequence[int] | None = None,
    at: datetime | None = None,
) -> Assignment:
    """Assign a design and open the first attempt of every student it is given to.

    Args:
        scheme: code of the marking scheme. pass_mark: of 100, None for the scheme's.
        student_ids: who gets it; None for the whole class.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
        InvalidValue: an unknown design or student, a figure outside what is allowed.
    """
    course = staff_of(user, course_id).course
    design = of_course(course_id).filter(pk=design_id).first()
    if design is None:
        raise InvalidValue("design", design_id, said("allowed-a-design-of-the-library"))
    GIVEN.check(
        {"target_width_mm": target_width_mm, "good_in_a_row": good_in_a_row, "finish": finish, "pass_mark": pass_mark}
    )
    codes = [one.code for one in newest_schemes(course.pk)]
    if scheme not in codes:
        raise InvalidValue("scheme", scheme, one_of(codes))
    students = {m.user_id: m.user for m in members(course.pk, Role.STUDENT)}
    wanted = list(students) if student_ids is None else list(dict.fromkeys(student_ids))
    unknown = [i for i in wanted if i not in students]
    if unknown or not wanted:
        raise InvalidValue("students", unknown or "nobody", said("allowed-students-of-this-course"))
    assignment = Assignment.objects.create(
        course=course,
        design=design,
        target_width_mm=target_width_mm,
        finish=finish,
        good_in_a_row=good_in_a_row,
        due_on=due_on,
        scheme=scheme,
        pass_mark=pass_mark,
        created_by=user,
        created_at=at or timezone.now(),
    )
    for student_id in wanted:
        open_attempt(assignment, students[student_id], by=user, at=at)
    return assignment
