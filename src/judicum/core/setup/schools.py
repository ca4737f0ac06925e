"""Where practitioners disagree: the schools a course chooses between, the usual one first."""

from collections.abc import Mapping

from judicum.core.errors import InvalidValue, InvalidValues

SCHOOLS: dict[str, tuple[str, ...]] = {
    "pedal_school": ("target", "ride"),
    "start_school": ("quick", "settled"),
    "finish": ("warm", "bright", "show_colour"),
    "unit_system": ("metric", "us"),
    "ladder": ("stainless", "carbon"),
    "purge_school": ("always", "root"),
    "solvent": ("acetone", "alcohol"),
}

START_S: dict[str, dict[str, float]] = {
    "quick": {"low": 1.0, "aim": 2.0, "high": 3.0},
    "settled": {"low": 3.0, "aim": 4.0, "high": 8.0},
}
"""Time from arc start to the first move, s, by start school."""


def check_schools(given: Mapping[str, object]) -> dict[str, str]:
    """The schools in a request, checked.

    Raises:
        InvalidValues: every unknown school and every choice that is not one of its two or three.
    """
    problems = []
    for key, value in given.items():
        if key not in SCHOOLS:
            problems.append(InvalidValue(key, value, "one of " + ", ".join(SCHOOLS)))
        elif value not in SCHOOLS[key]:
            problems.append(InvalidValue(key, value, "one of " + ", ".join(SCHOOLS[key])))
    if problems:
        raise InvalidValues(problems)
    return {key: str(value) for key, value in given.items()}
