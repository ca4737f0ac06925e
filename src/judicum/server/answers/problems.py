"""A refused request (RFC 9457)."""

from typing import Self

from judicum.core.errors import InvalidValue
from judicum.server.answers.base import Answer
from judicum.words import Units
from judicum.words import problems as words_of
from judicum.words.names import field_name


class FieldProblem(Answer):
    """One field that was refused: its key and what it is called, what was given, what is allowed, and all of it as a sentence."""

    field: str
    words: str
    given: str | None
    allowed: str
    message: str

    @classmethod
    def of(cls, problem: InvalidValue, units: Units) -> Self:
        """The problem in words, in the person's units."""
        return cls(
            field=problem.field,
            words=field_name(problem.field),
            given=words_of.given(problem, units),
            allowed=words_of.allowed(problem, units),
            message=words_of.field_sentence(problem, units),
        )


class Problem(Answer):
    """A refused request."""

    type: str
    title: str
    status: int
    code: str
    detail: str
    errors: list[FieldProblem]
