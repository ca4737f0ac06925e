"""Every sentence that a person reads, by its name, in the reader's locale: Project Fluent, files in `locales/`.

British English is whole; American English holds what differs. The page reads the same files (web/src/catalogue.tsx).
"""

import re
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache
from pathlib import Path
from threading import Lock
from typing import Any

from fluent.runtime import FluentBundle, FluentResource
from fluent.syntax import ast
from fluent.syntax.visitor import Visitor

FOLDER = Path(__file__).parent / "locales"
WHOLE = "en-GB"
"""The locale that has every message; the others change some of them."""
LOCALES = (WHOLE, "en-US")
PSEUDO = "en-XA"
"""Accented and a third longer: shows what does not come from the catalogue, and what does not fit its place."""
ACCENTED = str.maketrans("AEIOUaeiouncsyz", "ÅÉÎÖÛåéîöûñçšýž")
VOWELS = "aeiou"

NAME = re.compile(r"^(-?[a-zA-Z][\w-]*) *=", re.MULTILINE)
REFERENCE = re.compile(r"\{ *(-?[a-zA-Z][\w-]*)")
"""What a file of messages defines, and what of others its messages name (a few variants more, which nobody misses)."""

_locale: ContextVar[str] = ContextVar("locale", default=WHOLE)


def t(name: str, /, **variables: Any) -> str:
    """A message in the reader's locale; a plural follows a variable that is a number.

    Raises LookupError where there is no such message or it lacks a variable.

    >>> t("common-cancel")
    'Cancel'
    """
    bundle = _spoken(_locale.get()).holding(name)
    if not bundle.has_message(name):
        raise LookupError(f"no message {name}")
    message = bundle.get_message(name)
    if message.value is None:
        raise LookupError(f"no message {name}")
    shown = {key: value if _counts(key, value) else str(value) for key, value in variables.items()}
    said, errors = bundle.format_pattern(message.value, shown)
    if errors:
        raise LookupError(f"message {name}: {errors[0]}")
    return str(said)


def _counts(key: str, value: object) -> bool:
    """Whether a variable is a figure; the number by which a row is known is a name, and is not grouped by thousands."""
    return isinstance(value, (int, float)) and not key.endswith("_id")


def current_locale() -> str:
    """In which locale is spoken now."""
    return _locale.get()


def knows(name: str) -> bool:
    """Whether there is such a message."""
    return name in _spoken(WHOLE).names


def codes_of(kind: str) -> set[str]:
    """The codes that have a message of some kind.

    >>> "left" in codes_of("option-side")
    True
    """
    return {name.removeprefix(f"{kind}-") for name in _spoken(WHOLE).names if name.startswith(f"{kind}-")}


def locale() -> str:
    """The reader's locale."""
    return _locale.get()


@contextmanager
def speaking(locale: str) -> Iterator[None]:
    """Say everything within in a locale.

    >>> with speaking("en-US"):
    ...     locale()
    'en-US'
    """
    token = _locale.set(locale)
    try:
        yield
    finally:
        _locale.reset(token)


def files_of(locale: str) -> list[Path]:
    """The files of a locale."""
    return sorted((FOLDER / locale).rglob("*.ftl"))


class _Spoken:
    """One locale's messages, each file of them read once something of it is said: all of them take longer than a photo is measured."""

    def __init__(self, locale: str) -> None:
        self._bundle = FluentBundle([locale], use_isolating=False)
        self._accented = locale == PSEUDO
        self._reading = Lock()  # threads of the server: none may see a file half read
        self._texts = {
            file: file.read_text(encoding="utf-8") for one in dict.fromkeys((WHOLE, locale)) for file in files_of(one)
        }
        self._files: dict[str, list[Path]] = {}
        for file, text in self._texts.items():
            for name in NAME.findall(text):
                self._files.setdefault(name, []).append(file)
        self.names = {name for name in self._files if not name.startswith("-")}

    def holding(self, name: str) -> FluentBundle:
        """The bundle, with a message and all that it refers to in it."""
        wanted = [name]
        with self._reading:
            while wanted:
                for file in self._files.pop(wanted.pop(), []):
                    if (text := self._texts.pop(file, None)) is not None:
                        self._add(text, differs=not file.is_relative_to(FOLDER / WHOLE))
                        wanted += [*NAME.findall(text), *REFERENCE.findall(text)]
        return self._bundle

    def _add(self, text: str, differs: bool) -> None:
        resource = FluentResource(text)
        if self._accented:
            _Accents().visit(resource)
        self._bundle.add_resource(resource, allow_overrides=differs)


_spoken = cache(_Spoken)


class _Accents(Visitor):
    """Writes every piece of text of a resource as `pseudo` does."""

    def visit_TextElement(self, node: ast.TextElement) -> None:  # noqa: N802 - named by the visitor
        node.value = pseudo(node.value)


def pseudo(text: str) -> str:
    """Text with accents, and every second vowel written twice.

    >>> pseudo("Save coupon")
    'Såvéé çöûûpöñ'
    """
    longer, seen = "", 0
    for letter in text:
        seen += letter in VOWELS
        longer += letter * 2 if letter in VOWELS and seen % 2 == 0 else letter
    return longer.translate(ACCENTED)
