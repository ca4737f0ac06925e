"""What was refused, in the person's units."""

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue
from judicum.core.quantities import QUANTITIES
from judicum.words.units import Units, format_figure, limits


def field_words(field: str) -> str:
    """What a field is called: as in the tables where it is of the trade, else by its own plain name.

    >>> field_words("current_a"), field_words("time_zone")
    ('Welding current', 'time zone')
    """
    known = QUANTITIES.get(field) or CHOICES.get(field)
    return known.words if known else field.replace("_", " ")


def allowed(problem: InvalidValue, units: Units) -> str:
    """What is allowed in a field."""
    return limits(problem.limits, units) if problem.limits else problem.allowed


def given(problem: InvalidValue, units: Units) -> str | None:
    """What was given: a figure in the person's units where it is one."""
    value = problem.given
    if value is None:
        return None
    if problem.limits and isinstance(value, (int, float)) and not isinstance(value, bool) and abs(value) < 1e9:
        return format_figure(value, problem.limits.kind, units)
    return str(value)[:200]
