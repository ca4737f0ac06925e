"""Reading JSON bodies: text that a database can hold, and no deeper than anybody needs."""

from collections.abc import Mapping
from typing import IO, Any, TypeVar

from pydantic import ValidationError
from pydantic_core import ErrorDetails
from rest_framework.exceptions import ParseError
from rest_framework.parsers import JSONParser
from rest_framework.request import Request

from judicum.core.errors import InvalidValue, InvalidValues, said
from judicum.server.answers.base import SECRETS
from judicum.server.answers.base import Request as Model

ALLOWED = {
    "missing": "allowed-needed",
    "extra_forbidden": "allowed-no-such-field",
    "string_type": "allowed-text",
    "string_too_short": "allowed-at-least-characters",
    "string_too_long": "allowed-at-most-characters",
    "int_type": "allowed-a-whole-number",
    "int_parsing": "allowed-a-whole-number",
    "int_from_float": "allowed-a-whole-number",
    "int_parsing_size": "allowed-a-whole-number-of-at-most",
    "float_type": "allowed-a-number",
    "float_parsing": "allowed-a-number",
    "finite_number": "allowed-a-number-that-is-not-infinite",
    "bool_type": "allowed-true-or-false",
    "bool_parsing": "allowed-true-or-false",
    "list_type": "allowed-a-list",
    "dict_type": "allowed-an-object",
    "model_type": "allowed-an-object",
    "literal_error": "allowed-expected",
    "enum": "allowed-expected",
    "too_long": "allowed-at-most-of-them",
    "too_short": "allowed-at-least-of-them",
    "greater_than_equal": "allowed-or-more",
    "less_than_equal": "allowed-or-less",
    "date_type": "allowed-a-date-yyyy-mm-dd",
    "date_from_datetime_parsing": "allowed-a-date-yyyy-mm-dd",
    "date_parsing": "allowed-a-date-yyyy-mm-dd",
    "time_parsing": "allowed-a-time-of-day-hh-mm",
    "datetime_from_date_parsing": "allowed-a-date-and-time-with-its",
    "datetime_parsing": "allowed-a-date-and-time-with-its",
    "timezone_aware": "allowed-a-date-and-time-with-its",
}
"""What is allowed, by the kind of pydantic's error."""
VARIABLES = {"min_length": "least", "max_length": "most", "ge": "least", "le": "most", "expected": "expected"}
"""What of the context of pydantic's errors the messages speak of, and what they call it."""
MAX_DEPTH = 20
"""Lists and objects within one another; the deepest body there is has six."""


class TextJSONParser(JSONParser):
    """JSON whose strings are text (no NUL, no half of a surrogate pair) and which is at most MAX_DEPTH deep."""

    def parse(
        self, stream: IO[Any], media_type: str | None = None, parser_context: Mapping[str, Any] | None = None
    ) -> Any:
        try:
            given = super().parse(stream, media_type, parser_context)
        except RecursionError:
            raise ParseError(f"JSON error - nested more than {MAX_DEPTH} deep") from None
        _check(given)
        return given


Body = TypeVar("Body", bound=Model)


def sent(model: type[Body], request: Request) -> Body:
    """What a request's body says. Raises InvalidValues: every field that is missing, unknown or of the wrong kind."""
    return read_as(model, request.data)


def read_as(model: type[Body], given: object) -> Body:
    """Values as a model of a request reads them. Raises InvalidValues."""
    if not isinstance(given, Mapping):
        raise InvalidValue("body", type(given).__name__, said("allowed-an-object-with-the-fields-of"))
    try:
        return model.model_validate(given)
    except ValidationError as error:
        raise InvalidValues([_refused(one) for one in error.errors(include_url=False)]) from error


def _refused(one: ErrorDetails) -> InvalidValue:
    """One field that pydantic refused, in our words; a secret is not repeated."""
    names = [str(part) for part in one["loc"]]
    nothing = one["type"] == "missing" or (names[-1:] and names[-1] in SECRETS)
    context = one.get("ctx", {})
    name = ALLOWED.get(one["type"])
    if name is None:
        allowed = said("allowed-by-pydantic", what=one["msg"][:1].lower() + one["msg"][1:])
    else:
        allowed = said(name, **{VARIABLES[key]: value for key, value in context.items() if key in VARIABLES})
    return InvalidValue(".".join(names), None if nothing else one["input"], allowed)


def sent_bytes(request: Request, field: str) -> bytes:
    """The body of a request whose parser gives bytes.

    Raises:
        InvalidValue: there is none; such a request is not parsed, and has no bytes to look into.
    """
    if not isinstance(request.data, bytes):
        raise InvalidValue(field, None, said("allowed-the-bytes-of-a-file-as"))
    return request.data


def _check(given: object) -> None:
    """Raises ParseError for what is too deep, or is no text."""
    todo = [(given, 1)]
    while todo:
        value, depth = todo.pop()
        if depth > MAX_DEPTH:
            raise ParseError(f"JSON error - nested more than {MAX_DEPTH} deep")
        if isinstance(value, dict):
            todo += [(part, depth + 1) for pair in value.items() for part in pair]
        elif isinstance(value, list):
            todo += [(part, depth + 1) for part in value]
        elif isinstance(value, str) and not _is_text(value):
            raise ParseError("JSON error - a text holds NUL or half of a surrogate pair")


def _is_text(value: str) -> bool:
    try:
        value.encode()
    except UnicodeEncodeError:
        return False
    return "\0" not in value
