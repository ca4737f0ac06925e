"""Where practitioners disagree: the schools a course chooses between, the usual one first."""

from collections.abc import Mapping

from judicum.core.choices import CHOICES, METHODS, SCHOOLS
from judicum.core.fields import Fields
from judicum.core.setup.record import Band

START_S = {"quick": Band(1.0, 2.0, 3.0), "settled": Band(3.0, 4.0, 8.0)}
"""Time from arc start to the first move, s, by start school."""
FIELDS = Fields("the schools", tuple(CHOICES[key] for key in (*SCHOOLS, *METHODS)))


def check_schools(given: Mapping[str, object]) -> dict[str, str]:
    """The schools in a request, checked.

    Raises:
        InvalidValues: every unknown school and every choice that is not one of its two or three.
    """
    return {key: str(value) for key, value in FIELDS.check(given).items() if value is not None}
