"""Settings to start a coupon with, found in trials."""

from typing import Annotated

from judicum.core.trial import VARIED
from judicum.server.answers.base import Answer, OneOf

Key = Annotated[str, OneOf(tuple(VARIED))]
Value = float | str
"""A figure in SI, or the code of a choice."""
Whose = Annotated[str, OneOf(("student", "booth", "class"))]


class StartFigure(Answer):
    """A setting to start with: whose it is, in words, and the fields of a run that it fills in."""

    key: Key
    value: Value
    whose: Whose
    words: str
    run: dict[str, Value]
