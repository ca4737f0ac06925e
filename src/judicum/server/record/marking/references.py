"""Reference beads of a course, and a marker's test of themselves on ten of them."""

from django.db.models import QuerySet

from judicum.core.errors import NotFound, said
from judicum.core.marking import CRITERIA, NOT_ON_THE_BEAD
from judicum.server.people.accounts.models import User
from judicum.server.record.marking.models import Reference, SelfTest

TEN = 10
"""Reference beads of one test: five minutes at half a minute a bead."""


def references_of(course_id: int) -> QuerySet[Reference]:
    """The reference beads kept in a course now, with their marks."""
    kept = Reference.objects.filter(attempt__course_id=course_id, released_at=None)
    return kept.select_related("attempt__mark__scheme", "kept_by")


def lines_of(reference: Reference) -> list[str]:
    """The criteria of a reference that a look at the bead alone can judge."""
    keys = [line["criterion"] for line in reference.attempt.mark.scheme.body["lines"]]
    return [key for key in keys if key not in NOT_ON_THE_BEAD and not CRITERIA[key].needs]


def self_test_of(user: User, test_id: int) -> SelfTest:
    """One's own test. Raises NotFound."""
    found = SelfTest.objects.filter(user=user, pk=test_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-test-of-yours", test_id=test_id))
    return found


def tested(user: User, course_id: int) -> bool:
    """Whether the person has finished a test in the course."""
    return SelfTest.objects.filter(user=user, course_id=course_id, finished_at__isnull=False).exists()
