"""A marker's test of themselves on reference beads."""

import secrets
from collections.abc import Mapping
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import NotFound, WrongState, said
from judicum.core.marking import check_scores, read_scheme, total
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.marking.models import SelfTest
from judicum.server.record.marking.references import TEN, references_of

MIN_REFERENCES = 3
"""Reference beads under which a test says nothing."""


@transaction.atomic
def begin_test(user: User, course_id: int, at: datetime | None = None) -> SelfTest:
    """Begin a test on at most TEN references drawn by lot, those first that somebody else marked.

    Raises:
        WrongState: fewer than FEWEST references are kept. NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    kept = list(references_of(course_id))
    if len(kept) < MIN_REFERENCES:
        raise WrongState(said("refused-a-test-needs-at-least-reference", least=MIN_REFERENCES, kept=len(kept)))
    secrets.SystemRandom().shuffle(kept)
    kept.sort(key=lambda one: one.attempt.mark.marked_by_id == user.pk)
    test = SelfTest.objects.create(course_id=course_id, user=user, started_at=at or timezone.now())
    test.references.set(kept[:TEN])
    return test


@transaction.atomic
def answer_bead(
    user: User, test_id: int, reference_id: int, scores: Mapping[str, float | None], at: datetime | None = None
) -> SelfTest:
    """Mark one bead of one's own test; with the last one it is finished.

    Raises:
        NotFound: no such test of one's own, or bead in it. WrongState: marked before.
        InvalidValues: scores outside what is allowed.
    """
    test = SelfTest.objects.select_for_update().filter(user=user, pk=test_id).first()
    if test is None:
        raise NotFound(said("refused-there-is-no-test-of-yours", test_id=test_id))
    reference = test.references.select_related("attempt__mark__scheme").filter(pk=reference_id).first()
    if reference is None:
        raise NotFound(said("refused-there-is-no-bead-in-this", reference_id=reference_id))
    if str(reference.pk) in test.given:
        raise WrongState(said("refused-this-bead-was-marked-before-a"))
    rules = read_scheme(reference.attempt.mark.scheme.body)
    # What no look at the bead can judge is not asked for.
    clean = check_scores(rules, {**dict.fromkeys(rules.keys), **scores})
    test.given[str(reference.pk)] = {"scores": clean, "total": total(rules, clean)}
    if len(test.given) == test.references.count():
        test.finished_at = at or timezone.now()
    test.save(update_fields=["given", "finished_at"])
    return test
