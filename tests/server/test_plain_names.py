"""Names that were given up for the field's own terms stay away, in Python and on the page."""

import io
import re
import tokenize
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
GIVEN_UP = re.compile(
    r"told|told_\w+|\w+_told|_told|Told|\w+_TOLD|Took|Sight|sight|Wish|wish|Feed|FeedsView|alike|Alike\w*|apart|trail|Trail"
    r"|keep_\w+|put_right|let_go|thin_photos|(MOST|LEAST|FEWEST)(_\w+)?|\w+_MOST_\w+|programme|BESIDE_MM|arrive|rungs?|\w+_rung"
    r"|sittings?|Sitting|Seen|Tried|Given|Found|Figures|Asked"
)
"""Whole identifiers. `take`, `where`, `along`, `follow`, `close` and `look` also have their plain meaning: there reading decides."""
OF_BEFORE = {"src/judicum/server/exchange/archive/tables.py"}
"""What version 1 of the archive called its fields."""
PAGE = re.compile(r"\b(told|alike|useAlike|rungs?|ladder|sittings?|evenings?)\b(?=[.(,:;)=?]| =)")


def identifiers(file: Path) -> set[str]:
    tokens = tokenize.generate_tokens(io.StringIO(file.read_text()).readline)
    return {token.string for token in tokens if token.type == tokenize.NAME}


@pytest.mark.parametrize("folder", ["src", "training", "tests"])
def test_no_name_that_was_given_up(folder: str) -> None:
    files = [file for file in sorted((ROOT / folder).rglob("*.py")) if "migrations" not in file.parts]
    found = {
        f"{file.relative_to(ROOT)}: {name}"
        for file in files
        if str(file.relative_to(ROOT)) not in OF_BEFORE
        for name in identifiers(file)
        if GIVEN_UP.fullmatch(name)
    }
    assert found == set()


def test_nor_on_the_page() -> None:
    found = {
        f"{file.relative_to(ROOT)}:{number}: {line.strip()}"
        for file in sorted((ROOT / "web" / "src").rglob("*.ts*"))
        if not file.name.startswith("generated")
        for number, line in enumerate(file.read_text().splitlines(), 1)
        if not line.strip().startswith(("*", "/*", "//")) and PAGE.search(re.sub(r'"[^"]*"', "", line))
    }
    assert found == set()


def test_one_constant_a_line() -> None:
    several = re.compile(r"^[A-Z_0-9]+(, [A-Z_0-9]+)+ = ", re.MULTILINE)
    files = sorted((ROOT / "src").rglob("*.py"))
    assert [str(file.relative_to(ROOT)) for file in files if several.search(file.read_text())] == []
