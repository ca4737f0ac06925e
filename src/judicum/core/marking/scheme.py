"""The marking scheme: criteria, weights and the total out of 100."""

from collections.abc import Mapping
from dataclasses import dataclass

from judicum.core.errors import InvalidValue, InvalidValues

HIGHEST = 10.0
PASS_MARK = 70.0
FINISH_LEVEL = {"bright": 1, "warm": 3, "show_colour": 6}
"""Highest tint level each finish goal accepts; grey (7) is always a reject."""


@dataclass(frozen=True)
class Criterion:
    """One line of the scheme: key and weight in percent."""

    key: str
    weight: float


CRITERIA = (
    Criterion("width_evenness", 25),
    Criterion("ripple_evenness", 20),
    Criterion("straight_toes", 15),
    Criterion("tint", 20),
    Criterion("setup_followed", 10),
    Criterion("overall", 10),
)


def check_scores(scores: Mapping[str, float | None]) -> dict[str, float | None]:
    """Check scores by criterion: 0 to 10 in halves, or None where the criterion does not apply.

    Raises:
        InvalidValues: unknown criterion, missing one, or a figure that is not allowed.
    """
    keys = [c.key for c in CRITERIA]
    problems = [InvalidValue(f"scores.{k}", scores[k], "one of " + ", ".join(keys)) for k in scores if k not in keys]
    for key in keys:
        value = scores.get(key, "nothing")
        if value is None:
            continue
        good = (
            isinstance(value, (int, float))
            and not isinstance(value, bool)
            and 0 <= value <= HIGHEST
            and value * 2 == int(value * 2)
        )
        if not good:
            problems.append(InvalidValue(f"scores.{key}", value, "0 to 10 in steps of 0.5, or null"))
    if not problems and all(scores[k] is None for k in keys):
        problems.append(InvalidValue("scores", None, "at least one criterion with a score"))
    if problems:
        raise InvalidValues(problems)
    return {key: scores[key] for key in keys}


def total(scores: Mapping[str, float | None]) -> float:
    """Mark out of 100: weighted mean of the criteria that apply.

    >>> total({"width_evenness": 8, "ripple_evenness": None, "straight_toes": 8, "tint": 8, "setup_followed": 8, "overall": 8})
    80.0
    """
    counted = [(c.weight, value) for c in CRITERIA if (value := scores.get(c.key)) is not None]
    return round(sum(w * v for w, v in counted) / sum(w for w, _ in counted) * 100 / HIGHEST, 1)
