"""Reading JSON bodies: text that a database can hold, and no deeper than anybody needs."""

from collections.abc import Mapping
from typing import IO, Any

from rest_framework.exceptions import ParseError
from rest_framework.parsers import JSONParser
from rest_framework.request import Request
from rest_framework.serializers import Serializer

from judicum.core.errors import InvalidValue

MOST_DEPTH = 20
"""Lists and objects within one another; the deepest body there is has six."""


class TextJSONParser(JSONParser):
    """JSON whose strings are text (no NUL, no half of a surrogate pair) and which is at most MOST_DEPTH deep."""

    def parse(
        self, stream: IO[Any], media_type: str | None = None, parser_context: Mapping[str, Any] | None = None
    ) -> Any:
        try:
            given = super().parse(stream, media_type, parser_context)
        except RecursionError:
            raise ParseError(f"JSON error - nested more than {MOST_DEPTH} deep") from None
        _check(given)
        return given


def sent(serializer: type[Serializer[Any]], request: Request) -> dict[str, Any]:
    """What a request's body says, as the serializer reads it; raises its ValidationError."""
    asked = serializer(data=request.data)
    asked.is_valid(raise_exception=True)
    return dict(asked.validated_data)


def sent_bytes(request: Request, field: str) -> bytes:
    """The body of a request whose parser gives bytes.

    Raises:
        InvalidValue: there is none; such a request is not parsed, and has no bytes to look into.
    """
    if not isinstance(request.data, bytes):
        raise InvalidValue(field, None, "the bytes of a file as the request's body")
    return request.data


def _check(given: Any) -> None:
    """Raises ParseError for what is too deep, or is no text."""
    todo = [(given, 1)]
    while todo:
        value, depth = todo.pop()
        if depth > MOST_DEPTH:
            raise ParseError(f"JSON error - nested more than {MOST_DEPTH} deep")
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
