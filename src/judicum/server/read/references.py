"""Reference beads beside the attempts they are of, and what a marker's test on them gave."""

from collections.abc import Mapping
from typing import Any

from django.db.models import QuerySet

from judicum.core.marking.agreement import Agreement, agreement
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.briefs import Brief, briefs, in_brief
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Reference, SelfTest
from judicum.server.record.marking.references import references_of


def references_for(user: User, course_id: int) -> list[tuple[Reference, Brief]]:
    """The reference beads of a course one teaches, with the attempt each is of.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    return with_briefs(references_of(course_id))


def with_briefs(references: QuerySet[Reference]) -> list[tuple[Reference, Brief]]:
    """References beside the attempt each is of."""
    rows = list(references)
    found = {one.id: one for one in briefs(in_brief(Attempt.objects.filter(pk__any=[r.attempt_id for r in rows])))}
    return [(row, found[row.attempt_id]) for row in rows]


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
