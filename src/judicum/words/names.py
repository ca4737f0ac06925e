"""What the core's codes are called, in the reader's locale."""

import re
from functools import cache

from judicum.core.choices import CHOICES
from judicum.core.photo.film import tint_levels
from judicum.core.sheets import Names
from judicum.words.attempts import ROLES
from judicum.words.catalogue import LOCALES, codes_of, knows, speaking, t

_NOT_IN_A_NAME = re.compile(r"[^A-Za-z0-9_-]")
"""A message's name holds letters, digits, - and _ (Project Fluent's syntax): the pair `304L+carbon` is `304L-carbon`."""


def named(kind: str, code: object) -> str:
    """What a code of some kind is called."""
    return t(f"{kind}-{_NOT_IN_A_NAME.sub('-', str(code))}")


def field_name(key: str) -> str:
    """What a field is called; one that has no name of its own is called by its key.

    >>> field_name("current_a"), field_name("restarts_mm")
    ('Welding current', 'Restarts at')
    """
    return t(f"field-{key}") if knows(f"field-{key}") else key.replace("_", " ")


def option_name(choice: str, code: object) -> str:
    """What an option of a choice is called.

    >>> option_name("technique", "walk_cup"), option_name("metal", "304L+carbon")
    ('walk the cup', '304L to carbon steel')
    """
    return named(f"option-{choice}", code)


def field_in_sentence(key: str) -> str:
    """The same within a sentence.

    >>> field_in_sentence("postflow_s")
    'post-flow'
    """
    name = field_name(key)
    return name[:1].lower() + name[1:]


def tint_name(level: int) -> str:
    """A level of the heat tint.

    >>> tint_name(2)
    '2 gold'
    """
    return t("tint-level", level=level, name=t(f"tint-{min(level, len(tint_levels()) - 1)}"))


def listed(names: list[str]) -> str:
    """Names one after another."""
    return ", ".join(names)


@cache
def spreadsheet_names() -> Names:
    """What people may call fields and options in a spreadsheet: their names in every locale."""
    fields: dict[str, list[str]] = {}
    options: dict[tuple[str, str], list[str]] = {}
    for locale in LOCALES:
        with speaking(locale):
            for key in codes_of("field"):
                fields.setdefault(key, []).append(field_name(key))
            for choice in CHOICES.values():
                for code in choice.codes:
                    options.setdefault((choice.key, str(code)), []).append(option_name(choice.key, code))
            for role in ROLES:
                options.setdefault(("role", role), []).append(named("role", role))
    return Names(fields, options)
