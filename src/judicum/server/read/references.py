"""Reference beads beside the attempts they are of, and a marker's test of themselves on them."""

from django.db.models import QuerySet

from judicum.core.marking.agreement import agreement, scored_by_both
from judicum.server.answers.agreement import ReferenceBead, ReferenceBeads, SelfTest, SelfTestBead
from judicum.server.answers.attempts import AttemptBrief
from judicum.server.answers.marking import AgreementLine, GivenScores
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.agreement import agreement_line
from judicum.server.read.attempts import briefs_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.visibility import VisibilityPolicy, blind_to
from judicum.server.record.marking import models
from judicum.server.record.marking.models import Reference
from judicum.server.record.marking.references import lines_of, references_of, self_test_of, tested
from judicum.words.names import named


def references_page(user: User, course_id: int) -> ReferenceBeads:
    """The reference beads of a course one teaches, with the attempt each is of.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    rows = [
        ReferenceBead(
            id=reference.pk,
            attempt=attempt.id,
            title=attempt.assignment.design.title,
            comment=reference.comment,
            kept_by=reference.kept_by,
            total=reference.attempt.mark.total,
            measurement=attempt.measurement,
        )
        for reference, attempt in _with_briefs(user, references_of(course_id).exclude(blind_to(user, "attempt__")))
    ]
    return ReferenceBeads(tested=tested(user, course_id), references=rows)


def self_test_page(user: User, course_id: int, test_id: int) -> SelfTest:
    """One's own test. Raises NotFound, NotAllowed."""
    staff_of(user, course_id)
    test = self_test_of(user, test_id)
    references = (
        test.references.exclude(blind_to(user, "attempt__"))
        .select_related("attempt__mark__scheme", "kept_by")
        .order_by("pk")
    )
    beads, over = _with_briefs(user, references), test.finished_at is not None
    return SelfTest(
        id=test.pk,
        finished=over,
        result=_result(test, [reference for reference, _ in beads]) if over else None,
        beads=[_bead(test, reference, attempt, over) for reference, attempt in beads],
    )


def _with_briefs(user: User, references: QuerySet[Reference]) -> list[tuple[Reference, AttemptBrief]]:
    """References beside the attempt each is of."""
    rows = list(references)
    found = briefs_of(
        Attempt.objects.filter(pk__any=[one.attempt_id for one in rows]), VisibilityPolicy(user, teaches=True)
    )
    return [(row, found[row.attempt_id]) for row in rows]


def _bead(test: models.SelfTest, reference: Reference, attempt: AttemptBrief, over: bool) -> SelfTestBead:
    mark = reference.attempt.mark
    given = test.given.get(str(reference.pk))
    return SelfTestBead(
        id=reference.pk,
        title=attempt.assignment.design.title,
        target_width_mm=attempt.assignment.target_width_mm,
        measurement=attempt.measurement,
        lines={key: named("criterion", key) for key in lines_of(reference)},
        given=GivenScores(scores=given["scores"]) if given else None,
        given_total=given["total"] if given else None,
        scores=mark.scores if over else None,
        total=mark.total if over else None,
        comment=reference.comment if over else None,
    )


def _result(test: models.SelfTest, references: list[Reference]) -> AgreementLine:
    """How far a finished test agrees with the references, over all scores."""
    pairs: list[tuple[float, float]] = []
    for reference in references:
        given = test.given[str(reference.pk)]["scores"]
        pairs += scored_by_both(reference.attempt.mark.scores, given).values()
    return agreement_line("overall", agreement([a for a, _ in pairs], [b for _, b in pairs]))
