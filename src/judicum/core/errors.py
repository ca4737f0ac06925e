"""The one tree of errors that the core and the server raise for a caller's mistake."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Said:
    """What is to be said: a message of the catalogue (judicum.words.catalogue) by its name, and its variables."""

    name: str
    variables: Mapping[str, object] = field(default_factory=dict)

    def __str__(self) -> str:
        return " ".join([self.name, *(f"{key}={value}" for key, value in self.variables.items())])


@dataclass(frozen=True)
class Named:
    """A code that a message speaks of by its name: `kind` is the beginning of the name's own message."""

    kind: str
    code: str


def said(name: str, /, **variables: object) -> Said:
    """What is to be said."""
    return Said(name, variables)


def one_of(options: Iterable[object]) -> Said:
    """That one of some codes is allowed."""
    return said("allowed-one-of", options=", ".join(map(str, options)))


def some_of(options: Iterable[object]) -> Said:
    """That some of these codes are allowed."""
    return said("allowed-some-of", options=", ".join(map(str, options)))


class JudicumError(Exception):
    """Base of every error that has a stable `code` and something to say."""

    code = "error"

    def __init__(self, message: Said) -> None:
        self.message = message
        super().__init__(message)


@dataclass(frozen=True)
class Limits:
    """A range of figures with their unit; `kind` is how a person is shown them (`quantities.Kind`)."""

    low: float
    high: float
    kind: str = "plain"
    unit: str = ""
    whole: bool = False

    def __str__(self) -> str:
        return f"{self.low:g}..{self.high:g} {self.unit}".strip()


class InvalidValues(JudicumError):
    """One or several values outside what is allowed; `problems` holds one `InvalidValue` for each."""

    code = "invalid_value"

    def __init__(self, problems: list["InvalidValue"]) -> None:
        self.problems = problems
        Exception.__init__(self, "; ".join(str(problem) for problem in problems))


class InvalidValue(InvalidValues):
    """A value outside what is allowed: the field, what was given, and what is allowed."""

    def __init__(self, field: str, given: object, allowed: Said | Limits) -> None:
        self.field = field
        self.given = given
        self.allowed = allowed
        self.problems = [self]
        Exception.__init__(self, f"{field}: {_shortly(given)}; {allowed}")

    @property
    def limits(self) -> Limits | None:
        """What is allowed, where it is a range of figures."""
        return self.allowed if isinstance(self.allowed, Limits) else None


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
