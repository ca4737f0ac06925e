"""Reference beads of a course, and a marker's test of themselves on ten of them."""

from collections.abc import Mapping
from typing import Any

from django.db.models import QuerySet

from judicum.core.errors import NotFound
from judicum.core.marking import CRITERIA, NOT_ON_THE_BEAD
from judicum.core.marking.agreement import Agreement, agreement
from judicum.server.accounts.models import User
from judicum.server.attempts.briefs import Brief, briefs, in_brief
from judicum.server.attempts.models import Attempt
from judicum.server.courses.queries import staff_of
from judicum.server.marking.models import Reference, SelfTest

TEN = 10
"""Reference beads of one test: five minutes at half a minute a bead."""


def references_of(course_id: int) -> QuerySet[Reference]:
    """The reference beads kept in a course now, with their marks."""
    kept = Reference.objects.filter(attempt__course_id=course_id, let_go_at=None)
    return kept.select_related("attempt__mark__scheme", "kept_by")


def references_for(user: User, course_id: int) -> list[tuple[Reference, Brief]]:
    """The reference beads of a course one teaches, with the attempt each is of.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    return with_briefs(references_of(course_id))


def lines_of(reference: Reference) -> list[str]:
    """The criteria of a reference that a look at the bead alone can judge."""
    keys = [line["criterion"] for line in reference.attempt.mark.scheme.body["lines"]]
    return [key for key in keys if key not in NOT_ON_THE_BEAD and not CRITERIA[key].needs]


def with_briefs(references: QuerySet[Reference]) -> list[tuple[Reference, Brief]]:
    """References beside the attempt each is of."""
    rows = list(references)
    found = {one.id: one for one in briefs(in_brief(Attempt.objects.filter(pk__any=[r.attempt_id for r in rows])))}
    return [(row, found[row.attempt_id]) for row in rows]


def self_test_of(user: User, test_id: int) -> SelfTest:
    """One's own test. Raises NotFound."""
    found = SelfTest.objects.filter(user=user, pk=test_id).first()
    if found is None:
        raise NotFound(f"There is no test {test_id} of yours.")
    return found


def beads_of(test: SelfTest) -> list[tuple[Reference, Brief]]:
    """The beads of a test, in its order."""
    return with_briefs(test.references.select_related("attempt__mark__scheme", "kept_by").order_by("pk"))


def result_of(test: SelfTest, beads: list[tuple[Reference, Brief]]) -> Agreement | None:
    """How far a finished test agrees with the references, over all scores; None before its end."""
    if test.finished_at is None:
        return None
    first, second = [], []
    for reference, _ in beads:
        given: Mapping[str, Any] = test.given[str(reference.pk)]["scores"]
        for key, score in reference.attempt.mark.scores.items():
            if score is not None and given.get(key) is not None:
                first.append(score)
                second.append(given[key])
    return agreement(first, second)


def tested(user: User, course_id: int) -> bool:
    """Whether the person has finished a test in the course."""
    return SelfTest.objects.filter(user=user, course_id=course_id, finished_at__isnull=False).exists()
