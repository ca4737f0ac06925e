"""Nothing that a person reads stands in the server's code: sentences come from the catalogue."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import judicum

SOURCE = Path(judicum.__file__).parent
FLOORS = ("server", "words", "core")
SENTENCE = re.compile(r"(?<![<\w])[a-z]{2,} [a-z]{2,}(?![\w=])")
"""Two words of small letters: a code, a key or a format has none."""
NOT_READ = {
    "extend_schema", "OpenApiParameter", "OpenApiResponse", "Field", "create_model", "debug", "info", "warning", "error",
    "exception", "execute", "ValueError", "RuntimeError", "KeyError", "LookupError", "AssertionError", "TypeError", "Counter",
    "Gauge", "Histogram", "Fields", "match", "compile", "Table", "RawSQL", "RunSQL", "getLogger", "column", "ParseError",
    "GaugeMetricFamily", "CannotBackUp", "run", "Popen", "SetupError", "_made", "_outside",
}  # fmt: skip
"""Calls whose words are for programmers and operators (the API's description, logs, SQL, faults of ours), names of rows
that a school renames, and lists of codes."""
NO_PEOPLE = (
    "server/config/", "server/exchange/archive/schemas.py", "core/photo/report.py", "words/causes_words.py",
    "words/vocabulary.py", "words/message_types.py", "migrations/", "server/answers/", "core/photo/printing.py",
    "server/platform/", "/models.py", "server/http/operations.py", "server/http/paging.py", "server/http/headers.py", "server/exchange/backup.py", "server/exchange/archive/",
)  # fmt: skip
"""Settings, descriptions of formats, pages made for developers and operators, names of rows; `core/photo/report.py` keeps the contract's own words."""


def _docstrings(tree: ast.AST) -> set[int]:
    return {
        id(node.value)
        for parent in ast.walk(tree)
        if isinstance(body := getattr(parent, "body", None), list)
        for node in body
        if isinstance(node, ast.Expr) and isinstance(node.value, ast.Constant)
    }


def _bare(path: Path) -> Iterator[str]:
    tree = ast.parse(path.read_text(encoding="utf-8"))
    skipped = _docstrings(tree)
    for node in ast.walk(tree):
        name = getattr(node.func, "attr", getattr(node.func, "id", "")) if isinstance(node, ast.Call) else ""
        if name in NOT_READ:
            skipped |= {id(inner) for inner in ast.walk(node)}
    for node in ast.walk(tree):
        if not (isinstance(node, ast.Constant) and isinstance(node.value, str)) or id(node) in skipped:
            continue
        if SENTENCE.search(node.value):
            yield f"{path.relative_to(SOURCE)}:{node.lineno}: {node.value!r}"


def test_no_sentence_stands_in_python() -> None:
    paths = [path for floor in FLOORS for path in sorted((SOURCE / floor).rglob("*.py"))]
    read = [path for path in paths if not any(part in str(path.relative_to(SOURCE)) for part in NO_PEOPLE)]
    assert len(read) > 200
    assert [one for path in read for one in _bare(path)] == []
