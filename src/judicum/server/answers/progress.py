"""How it goes on: a student over time, a class this week, what waits today."""

from datetime import datetime
from typing import Annotated

from judicum.server.answers.attempts import AttemptBrief, BriefGoal
from judicum.server.answers.base import Answer, OneOf
from judicum.server.answers.people import Person

STEP_STATES = ("done", "tried", "ready", "locked")
"""Where a student stands at a step of the sequence: enough passes in a row; welded; given or next; not yet."""


class NextFigure(Answer):
    """Where a figure of the next attempts is likely to lie."""

    low: float
    mid: float
    high: float


class FigureOverTime(Answer):
    """One figure at each attempt, what is good (null for the mark), and where the next ones are likely to lie."""

    key: str
    words: str
    good: float | None
    values: list[float | None]
    formatted: list[str | None]
    cone: list[NextFigure]


class Series(Answer):
    """Attempts at one coupon, oldest first; trends are changes per attempt."""

    assignment: BriefGoal
    attempts: list[AttemptBrief]
    width_cv_trend: float | None
    pitch_cv_trend: float | None
    good_in_a_row: int
    figures: list[FigureOverTime]
    engines: list[str]


class SequenceStep(Answer):
    """One step of the coupon sequence and where the student stands; `assignment` is the newest that was given there."""

    title: str
    state: Annotated[str, OneOf(STEP_STATES)]
    words: str
    assignment: int | None


class Change(Answer):
    """What was asked to change after an attempt, the cause behind it (for those who teach), and what became of it in words."""

    attempt: int
    title: str
    number: int
    at: datetime
    text: str
    cause: str | None
    became: str


class Propped(Answer):
    """How far the toes waver with the hand propped in one way, over so many beads; in words."""

    prop: str
    words: str
    count: int
    toe_waviness: float
    formatted: str


class Progress(Answer):
    """`propped` is empty until two ways of propping can be compared."""

    student: Person
    series: list[Series]
    sequence: list[SequenceStep]
    changes: list[Change]
    propped: list[Propped]


class WeekShare(Answer):
    """A fault or a cause: in how many beads this week and in the month before."""

    words: str
    now: int
    now_of: int
    before: int
    before_of: int
    said: str


class StandsAt(Answer):
    student: Person
    value: float


class Spread(Answer):
    """Where everybody stands with a figure, best first; a share of which less is better, good up to `good`."""

    key: str
    words: str
    good: float
    places: list[StandsAt]


class Standing(Answer):
    student: Person
    last_worked_at: datetime | None
    overdue: int
    stuck: bool


class Week(Answer):
    """What the class gets wrong in the last week of welding, beside the month before it."""

    since: datetime
    until: datetime
    faults: list[WeekShare]
    causes: list[WeekShare]
    resting: list[Standing]
    figures: list[Spread]


class ToGo(Answer):
    """How many more attempts."""

    low: int
    median: int
    high: int


class Forecast(Answer):
    """How a record at one coupon goes on (docs/progress.md); `words` say it to the one who asks, `to_go` is null where it stands already or is too far."""

    assignment: int
    title: str
    in_a_row: int
    attempts: int
    good_in_a_row: int
    next_pass: float
    to_go: ToGo | None
    trend: str
    plateau: bool
    ready: bool
    words: str


class SequenceCoupon(Answer):
    id: int
    title: str


class CouponStanding(Answer):
    """One student at one coupon, for those who teach: whether they are ready for the next or stuck, and why."""

    student: Person
    forecast: Forecast
    best: float
    stuck: bool
    failed_in_a_row: int
    cause: str | None
    next_step: SequenceCoupon | None


class Desk(Answer):
    """What waits today, and each student's standing."""

    to_mark: int
    to_return: int
    measuring: int
    welding: int
    students: list[Standing]
