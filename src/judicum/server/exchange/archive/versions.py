"""Archives of earlier versions, read as one of today: an importer each, which never changes once a later version is out."""

from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

VERSION = 2
"""What is written; a reader refuses a later one."""


@dataclass(frozen=True)
class Importer:
    """What a version called tables that have another name now, and a line of it as one of the next version's table."""

    tables: dict[str, str] = field(default_factory=dict)
    line: Callable[[str, dict[str, Any]], dict[str, Any]] = lambda table, line: line


FIELDS_OF_1 = {
    "course": {"ladder": "sequence"},
    "designs": {"stainless_rung": "stainless_step", "carbon_rung": "carbon_step"},
    "references": {"let_go_at": "released_at"},
    "verdicts": {"taken": "confirmed"},
}
"""What version 1 called fields, by table, and what they are called since; nothing else differs."""


def _from_1(table: str, line: dict[str, Any]) -> dict[str, Any]:
    names = FIELDS_OF_1.get(table, {})
    return {names.get(key, key): value for key, value in line.items()}


IMPORTERS = {1: Importer({"slots": "sittings"}, _from_1), 2: Importer()}
