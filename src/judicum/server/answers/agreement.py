"""Whether those who teach a course mark alike: agreement, reference beads, self-tests."""

from datetime import date

from judicum.server.answers.base import Answer
from judicum.server.answers.marking import AgreementLine, Departure, GivenScores, Marker, Scores
from judicum.server.answers.people import Person
from judicum.server.answers.photos import MeasurementSummary
from judicum.server.answers.schemes import SchemeBody


class SchemeOffer(Answer):
    """A version of a scheme whose curves fit better what was given; nothing changes until somebody keeps it."""

    code: str
    title: str
    version: int
    changed: list[str]
    scheme: SchemeBody


class SuggestedCause(Answer):
    """A cause that stood first, and what was made of it: how often it was confirmed, ruled out, and what was confirmed instead."""

    code: str
    words: str
    first: int
    confirmed: int
    ruled_out: int
    instead: list[str]


class MonthOfCauses(Answer):
    """First suggestions of a month (its first day) on which a cause was confirmed, and how many of them were right."""

    month: date
    judged: int
    right: int


class Agreement(Answer):
    """How alike a course is marked; `share` (percent) of its marks goes to a second marker. `causes` and `months` say how causes that
    were suggested first fared."""

    share: int
    lines: list[AgreementLine]
    markers: list[Marker]
    departures: list[Departure]
    offers: list[SchemeOffer]
    causes: list[SuggestedCause]
    months: list[MonthOfCauses]


class ReferenceBead(Answer):
    """A reference bead with its mark."""

    id: int
    attempt: int
    title: str
    comment: str
    kept_by: Person
    total: float
    measurement: MeasurementSummary | None


class ReferenceBeads(Answer):
    """The reference beads of a course, and whether the one who asks has tested themselves."""

    tested: bool
    references: list[ReferenceBead]


class SelfTestBead(Answer):
    """One bead of a self-test; the reference's scores, total and comment only once it is finished."""

    id: int
    title: str
    target_width_mm: float
    measurement: MeasurementSummary | None
    lines: dict[str, str]
    given: GivenScores | None
    given_total: float | None
    scores: Scores | None
    total: float | None
    comment: str | None


class SelfTest(Answer):
    id: int
    finished: bool
    result: AgreementLine | None
    beads: list[SelfTestBead]
