"""A refused request (RFC 9457)."""

from judicum.server.answers.base import Answer


class FieldProblem(Answer):
    """One field that was refused: what was given, and what is allowed."""

    field: str
    given: str | None
    allowed: str


class Problem(Answer):
    """A refused request."""

    type: str
    title: str
    status: int
    code: str
    detail: str
    errors: list[FieldProblem]
