"""A student's record and their class's, read and checked from JSON values (docs/progress.md)."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

import numpy as np

from judicum.core.errors import InvalidValue, Limits, one_of, said
from judicum.core.progress.learning import LEARNING, Record
from judicum.core.quantities import QUANTITIES

KEYS = ("coupon", "pass_mark", "in_a_row", "student", "class")
FIGURES = {
    "width_cv": Limits(0, 10),
    "pitch_cv": Limits(0, 10),
    "toe_waviness": Limits(0, 10),
    "tint_over": Limits(0, 7),
}
"""Figures of an attempt and what makes sense of each: shares, and tint levels over what the finish accepts."""
ATTEMPT = ("at", "coupon", "total", *FIGURES, "faults", "cause")
MARKS = Limits(0, 100)
MAX_STUDENTS = 1000
"""In one question: what is answered within seconds."""
MAX_ATTEMPTS = 2000
"""Of one student, for the same reason."""
MAX_WORD = 60
"""Characters of a coupon's or a fault's name: one line."""


@dataclass(frozen=True)
class RecordedAttempt:
    """One attempt: when, at which coupon, its total of 100 (None: not marked yet), its figures, kinds of fault and cause."""

    at: datetime
    coupon: str
    total: float | None
    figures: Mapping[str, float]
    faults: tuple[str, ...] = ()
    cause: str | None = None


@dataclass(frozen=True)
class Question:
    """What is asked: of which coupon, from which mark on it is good, how many in a row, of whom, beside which class."""

    coupon: str
    pass_mark: float
    in_a_row: int
    student: tuple[RecordedAttempt, ...]
    classmates: tuple[tuple[RecordedAttempt, ...], ...] = ()


def read_question(given: object) -> Question:
    """Read a question from JSON values (docs/progress.md).

    Raises:
        InvalidValue: an unknown or missing field, or a value outside what is allowed; names it.
    """
    if not isinstance(given, Mapping):
        raise InvalidValue("input", given, said("allowed-an-object-with", names=", ".join(KEYS)))
    for key in given:
        if key not in KEYS:
            raise InvalidValue(str(key), given[key], one_of(KEYS))
    row = QUANTITIES["good_in_a_row"]
    classmates = given.get("class")
    if classmates is None:
        classmates = []
    if not isinstance(classmates, list) or len(classmates) > MAX_STUDENTS:
        raise InvalidValue("class", classmates, said("allowed-a-list-of-at-most-lists", most=MAX_STUDENTS))
    in_a_row = _figure(given.get("in_a_row"), "in_a_row", row.limits)
    if in_a_row is None or in_a_row % 1:
        raise InvalidValue("in_a_row", given.get("in_a_row"), row.limits)
    pass_mark = _figure(given.get("pass_mark"), "pass_mark", MARKS)
    if pass_mark is None:
        raise InvalidValue("pass_mark", None, MARKS)
    return Question(
        _word(given.get("coupon"), "coupon"),
        pass_mark,
        int(in_a_row),
        _attempts(given.get("student"), "student"),
        tuple(_attempts(one, f"class.{k}") for k, one in enumerate(classmates)),
    )


def record_of(attempts: tuple[RecordedAttempt, ...], coupon: str) -> Record:
    """The marked attempts at one coupon, the last `LEARNING.longest` of them, in their order."""
    marked = [one for one in attempts if one.coupon == coupon and one.total is not None][-LEARNING.longest :]
    days = [(one.at - marked[0].at).total_seconds() / 86400.0 for one in marked]
    return Record(np.array([one.total for one in marked], float), np.array(days, float))


def _attempts(given: object, at: str) -> tuple[RecordedAttempt, ...]:
    if not isinstance(given, list) or len(given) > MAX_ATTEMPTS:
        raise InvalidValue(at, given, said("allowed-a-list-of-at-most-attempts", most=MAX_ATTEMPTS))
    return tuple(_attempt(one, f"{at}.{k}") for k, one in enumerate(given))


def _attempt(given: object, at: str) -> RecordedAttempt:
    if not isinstance(given, Mapping):
        raise InvalidValue(at, given, said("allowed-an-object-with", names=", ".join(ATTEMPT)))
    for key in given:
        if key not in ATTEMPT:
            raise InvalidValue(f"{at}.{key}", given[key], one_of(ATTEMPT))
    if "total" not in given:
        raise InvalidValue(f"{at}.total", None, said("allowed-0-to-100-or-null-where"))
    figures = {key: _figure(given.get(key), f"{at}.{key}", limits) for key, limits in FIGURES.items()}
    faults, cause = given.get("faults"), given.get("cause")
    if faults is None:
        faults = []
    if not isinstance(faults, list) or len(faults) > MAX_ATTEMPTS:
        raise InvalidValue(f"{at}.faults", faults, said("allowed-a-list-of-kinds-of-fault"))
    return RecordedAttempt(
        _moment(given.get("at"), f"{at}.at"),
        _word(given.get("coupon"), f"{at}.coupon"),
        _figure(given["total"], f"{at}.total", MARKS),
        {key: value for key, value in figures.items() if value is not None},
        tuple(_word(one, f"{at}.faults") for one in faults),
        None if cause is None else _word(cause, f"{at}.cause"),
    )


def _figure(given: Any, at: str, limits: Limits) -> float | None:
    if given is None:
        return None
    if isinstance(given, bool) or not isinstance(given, int | float) or not limits.low <= given <= limits.high:
        raise InvalidValue(at, given, limits)
    return float(given)


def _word(given: object, at: str) -> str:
    if not isinstance(given, str) or not 1 <= len(given) <= MAX_WORD:
        raise InvalidValue(at, given, said("allowed-1-to-characters", most=MAX_WORD))
    return given


def _moment(given: Any, at: str) -> datetime:
    try:
        moment = datetime.fromisoformat(given)
    except (TypeError, ValueError) as error:
        raise InvalidValue(at, given, said("allowed-a-moment-as-2026-10-01t18")) from error
    return moment if moment.tzinfo else moment.replace(tzinfo=UTC)
