"""What was refused, in the person's units."""

from judicum.core.errors import InvalidValue, InvalidValues, JudicumError, Named, Said
from judicum.words.catalogue import t
from judicum.words.names import field_name, listed, named
from judicum.words.units import METRIC, Units, format_figure, limits

MAX_GIVEN = 200
"""Characters of what was given that an error repeats."""
MAX_FIGURE = 1e9
"""A figure above it is repeated as it was given: no unit makes sense of it."""


def sentence(message: Said) -> str:
    """What is to be said, its codes by their names."""
    return t(message.name, **{key: _shown(key, value) for key, value in message.variables.items()})


def _shown(key: str, value: object) -> object:
    if key.endswith("_id"):
        return str(value)  # a number by which something is known has no thousands
    if isinstance(value, Named):
        return named(value.kind, value.code)
    return listed([str(_shown(key, one)) for one in value]) if isinstance(value, (list, tuple)) else value


def allowed(problem: InvalidValue, units: Units = METRIC) -> str:
    """What is allowed in a field."""
    return sentence(problem.allowed) if isinstance(problem.allowed, Said) else limits(problem.allowed, units)


def given(problem: InvalidValue, units: Units = METRIC) -> str | None:
    """What was given: a figure in the person's units where it is one."""
    value = problem.given
    if value is None:
        return None
    if problem.limits and isinstance(value, (int, float)) and not isinstance(value, bool) and abs(value) < MAX_FIGURE:
        return format_figure(value, problem.limits.kind, units)
    return str(value)[:MAX_GIVEN]


def field_sentence(problem: InvalidValue, units: Units = METRIC, *, by_key: bool = False) -> str:
    """A field that was refused: what is allowed, and what was given. `by_key` calls the field as a program does.

    >>> from judicum.core.quantities import QUANTITIES
    >>> field_sentence(InvalidValue("current_a", 5000, QUANTITIES["current_a"].limits))
    'Welding current: enter 1 to 1000 A (you entered 5000 A).'
    """
    name = problem.field if by_key else field_name(problem.field)
    said = {"field": name, "allowed": allowed(problem, units)}
    value = given(problem, units)
    return t("problem-missing", **said) if value in (None, "") else t("problem-field", **said, given=value)


def problem_sentence(error: JudicumError, units: Units = METRIC, *, by_key: bool = False) -> str:
    """All that an error has to say."""
    if isinstance(error, InvalidValues):
        return " ".join(field_sentence(problem, units, by_key=by_key) for problem in error.problems)
    return sentence(error.message)
