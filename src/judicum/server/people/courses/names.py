"""What a course or workshop may be called."""

from judicum.core.errors import InvalidValue, said

MAX_NAME = 120
"""Characters: what fits a line of the sheet and the head of the page."""


def check_course_name(name: str) -> str:
    """The name as it is kept. Raises InvalidValue."""
    kept = " ".join(name.split())
    if not 1 <= len(kept) <= MAX_NAME:
        raise InvalidValue("name", name, said("allowed-1-to-characters", most=MAX_NAME))
    return kept
