"""Marks, suggestions, phrases."""

from datetime import datetime
from typing import Annotated, Any

from pydantic import StringConstraints

from judicum.core.marking import MAX_NEXT
from judicum.server.answers.base import Answer, Codes, LongText, OneOf, Point, Request
from judicum.server.answers.people import Person
from judicum.server.record.attempts.actions.answer import ANSWERS

Scores = dict[str, float | None]
"""A score 0 to 10 by criterion, null where one does not apply."""


class Mark(Answer):
    """A mark by the criteria of its scheme; `lines` name them in order, `knocked` are the knock-outs that count, in words,
    `runs` the totals of runs that the next one covered, by their number."""

    scheme: str
    lines: dict[str, str]
    scores: Scores
    not_applying: list[str]
    knocked: list[str]
    waived: list[str]
    runs: dict[int, float]
    total: float
    passed: bool
    comment: str
    next_change: str
    marked_by: Person
    marked_at: datetime
    returned_at: datetime | None


class GivenMark(Answer):
    """One of two marks of an attempt, as it was given."""

    marked_by: Person
    scores: Scores
    total: float
    passed: bool
    comment: str


class SecondMark(Answer):
    """A second mark that was asked for; each mark is null to whom it is not shown yet. `lines` name the criteria in order."""

    by_lot: bool
    agreed: bool
    lines: dict[str, str]
    first: GivenMark | None
    second: GivenMark | None


class VersionRequest(Request):
    """The attempt's version that the person was looking at."""

    version: int


class SecondMarkRequest(VersionRequest):
    """A second mark, given without sight of the first."""

    scores: Scores
    not_applying: Codes = []
    waived: Codes = []
    comment: LongText = ""


class AgreedMarkRequest(SecondMarkRequest):
    """The mark that both stand behind."""

    next_change: LongText = ""


class MarkRequest(AgreedMarkRequest):
    """A mark to be set.

    `not_applying` are criteria without a score that do not apply, `waived` knock-outs that are not minded, `cause` the cause
    taken as what is to change next, `runs` the totals of covered runs by their number; left out, they stay.
    """

    runs: dict[int, float] | None = None
    cause: Annotated[str, StringConstraints(max_length=40)] | None = None


class AnswerRequest(VersionRequest):
    """An answer beside a mark, and why: the student reads it."""

    answer: Annotated[str, OneOf(tuple(ANSWERS))]
    why: LongText


class Suggestion(Answer):
    """What the evidence suggests for one line of the scheme, its weight in percent, and the figures behind it.

    `because` is all of it in words, in the person's units; `figure` is where the line's `curve` (figure, score) is read,
    `figure_in_words` the same in words. `applies` is false where the coupon makes the line empty.
    """

    criterion: str
    words: str
    weight: float
    score: float | None
    applies: bool
    reason: str
    because: str
    figure: float | None
    figure_in_words: str
    figure_name: str
    curve: list[Point]
    needs: list[str]


class Finding(Answer):
    """A finding by hand that the coupon calls for, and where it is measured."""

    key: str
    words: str
    at: str


class KnockOut(Answer):
    key: str
    words: str


class Proposal(Answer):
    """What the coupon's scheme suggests: its lines, what knocks out, the pass mark, findings that are asked for.

    `back_seen` is the option of `back` that its measured photo speaks for. `placeholders` are the values that stand for a
    phrase's placeholders at this attempt.
    """

    scheme: str
    pass_mark: float
    lines: list[Suggestion]
    knocked: list[KnockOut]
    findings: list[Finding]
    found: dict[str, Any]
    back_seen: str | None
    placeholders: dict[str, str]


class Phrase(Answer):
    key: int
    text: str


class PhrasesRequest(Request):
    """Texts by their key 1 to 9; those left out are removed."""

    phrases: dict[str, Annotated[str, StringConstraints(max_length=10 * MAX_NEXT)]]


class SecondShare(Answer):
    """The share (percent) of marks that goes to a second marker."""

    share: int


class SecondShareRequest(Request):
    share: int


class Interval(Answer):
    value: float
    low: float
    high: float


class AgreementLine(Answer):
    """How far second marks agree with first ones in one line; `said` is it in words."""

    key: str
    words: str
    pairs: int
    difference: Interval | None
    kappa: Interval | None
    icc: Interval | None
    said: str


class Marker(Answer):
    """One marker over time: marks of a hundred over what was suggested; the moving mean with limits of chance about `usual`."""

    marker: Person
    marks: int
    usual: float | None
    moving: list[float]
    limits: list[float]
    drifts: bool
    said: str


class Departure(Answer):
    """What was given over what was suggested, by criterion, in points of ten."""

    criterion: str
    words: str
    marks: int
    difference: Interval | None
    said: str


class ReferenceRequest(Request):
    """What the reference shows."""

    comment: Annotated[str, StringConstraints(min_length=1, max_length=10 * MAX_NEXT)]


class ScoresRequest(Request):
    scores: Scores


class GivenScores(Answer):
    scores: Scores
