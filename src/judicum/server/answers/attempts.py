"""Attempts: in lists, and one with all that belongs to it."""

from datetime import date, datetime
from typing import Annotated, Any

from pydantic import Field, StringConstraints, create_model

from judicum.core.datalog import MachineFigures
from judicum.core.marking import FINDINGS
from judicum.core.setup import RUN
from judicum.server.answers.base import Answer, OneOf, Request, fields_model
from judicum.server.answers.causes import RequestedChange
from judicum.server.answers.coupons import Card, Design, Finish, RunCheck
from judicum.server.answers.marking import Mark, SecondMark
from judicum.server.answers.people import Person
from judicum.server.answers.photos import MeasurementSummary, Photo
from judicum.server.answers.starts import StartFigure
from judicum.server.record.attempts.states import AttemptState, AttemptStep

NEEDS = ("none", "first", "failing", "stuck")
"""By growing need: nothing, the student's first at this coupon, the last one failed, several in a row failed."""

Run = fields_model("Run", RUN, Answer, "What was set, done and noticed for one run; null where it was not noted.")
RunRequest = fields_model(
    "RunRequest", RUN, Request, "A run to be logged; the core checks it (judicum.core.setup.run)."
)


class MachineTrace(Answer):
    """The current of a weld to be drawn: A, at shares (0–1) of the bead's length, by its dabs or as if travel had been even."""

    name: str
    share: list[float]
    current_a: list[float]
    by_dabs: bool


NumberedRun = create_model(
    "NumberedRun",
    __base__=Run,
    __doc__="A run with its number in the attempt, and the keys of what was read off a photo rather than guessed, and what the machine's log says.",
    number=(int, ...),
    measured=(list[str], ...),
    machine=(MachineFigures | None, ...),
)
FindingsRequest = fields_model(
    "FindingsRequest", FINDINGS, Request, "Findings by hand; limits are the core's (judicum.core.marking.findings)."
)


class LastRuns(Answer):
    """Runs to start from, and whether their attempt passed."""

    passed: bool
    runs: list[Run]  # type: ignore[valid-type]


class PreparationStep(Answer):
    step: str
    words: str
    done: bool
    how: str


class PreparationRequest(Request):
    """The ticked steps of the checklist; those left out are not done."""

    prepared: Annotated[list[Annotated[str, StringConstraints(max_length=30)]], Field(max_length=40)]


class WorkedFigure(Answer):
    key: str
    count: int
    median: float
    low: float
    high: float


class Worked(Answer):
    """Settings of the attempts at this coupon that passed in this course; SI, units as in a run."""

    attempts: int
    figures: list[WorkedFigure]


class Caution(Answer):
    code: str
    words: str


class Setup(Answer):
    """The card of an attempt's coupon, the run that follows it (of several, each), each logged run beside it, and what worked here. `last_run_at`: when the last
    run was logged; `read_off`: a figure to be read off the machine this time, null for none; `loggers`: wired data loggers that can be read."""

    card: Card
    card_run: Run  # type: ignore[valid-type]
    planned_runs: list[Run]  # type: ignore[valid-type]
    starts: list[StartFigure]
    checks: list[RunCheck]
    worked: Worked
    cautions: list[Caution]
    kit: list[str]
    loggers: list[str]
    read_off: str | None
    last_run_at: datetime | None
    real_travel_mm_s: float | None


class LoggerRequest(Request):
    """The wired logger whose last weld it was."""

    logger: Annotated[str, StringConstraints(max_length=40)]


class GoalDesign(Answer):
    title: str
    purpose: str


class BriefGoal(Answer):
    """What was to be welded, as a list says it."""

    id: int
    design: GoalDesign
    target_width_mm: float
    finish: Finish
    good_in_a_row: int
    due_on: date


class Goal(Answer):
    """What was to be welded."""

    id: int
    design: Design
    target_width_mm: float
    finish: Finish
    good_in_a_row: int
    due_on: date


class AttemptBrief(Answer):
    """An attempt in a list, with the figures that count and what else this person may see (`VisibilityPolicy`)."""

    id: int
    number: int
    state: AttemptState
    version: int
    student: Person
    assignment: BriefGoal
    created_at: datetime
    updated_at: datetime
    measurement: MeasurementSummary | None
    measuring: bool
    mark_total: float | None
    passed: bool | None
    may: list[AttemptStep]


class AttemptBriefs(Answer):
    """A page of attempts; `next` and `previous` are addresses."""

    next: str | None
    previous: str | None
    results: list[AttemptBrief]


class EarlierAttempt(Answer):
    id: int
    number: int


class Attempt(AttemptBrief):
    """An attempt with all that belongs to it; `earlier` is the one before it that was measured.

    `answer` is why another photo was asked for or it is to be welded again; `asked` what was asked to change the last time.
    """

    assignment: Goal  # type: ignore[assignment]  # a list says less of it
    runs: list[NumberedRun]
    preparation: list[PreparationStep]
    photos: list[Photo]
    mark: Mark | None
    second: SecondMark | None
    earlier: EarlierAttempt | None
    answer: str
    asked: RequestedChange | None


class WallRow(Answer):
    """A student's newest measured attempts, newest first."""

    student: Person
    attempts: list[AttemptBrief]


class WaitingAttempt(AttemptBrief):
    need: Annotated[str, OneOf(NEEDS)]


class Waiting(Answer):
    """The first of what waits, in order, and how many wait."""

    count: int
    attempts: list[WaitingAttempt]


class NextAttempt(Answer):
    """The attempt that is to be looked at next, null where none waits."""

    attempt: int | None


class AttemptEvent(Answer):
    """One change of an attempt: who, when, what."""

    id: int
    at: datetime
    kind: AttemptStep
    actor: Person | None
    data: dict[str, Any]
