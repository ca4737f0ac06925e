"""Tables read with the habits of spreadsheets."""

import csv
import io
import time
from contextlib import suppress
from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, InvalidValues
from judicum.core.fields import Flag, Several, Text
from judicum.core.quantities import QUANTITIES
from judicum.core.sheets import MAX_LINES, Column, Day, read_cell, read_sheet, untamed
from judicum.words.names import spreadsheet_names
from judicum.words.tables import as_csv

Q = QUANTITIES
COLUMNS = (
    Column(Text("name"), needed=True),
    Column(Q["current_a"], needed=True),
    Column(Q["gas_l_min"]),
    Column(Q["thickness_mm"]),
    Column(Q["travel_mm_s"]),
    Column(Q["dabs"]),
    Column(CHOICES["polarity"]),
    Column(Flag("draught")),
    Column(Day("due")),
    Column(Several("restarts_mm", Q["restart_mm"])),
    Column(Text("total"), derived=True),
)


def one(text: str) -> dict[str, object]:
    (line,) = read_sheet(text.encode() if isinstance(text, str) else text, COLUMNS, spreadsheet_names())
    assert line.problems == (), line.problems
    return dict(line.values)


@pytest.mark.parametrize("sign", [",", ";", "\t"])
def test_any_of_the_usual_signs_stands_between(sign: str) -> None:
    text = sign.join(["name", "current_a", "dabs"]) + "\n" + sign.join(["Alma", "52", "40"]) + "\n"
    assert one(text) == {"name": "Alma", "current_a": 52.0, "dabs": 40}


@pytest.mark.parametrize(
    ("heading", "typed", "kept"),
    [
        ("thickness_mm", "1,5", 1.5),
        ("Thickness (mm)", "1.5", 1.5),
        ("thickness [in]", "0,0625", 1.5875),
        ("thickness (thou)", "62.5", 1.5875),
        ("thickness in", "0.0625", 1.5875),
        ("thickness_mm", "1.5 mm", 1.5),
        ("thickness_mm", "0,15 cm", 1.5),
        ("Gas flow (CFH)", "20", 9.438949),
        ("gas_cfh", "20", 9.438949),
        ("gas_l_min", "20 cfh", 9.438949),
        ("travel (mm/min)", "90", 1.5),
        ("travel_mm_s", "9 cm/min", 1.5),
    ],
)
def test_units_stand_in_the_column_or_beside_the_figure(heading: str, typed: str, kept: float) -> None:
    values = one(f"Name;Current (A);{heading}\nAlma;52;{typed}\n")
    assert [v for k, v in values.items() if k not in ("name", "current_a")] == [pytest.approx(kept, abs=1e-6)]


@pytest.mark.parametrize(
    ("sign", "typed", "kept"),
    [
        (";", "1.234,5", 1234.5),
        (";", "1,234", 1.234),
        (",", "1234.5", 1234.5),
        (";", "1 234,5", 1234.5),
        (",", "0.5", 0.5),
    ],
)
def test_decimal_commas_and_thousands(sign: str, typed: str, kept: float) -> None:
    assert read_cell(Q["price"], typed, decimal_comma=sign == ";") == kept


def test_a_comma_that_may_be_either_is_asked_after() -> None:
    with pytest.raises(InvalidValue, match="price"):
        read_cell(Q["price"], "1,234", decimal_comma=False)


def test_marks_other_letters_empty_lines_and_quotes_are_no_trouble() -> None:
    text = '﻿name;current_a;draught;due;polarity;restarts_mm\r\n\r\n;;;;;\r\n"Bö;rn";52;ja;5.3.2031;DC, electrode negative;10,5 30\r\n'
    kept = {
        "name": "Bö;rn", "current_a": 52.0, "draught": True, "due": date(2031, 3, 5), "polarity": "DCEN",
        "restarts_mm": [10.5, 30.0],
    }  # fmt: skip
    for data in (text.encode(), text[1:].encode("utf-16"), text[1:].encode("cp1252")):
        (line,) = read_sheet(data, COLUMNS, spreadsheet_names())
        assert (line.number, dict(line.values)) == (4, kept)
    assert one("name;current_a\n'=1+1;52\n")["name"] == "=1+1", "as it was before it was written down"
    assert one("name;current_a;total\nAlma;52;90\n") == {"name": "Alma", "current_a": 52.0}, "told, not read"


def test_each_line_says_what_of_it_cannot_be_read() -> None:
    text = "name;current_a;due;polarity;draught;dabs\nAlma;hot;31.2.2031;AC/DC;perhaps;1,5\n;52;;;;\nBo;52;;;;;extra\n"
    first, second, third = read_sheet(text.encode(), COLUMNS, spreadsheet_names())
    assert [(p.field, p.given) for p in first.problems] == [
        ("current_a", "hot"), ("due", "31.2.2031"), ("polarity", "AC/DC"), ("draught", "perhaps"),
    ]  # fmt: skip
    assert first.values["dabs"] == 1.5, "the table of quantities says whether that may be"
    assert [(p.field, p.given) for p in second.problems] == [("name", None)]
    assert [p.field for p in third.problems] == ["line"]


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "current_a"),
        ("name\nAlma\n", "current_a"),
        ("name;current_a;colour\nAlma;52;red\n", "colour"),
        ("name;current_a;current (A)\nAlma;52;53\n", "each-column-once"),
        ("name;current_a;thickness (kg)\nAlma;52;1\n", "mm"),
        ("name;current_a\n" + "Alma;52\n" * (MAX_LINES + 1), "lines"),
        ('name;current_a\n"Alma' + "x" * 200_000, "table"),
    ],
)
def test_what_is_no_table_of_these_columns_is_refused(text: str, said: str) -> None:
    with pytest.raises(InvalidValue, match=said):
        read_sheet(text.encode(), COLUMNS, spreadsheet_names())


@pytest.mark.parametrize(
    "text",
    ["(" * 50_000, "[(" * 20_000 + ")" * 20_000, "width" + " " * 60_000, "a," * 5000, "coupon\n" + " " * 900_000, "width_mm\n" + "1 " * 400_000, "width_mm\n" + "1" * 30_000 + "x"],
    ids=lambda text: f"{text[:9]!r} {len(text)}",
)  # fmt: skip
def test_no_table_takes_long_to_refuse(text: str) -> None:
    begun = time.process_time()
    with suppress(InvalidValue, InvalidValues):
        read_sheet(text.encode(), (Column(Text("coupon")), Column(QUANTITIES["target_width_mm"])))
    assert time.process_time() - begun < 1


SEPARATORS = (",", ";", "\t", "|")


@given(st.lists(st.lists(st.text("=+-@'a1 ,;|\t\r\n\"", max_size=12), min_size=2, max_size=2), min_size=1, max_size=3))
def test_nothing_that_goes_out_is_run_by_a_spreadsheet_and_all_of_it_comes_in(rows: list[list[str]]) -> None:
    text = as_csv(["a", "b"], rows).removeprefix("\ufeff")
    assert [[untamed(cell) for cell in row] for row in csv.reader(io.StringIO(text, newline=""))][1:] == rows
    for separator in SEPARATORS:
        for quoting in (csv.QUOTE_MINIMAL, csv.QUOTE_NONE):
            for row in csv.reader(io.StringIO(text, newline=""), delimiter=separator, quoting=quoting):
                if separator != "," or quoting == csv.QUOTE_MINIMAL:
                    assert not [cell for cell in row if cell.startswith(("=", "+", "-", "@"))], (separator, row)
