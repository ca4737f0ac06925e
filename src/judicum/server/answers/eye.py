"""The eye trainer's requests and answers."""

from datetime import datetime
from typing import Annotated

from pydantic import StringConstraints

from judicum.server.answers.base import Answer, Request

Code = Annotated[str, StringConstraints(max_length=40)]


class EyeAnswerRequest(Request):
    """What one sees, why it came about, and what is to change: codes of those that were offered."""

    symptom: Code
    cause: Code
    change: Code


class EyeOption(Answer):
    code: str
    words: str


class EyeGiven(Answer):
    """An answer, what of it was right, what it was worth, and what was right in words."""

    symptom: str
    cause: str
    change: str
    right: dict[str, bool]
    points: int
    seen: str
    why: str
    advice: str


class EyeQuestion(Answer):
    """One bead. `drawn` says whether its picture is there; `log` is what its welder logged, [name, figure and the card's range], `noticed` what was noticed."""

    number: int
    drawn: bool
    coupon: str
    log: list[list[str]]
    noticed: list[str]
    symptoms: list[EyeOption]
    causes: list[EyeOption]
    changes: list[EyeOption]
    given: EyeGiven | None


class EyeRound(Answer):
    """A round of beads with what was answered so far; `most` is the greatest score."""

    id: int
    level: int
    score: int
    most: int
    finished_at: datetime | None
    questions: list[EyeQuestion]


class EyeRoundBrief(Answer):
    level: int
    score: int
    finished_at: datetime


class EyeMark(Answer):
    """A returned mark of one's own, of 100."""

    total: float
    returned_at: datetime


class Eye(Answer):
    """Where somebody stands: the open round, finished ones (the oldest first), their returned marks in the course, causes shown so
    far of all, and how many of them are due."""

    open_round: int | None
    next_level: int
    most: int
    rounds: list[EyeRoundBrief]
    marks: list[EyeMark]
    shown: int
    causes: int
    due: int
