"""The one tree of errors that the core and the server raise for a caller's mistake."""

from dataclasses import dataclass


class JudicumError(Exception):
    """Base of every error that has a stable `code` and a message fit to show a person."""

    code = "error"


@dataclass(frozen=True)
class Limits:
    """A range of figures with their unit; `kind` is how a person is shown them (`quantities.Kind`)."""

    low: float
    high: float
    kind: str = "plain"
    unit: str = ""
    whole: bool = False

    def __str__(self) -> str:
        return ("a whole number, " if self.whole else "") + f"{self.low:g} to {self.high:g} {self.unit}".strip()


class InvalidValues(JudicumError):
    """One or several values outside what is allowed; `problems` holds one `InvalidValue` for each."""

    code = "invalid_value"

    def __init__(self, problems: list["InvalidValue"]) -> None:
        self.problems = problems
        super().__init__("; ".join(str(problem) for problem in problems))


class InvalidValue(InvalidValues):
    """A value outside what is allowed; names the field, what was given and what is allowed, in words or as limits."""

    def __init__(self, field: str, given: object, allowed: str | Limits) -> None:
        self.field = field
        self.given = given
        self.limits = allowed if isinstance(allowed, Limits) else None
        self.allowed = str(allowed)
        self.problems = [self]
        JudicumError.__init__(self, f"{field}: {_shortly(given)} was given; allowed is {self.allowed}")


MAX_SHOWN = 80


def _shortly(given: object) -> str:
    said = repr(given)
    return said if len(said) <= MAX_SHOWN else said[:MAX_SHOWN] + "…"


def refuse_all(problems: list[InvalidValue]) -> None:
    """Raise what was refused, if anything was: one as itself, several together."""
    if len(problems) == 1:
        raise problems[0]
    if problems:
        raise InvalidValues(problems)


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


class NoRoom(JudicumError):
    """The disk is full: nothing of what was sent was kept."""

    code = "no_room"


class Busy(JudicumError):
    """Too much at this moment; the same request works a little later."""

    code = "busy"


class TooMuch(JudicumError):
    """More than one person, attempt or course may keep; names which."""

    code = "too_much"


class UnreadablePicture(JudicumError):
    """The bytes are no picture that can be decoded, or are cut short."""

    code = "unreadable"
