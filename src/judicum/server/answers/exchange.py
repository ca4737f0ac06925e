"""What came of a table that was sent in."""

from typing import Literal

from judicum.server.answers.base import Answer
from judicum.server.answers.problems import FieldProblem


class SheetLine(Answer):
    """One line: its number in the file, what it does, to what; `hand_over` is where somebody new sets a password, once."""

    line: int
    outcome: Literal["made", "changed", "same", "refused"]
    what: str
    problems: list[FieldProblem]
    hand_over: str | None


class SheetDone(Answer):
    """What came of every line that holds anything, and whether it is kept: all of it, or nothing."""

    kept: bool
    lines: list[SheetLine]
