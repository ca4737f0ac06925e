"""Symptoms and causes, in the person's units."""

from typing import Annotated

from judicum.server.answers.base import Answer, OneOf, Request
from judicum.server.record.causes.actions.judge_cause import VERDICTS
from judicum.words.causes import TRACKS

Verdict = Annotated[str, OneOf(VERDICTS)]


class PlaceOnBead(Answer):
    """Something in words, with the track it shows on and from where to where along the bead, mm; null where it has no place."""

    words: str
    track: Annotated[str, OneOf(tuple(TRACKS))] | None
    from_mm: float | None
    to_mm: float | None


class Symptom(PlaceOnBead):
    code: str
    strength: float


class Evidence(PlaceOnBead):
    what: str


class Cause(Answer):
    """One cause: its share of all odds, how sure it is in words, what speaks for and against it, what to change, and what was made of it
    before; `new` is what speaks for it since it was ruled out."""

    code: str
    words: str
    share: float
    certainty: str
    speaks_for: list[Evidence]
    against: list[Evidence]
    advice: str
    history: str
    verdict: Verdict | None
    new: list[str]


class NamedCause(Answer):
    code: str
    words: str


class BothCauses(Answer):
    """Two causes that are likely there at once, the one to change first in front."""

    words: str
    first: str
    second: str


class RequestedChange(Answer):
    """What was asked to change at the attempt before; `followed` is what became of it, null where that cannot be told."""

    attempt: int
    number: int
    text: str
    followed: str | None = None
    done: str | None = None
    gone: str | None = None


class Explanation(Answer):
    """`sound` is null where nothing could be seen either way; `both` says that two causes are likely there at once. `ruled_out` are
    causes that somebody ruled out and for which nothing new speaks; `log_note` says where figures of the log were not counted."""

    symptoms: list[Symptom]
    causes: list[Cause]
    sound: bool | None
    both: BothCauses | None
    ruled_out: list[NamedCause]
    log_note: str | None
    asked: RequestedChange | None


class VerdictRequest(Request):
    """One of the verdicts, or null for none."""

    verdict: Verdict | None
