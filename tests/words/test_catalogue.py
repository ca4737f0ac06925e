"""The catalogue: every message that is asked for is there with its variables, none stands idle, and all read as they should."""

import ast as python
import re
from collections import defaultdict
from collections.abc import Iterator
from functools import cache
from pathlib import Path

import pytest
from fluent.runtime import FluentResource
from fluent.syntax import ast

from judicum.words.catalogue import FOLDER, LOCALES, PSEUDO, WHOLE, files_of, speaking, t
from judicum.words.message_types import messages, variables_of

ROOT = Path(__file__).parents[2]
PYTHON = sorted((ROOT / "src" / "judicum").rglob("*.py"))
PAGE = [
    path
    for path in sorted((ROOT / "web" / "src").rglob("*.ts*"))
    if "generated" not in path.name and ".test." not in path.name
]
BY_NAME = ("t", "said")
"""Functions that are given a message's name."""
NAMED = ("named", "Named")
"""Functions that are given the beginning of a name and a code."""
BANNED = {
    "sunken": "concave",
    "not through": "lack of penetration",
    "hangs through": "excess penetration",
    "laid wire": "lay wire",
    "good ones in a row": "passes in a row",
    "sitting": "slot",
    "grind anew": "regrind",
    "let go": "remove",
    "evening": "session",
    "rung": "step",
    "ladder": "coupon sequence",
    "by lot": "at random",
    "takes place": "name what happens",
    "wants": "needs",
    "not any more": "no longer",
    "Letters only": "say what is allowed",
}
"""Wordings that a welding school does not use, and what it says: add a line here (docs/words.md)."""


@cache
def catalogue() -> dict[str, set[str]]:
    """Variables of every message, by its name."""
    return {one.id.name: variables_of(one) for one in messages()}


def _entries(locale: str) -> Iterator[tuple[Path, ast.EntryType]]:
    for file in files_of(locale):
        for entry in FluentResource(file.read_text(encoding="utf-8")).body:
            yield file, entry


@pytest.mark.parametrize("locale", LOCALES)
def test_every_file_can_be_read_and_names_stand_once(locale: str) -> None:
    seen: dict[str, Path] = {}
    for file, entry in _entries(locale):
        assert not isinstance(entry, ast.Junk), f"{file.name}: {entry.content[:80]}"
        if isinstance(entry, (ast.Message, ast.Term)):
            name = ("-" if isinstance(entry, ast.Term) else "") + entry.id.name
            assert name not in seen, f"{name} stands in {file.name} and {seen[name].name}"
            seen[name] = file


def test_american_english_changes_what_is_there_and_with_the_same_variables() -> None:
    terms = {entry.id.name for _, entry in _entries(WHOLE) if isinstance(entry, ast.Term)}
    for file, entry in _entries("en-US"):
        if isinstance(entry, ast.Message):
            assert variables_of(entry) == catalogue()[entry.id.name], f"{file.name}: {entry.id.name}"
        if isinstance(entry, ast.Term):
            assert entry.id.name in terms, f"{file.name}: {entry.id.name}"


def _calls() -> Iterator[tuple[str, str, python.Call]]:
    """Every call that asks for a message: where, of which function, and the call."""
    for path in PYTHON:
        for node in python.walk(python.parse(path.read_text(encoding="utf-8"))):
            if not (isinstance(node, python.Call) and isinstance(node.func, python.Name) and node.args):
                continue
            if node.func.id in (*BY_NAME, *NAMED):
                yield f"{path.relative_to(ROOT)}:{node.lineno}", node.func.id, node


def _patterns(node: python.expr, ending: str = "") -> Iterator[str]:
    """Regular expressions of the names that an expression may give; none for one that is only known when it runs."""
    if isinstance(node, python.Constant) and isinstance(node.value, str):
        yield re.escape(node.value) + ending
    elif isinstance(node, python.JoinedStr) and isinstance(node.values[0], python.Constant):
        parts = [re.escape(str(part.value)) if isinstance(part, python.Constant) else ".+" for part in node.values]
        yield "".join(parts) + ending
    elif isinstance(node, python.IfExp):
        yield from _patterns(node.body, ending)
        yield from _patterns(node.orelse, ending)


def _asked_in_python() -> Iterator[tuple[str, str, python.Call]]:
    for where, function, call in _calls():
        for pattern in _patterns(call.args[0], "-.+" if function in NAMED else ""):
            yield where, pattern, call


def test_every_message_that_python_asks_for_is_there_with_its_variables() -> None:
    wrong = []
    for where, pattern, call in _asked_in_python():
        found = [name for name in catalogue() if re.fullmatch(pattern, name)]
        if not found:
            wrong.append(f"{where}: no message {pattern}")
        given = {word.arg for word in call.keywords}
        if None in given or ".+" in pattern:
            continue
        for name in found:
            missing = catalogue()[name] - {str(one) for one in given}
            if missing:
                wrong.append(f"{where}: {name} lacks {', '.join(sorted(missing))}")
    assert wrong == []


def _asked_on_the_page() -> set[str]:
    """Patterns of the names that stand in the page's sources."""
    found = set()
    for path in PAGE:
        text = path.read_text(encoding="utf-8")
        found |= {re.escape(name) for name in re.findall(r'["`]([a-z][\w-]*)["`]', text)}
        for kind in re.findall(r'named\(\s*["`]([^"`]+)["`]', text):
            found.add(re.sub(r"\$\{[^}]*\}", "«", kind).replace("«", ".+") + "-.+")
        for template in re.findall(r"`([a-z][\w-]*\$\{[^`]*)`", text):
            found.add(re.sub(r"\$\{[^}]*\}", "«", template).replace("«", ".+"))
    return found


def test_no_message_stands_idle() -> None:
    nodes = [node for path in PYTHON for node in python.walk(python.parse(path.read_text(encoding="utf-8")))]
    strings = [node for node in nodes if isinstance(node, (python.Constant, python.JoinedStr))]
    named_in_a_string = {
        pattern for node in strings for pattern in _patterns(node) if re.match(r"[a-z][\w-]*", pattern)
    }
    patterns = {pattern for _, pattern, _ in _asked_in_python()} | named_in_a_string | _asked_on_the_page()
    whole = re.compile("|".join(f"(?:{pattern})" for pattern in sorted(patterns)))
    idle = [name for name in sorted(catalogue()) if not whole.fullmatch(name)]
    assert idle == []


ONE_OF_MANY = re.compile(
    r"\b1 (attempts|passes|beads|marks|pieces|bottles|sessions|photos|people|files|coupons|runs|cuts|blanks|minutes|items|pairs"
    r"|faults|lapses|criteria|students|days|weeks|pores|steps|problems|fronts)\b"
)


@pytest.mark.parametrize("locale", [*LOCALES, PSEUDO])
@pytest.mark.parametrize("count", [0, 1, 5])
def test_every_message_reads_with_none_one_and_many(locale: str, count: int) -> None:
    wrong = []
    with speaking(locale):
        for name, variables in catalogue().items():
            said = t(name, **dict.fromkeys(variables, count))
            assert said.strip(), name
            if locale != PSEUDO and (found := ONE_OF_MANY.search(said)):
                wrong.append(f"{name}: {found[0]}")
    assert wrong == []


def _texts() -> dict[str, str]:
    """What every message says, "…" for its variables."""
    return {name: t(name, **dict.fromkeys(variables, "…")) for name, variables in catalogue().items()}


def test_no_message_uses_a_banned_wording() -> None:
    wrong = defaultdict(list)
    for name, text in _texts().items():
        for phrase, better in BANNED.items():
            if re.search(rf"\b{re.escape(phrase)}\b", text, re.IGNORECASE):
                wrong[f"{phrase} → {better}"].append(f"{name}: {text}")
    assert dict(wrong) == {}


def test_no_number_has_a_blank_before_percent_and_no_name_is_snake_case() -> None:
    assert [name for name, text in _texts().items() if re.search(r"\d %|[a-z]_[a-z]", text)] == []


def test_the_folder_holds_the_locales_and_nothing_else() -> None:
    assert {path.name for path in FOLDER.iterdir()} == set(LOCALES)
