"""The one tree of errors that the core and the server raise for a caller's mistake."""


class JudicumError(Exception):
    """Base of every error that has a stable `code` and a message fit to show a person."""

    code = "error"


class InvalidValue(JudicumError):
    """A value outside what is allowed; names the field, what was given and what is allowed."""

    code = "invalid_value"

    def __init__(self, field: str, given: object, allowed: str) -> None:
        self.field = field
        self.given = given
        self.allowed = allowed
        super().__init__(f"{field}: {given!r} was given; allowed is {allowed}")


class InvalidValues(JudicumError):
    """Several invalid values at once; `problems` holds one `InvalidValue` for each."""

    code = "invalid_value"

    def __init__(self, problems: list[InvalidValue]) -> None:
        self.problems = problems
        super().__init__("; ".join(str(problem) for problem in problems))


class NotAllowed(JudicumError):
    """The person's role in the course does not permit this."""

    code = "not_allowed"


class NotFound(JudicumError):
    """What was asked for does not exist, or not for this person."""

    code = "not_found"


class WrongState(JudicumError):
    """The attempt is not in a state that permits this step."""

    code = "wrong_state"


class EditConflict(JudicumError):
    """Somebody else changed the same thing since it was read; nothing was overwritten."""

    code = "edit_conflict"


class UnreadablePicture(JudicumError):
    """The bytes are no picture that can be decoded, or are cut short."""

    code = "unreadable"
