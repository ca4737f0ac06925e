"""Marking schemes."""

from datetime import datetime
from typing import Annotated, Any

from pydantic import StringConstraints

from judicum.server.answers.base import Answer, Point, Request


class SchemeLine(Answer):
    """One criterion in a scheme: its weight, and its curve (figure, score) or the scores of its options."""

    criterion: str
    weight: float
    curve: list[Point]
    options: dict[str, float]


class SchemeBody(Answer):
    """A scheme as the core reads it (judicum.core.marking.read_scheme)."""

    title: str
    lines: list[SchemeLine]
    knock_outs: list[str]
    pass_mark: float
    time_limit_s: float | None


class Scheme(Answer):
    """The newest version of one scheme; `used` is how many of the course's marks stand on it, `own` whether the course made it."""

    code: str
    version: int
    body: SchemeBody
    used: int
    own: bool
    created_at: datetime


class SaveSchemeRequest(Request):
    """A scheme to keep: as a new version of `code`, or as a new one. Its fields are checked by the core."""

    code: Annotated[str, StringConstraints(max_length=40)] | None = None
    scheme: dict[str, Any]


class SchemeTrialMark(Answer):
    attempt: int
    student: str
    title: str
    number: int
    total: float
    passed: bool
    new_total: float
    new_passed: bool


class SchemeTrial(Answer):
    """What a scheme would have made of the course's last marks."""

    marks: list[SchemeTrialMark]
    pass_anew: int
    fail_anew: int
