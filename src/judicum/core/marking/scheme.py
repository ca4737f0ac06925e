"""The marking scheme: criteria, weights and the total out of 100."""

from collections.abc import Mapping
from dataclasses import dataclass

from judicum.core.errors import InvalidValue, InvalidValues, refuse_all
from judicum.core.fields import Fields
from judicum.core.quantities import Quantity

HIGHEST = 10.0
HALF = 0.5
"""Scores go in halves."""
PASS_MARK = 70.0
MOST_COMMENT, MOST_NEXT = 4000, 300
"""Characters of the words that go with a mark."""
ALLOWED = "0 to 10 in steps of 0.5, or null"


@dataclass(frozen=True)
class Criterion:
    """One line of the scheme: key, what it is called and its weight in percent."""

    key: str
    words: str
    weight: float


CRITERIA = (
    Criterion("width_evenness", "Even width", 25),
    Criterion("ripple_evenness", "Even ripples", 20),
    Criterion("straight_toes", "Straight toes", 15),
    Criterion("tint", "Heat tint", 20),
    Criterion("setup_followed", "Setup", 10),
    Criterion("overall", "Overall look", 10),
)
SCORES = Fields("the scores", tuple(Quantity(c.key, c.words, "plain", "", 0, HIGHEST, HALF) for c in CRITERIA))


def check_scores(scores: Mapping[str, float | None]) -> dict[str, float | None]:
    """Check scores by criterion: 0 to 10 in halves, or None where the criterion does not apply.

    Raises:
        InvalidValues: unknown criterion, missing one, or a figure that is not allowed.
    """
    problems: list[InvalidValue] = []
    clean: dict[str, float | None] = {}
    try:
        clean = SCORES.check(scores, "scores.")
    except InvalidValues as error:
        problems = [InvalidValue(p.field, p.given, ALLOWED if p.limits else p.allowed) for p in error.problems]
    problems += [InvalidValue(f"scores.{c.key}", None, ALLOWED) for c in CRITERIA if c.key not in scores]
    problems += [InvalidValue(f"scores.{k}", v, ALLOWED) for k, v in clean.items() if v is not None and v % HALF]
    if not problems and all(value is None for value in clean.values()):
        problems.append(InvalidValue("scores", None, "at least one criterion with a score"))
    refuse_all(problems)
    return clean


def total(scores: Mapping[str, float | None]) -> float:
    """Mark out of 100: weighted mean of the criteria that apply.

    >>> total({"width_evenness": 8, "ripple_evenness": None, "straight_toes": 8, "tint": 8, "setup_followed": 8, "overall": 8})
    80.0
    """
    counted = [(c.weight, value) for c in CRITERIA if (value := scores.get(c.key)) is not None]
    return round(sum(w * v for w, v in counted) / sum(w for w, _ in counted) * 100 / HIGHEST, 1)
