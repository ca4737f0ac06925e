"""What waits for those who teach, in the order they want to take it: the list on the desk and what follows after a mark."""

from typing import Any

from django.db.models import Case, Count, IntegerField, OuterRef, QuerySet, Subquery, Value, When
from django.db.models.functions import Coalesce

from judicum.core.errors import InvalidValue, one_of
from judicum.server.answers.attempts import NEEDS, NextAttempt, Waiting, WaitingAttempt
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.attempts import briefs_of, policy_in
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import WAITING, AttemptState
from judicum.server.record.marking.models import Mark

ORDERS: dict[str, tuple[str, ...]] = {
    "waited": ("updated_at", "id"),
    "need": ("-need", "updated_at", "id"),
    "coupon": ("assignment_id", "updated_at", "id"),
}
STUCK_AFTER = 3
"""Failed in a row at one coupon."""
MAX_WAITING = 50
"""Attempts of the list that are told of; what is behind them comes up when these are marked."""


def waiting_in(user: User, course_id: int, order: str = "waited", assignment_id: int | None = None) -> "QuerySet[Any]":
    """Attempts that wait for a mark or its return, with their `need` (an index of NEEDS), in one of ORDERS.

    Those that wait for a second mark beside the one by `user` are left out: they wait for somebody else.

    Raises:
        InvalidValue: another order.
    """
    if order not in ORDERS:
        raise InvalidValue("order", order, one_of(ORDERS))
    found = Attempt.objects.filter(course_id=course_id, state__in=WAITING).exclude(
        state=AttemptState.SECOND_ASKED, mark__marked_by=user
    )
    if assignment_id is not None:
        found = found.filter(assignment_id=assignment_id)
    before: dict[str, Any] = {
        "attempt__assignment_id": OuterRef("assignment_id"),
        "attempt__student_id": OuterRef("student_id"),
        "attempt__number__lt": OuterRef("number"),
        "returned_at__isnull": False,
    }
    passed = Mark.objects.filter(**before, passed=True).order_by("-attempt__number").values("attempt__number")[:1]
    failed = Mark.objects.filter(**before, passed=False, attempt__number__gt=OuterRef("last_good"))
    count = failed.order_by().values("attempt__student_id").annotate(times=Count("id")).values("times")
    return (
        found.annotate(last_good=Coalesce(Subquery(passed), 0))
        .annotate(failed=Coalesce(Subquery(count), 0))
        .annotate(
            need=Case(
                When(failed__gte=STUCK_AFTER, then=Value(NEEDS.index("stuck"))),
                When(failed__gt=0, then=Value(NEEDS.index("failing"))),
                When(number=1, then=Value(NEEDS.index("first"))),
                default=Value(NEEDS.index("none")),
                output_field=IntegerField(),
            )
        )
        .order_by(*ORDERS[order])
    )


def waiting_page(user: User, course_id: int, order: str, assignment_id: int | None) -> Waiting:
    """What waits for those who teach, in the order asked for: at most MAX_WAITING of it, and how many there are.

    Raises:
        InvalidValue: another order. NotFound, NotAllowed: not a course one teaches.
    """
    mine = staff_of(user, course_id)
    found = waiting_in(user, course_id, order, assignment_id)
    needs = {pk: NEEDS[need] for pk, need in found.values_list("pk", "need")[:MAX_WAITING]}
    by_id = briefs_of(Attempt.objects.filter(pk__in=needs), policy_in(mine))
    rows = [WaitingAttempt(**dict(by_id[pk]), need=need) for pk, need in needs.items() if pk in by_id]
    return Waiting(count=found.count(), attempts=rows)


def next_waiting(
    user: User, course_id: int, replace: int | None = None, order: str = "waited", assignment_id: int | None = None
) -> NextAttempt:
    """The attempt of a course that is to be looked at next, of all there are in that order.

    Raises:
        InvalidValue: another order. NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    waiting = waiting_in(user, course_id, order, assignment_id)
    if replace is not None:
        waiting = waiting.exclude(pk=replace)
    return NextAttempt(attempt=waiting.values_list("pk", flat=True).first())
