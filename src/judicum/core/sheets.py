"""Tables as people keep them in a spreadsheet, read with its habits: a mark at the beginning, semicolons, decimal commas,
units in the column's name or beside the figure, dates the other way round."""

import csv
import io
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from typing import Any

from judicum.core.choices import Choice
from judicum.core.errors import InvalidValue, Said, one_of, said
from judicum.core.fields import Flag, Several, Spec
from judicum.core.quantities import Quantity
from judicum.core.units import BAR_PER_PSI, L_MIN_PER_CFH, MM_PER_INCH

MAX_LINES = 20_000
"""Lines of one table: a course of two hundred with a hundred runs each."""
MAX_CELL = 4000
MAX_HEADING = 120
"""Characters of a column's name; the longest of ours, with a unit in brackets, has under 60."""
MAX_COLUMNS = 200
MAX_FIGURE = 40
"""Characters of a figure with its unit."""
_LENGTHS = {
    "mm": 1.0,
    "cm": 10.0,
    "m": 1000.0,
    "in": MM_PER_INCH,
    "inch": MM_PER_INCH,
    '"': MM_PER_INCH,
    "thou": MM_PER_INCH / 1000,
}
UNITS: dict[str, dict[str, float]] = {
    "length": _LENGTHS,
    "size": _LENGTHS,
    "pressure": {"bar": 1.0, "psi": BAR_PER_PSI},
    "flow": {"l/min": 1.0, "cfh": L_MIN_PER_CFH},
    "speed": {"mm/s": 1.0, "mm/min": 1 / 60, "cm/min": 1 / 6, "in/min": MM_PER_INCH / 60, "ipm": MM_PER_INCH / 60},
    "current": {"a": 1.0, "amps": 1.0, "amp": 1.0},
    "time": {"s": 1.0, "sec": 1.0, "ms": 0.001, "min": 60.0},
    "angle": {"°": 1.0, "deg": 1.0},
    "share": {"": 1.0, "%": 0.01},
    "rate": {"1/s": 1.0, "hz": 1.0},
}
"""What one of each unit is in the unit in which a kind of figure is kept."""
YES = ("yes", "y", "true", "1", "x", "ja")
NO = ("no", "n", "false", "0", "nein")
_TAMED = re.compile(r"""(^|[;\t|\r\n])'(?=["']*[=+\-@\t\r])""")
"""A quotation mark that `tamed` put there; it goes when a cell is read."""
_WILD = re.compile(r"""(^|[;\t|\r\n])(?=["']*[=+\-@\t\r])""")
"""Where a spreadsheet would begin a formula: at the beginning of a cell, and, since a reader may guess another separator or mind no
quotes, of what it would take for one."""
# Each part excludes what the next begins with: matching is one pass, whatever is typed.
_NUMBER = re.compile(r"([+-]?[\d.,\u00a0\u202f ’']*[\d.,](?:[eE][+-]?\d{1,3})?)([^\d]*)")
_DAY = re.compile(r"^(\d{4})-(\d{1,2})-(\d{1,2})$|^(\d{1,2})\.(\d{1,2})\.(\d{4})$")


@dataclass(frozen=True)
class Day:
    """A date."""

    key: str

    @property
    def allowed(self) -> Said:
        return said("allowed-date")


Cell = Spec | Day


@dataclass(frozen=True)
class Column:
    """One column of a table: what it holds, whether it may be left out; `derived` columns are written and not read."""

    cell: Cell
    needed: bool = False
    derived: bool = False

    @property
    def key(self) -> str:
        return self.cell.key


@dataclass(frozen=True)
class Names:
    """What people call fields and options in a spreadsheet, beside their keys and codes: by key, and by choice and code."""

    fields: Mapping[str, Sequence[str]] = field(default_factory=dict)
    options: Mapping[tuple[str, str], Sequence[str]] = field(default_factory=dict)


@dataclass(frozen=True)
class Line:
    """One line: its number in the file, what it says by column, and what of it cannot be read."""

    number: int
    values: Mapping[str, Any]
    problems: tuple[InvalidValue, ...]


NO_NAMES = Names()


def decoded(data: bytes) -> str:
    """The text of a file: UTF-8 with or without a mark, UTF-16 with one, else Windows' Latin letters.

    >>> decoded("\\ufeffname;läuft".encode())
    'name;läuft'
    """
    if data.startswith((b"\xff\xfe", b"\xfe\xff")):
        return data.decode("utf-16", "replace")
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        return data.decode("cp1252", "replace")


def tamed(text: str) -> str:
    """A text that no spreadsheet runs as a formula, however it splits the line (OWASP: CSV injection).

    >>> tamed("=1+1"), tamed("a;=1+1"), tamed("'=x"), tamed("a, -b")
    ("'=1+1", "a;'=1+1", "''=x", 'a, -b')
    """
    return _WILD.sub(r"\1'", text)


def untamed(text: str) -> str:
    """What `tamed` was given.

    >>> untamed(tamed("a;=1\\n'+b"))
    "a;=1\\n'+b"
    """
    return _TAMED.sub(r"\1", text)


def read_sheet(data: bytes, columns: Sequence[Column], names: Names = NO_NAMES) -> list[Line]:
    """Every line of a table that holds anything; figures in the unit they are kept in.

    Raises:
        InvalidValues: no table, a column that is not known or there twice, one that is needed and is not there.
    """
    text = decoded(data).replace("\0", "")
    head = text.partition("\n")[0]
    delimiter = max(";\t,", key=lambda sign: _outside_quotes(head).count(sign))
    rows = csv.reader(io.StringIO(text), delimiter=delimiter)
    try:
        headings = next(rows, [])
        places = _places(headings, columns, names)
        return list(_lines(rows, places, names, decimal_comma=delimiter != ","))
    except csv.Error as error:
        raise InvalidValue("table", str(error), said("allowed-a-table-with-one-line-for")) from error


def _outside_quotes(line: str) -> str:
    return re.sub(r'"[^"]*"', "", line)


@dataclass(frozen=True)
class _Place:
    """A column of the file: which of ours it is, and what its figures are multiplied by."""

    column: Column
    factor: float | None


def _places(headings: Sequence[str], columns: Sequence[Column], names: Names) -> list[_Place | None]:
    known: dict[str, Column] = {}
    # A column's own key counts before another's words, and these before another's key without its unit.
    for called in (lambda c: [c.key], lambda c: names.fields.get(c.key, ()), lambda c: [_stem(c)]):
        for column in columns:
            for name in called(column):
                known.setdefault(_plain(name), column)
    if len(headings) > MAX_COLUMNS:
        raise InvalidValue("columns", len(headings), said("allowed-at-most-of-them", most=MAX_COLUMNS))
    if too_long := next((one for one in headings if len(one) > MAX_HEADING), None):
        raise InvalidValue(
            "columns", f"{too_long[:MAX_HEADING]}…", said("allowed-at-most-characters", most=MAX_HEADING)
        )
    places: list[_Place | None] = []
    for heading in headings:
        places.append(_place(heading, known) if heading.strip() else None)
    seen = [place.column.key for place in places if place]
    for key in dict.fromkeys(seen):
        if seen.count(key) > 1:
            raise InvalidValue("columns", key, said("allowed-each-column-once"))
    missing = [column.key for column in columns if column.needed and column.key not in seen]
    if missing or not seen:
        allowed = said("allowed-first-line", columns=", ".join(missing or [column.key for column in columns]))
        raise InvalidValue("columns", ", ".join(h for h in headings if h.strip())[:80] or None, allowed)
    return places


def _place(heading: str, known: Mapping[str, Column]) -> _Place:
    bare, unit = heading, ""
    if _plain(heading) not in known:
        bare, unit = _in_brackets(heading.strip())
    name = _plain(bare)
    if name not in known:
        # `gas_cfh` is `gas_l_min` in another unit; `width in` is a length in inches.
        stem, _, last = name.rpartition(" ")
        if stem not in known:
            raise InvalidValue("columns", heading, one_of(sorted({c.key for c in known.values()})))
        name, unit = stem, last
    column = known[name]
    if not unit or not isinstance(column.cell, Quantity):
        return _Place(column, None if not unit else 1.0)
    return _Place(column, _factor(column.cell, unit, heading))


def _in_brackets(heading: str) -> tuple[str, str]:
    """A column's name and the unit in brackets behind it, "" where there is none."""
    opened = max(heading.rfind("("), heading.rfind("["))
    if opened < 0 or not heading.endswith((")", "]")):
        return heading, ""
    return heading[:opened].rstrip(), heading[opened + 1 : -1]


def _factor(quantity: Quantity, unit: str, given: str) -> float:
    units = UNITS.get(quantity.kind, {})
    factor = units.get(unit.strip().lower())
    if factor is None and unit.strip().lower() == quantity.unit.lower():
        factor = 1.0
    if factor is None:
        raise InvalidValue(
            "columns",
            given,
            said("allowed-in", key=quantity.key, units=" or ".join(units) or quantity.unit or "1"),
        )
    return factor


def _stem(column: Column) -> str:
    """A figure's key without its unit: `gas` of `gas_l_min`."""
    return re.sub(r"_(mm_s|l_min|per_s|mm|a|s|deg)$", "", column.key)


def _plain(name: str) -> str:
    return " ".join(name.replace("_", " ").replace("-", " ").casefold().split())


def _lines(
    rows: Iterator[list[str]], places: Sequence[_Place | None], names: Names, decimal_comma: bool
) -> Iterator[Line]:
    for number, cells in enumerate(rows, 2):
        if number - 1 > MAX_LINES:
            raise InvalidValue(
                "table", f"over {MAX_LINES} lines", said("allowed-at-most-lines-in-one-table", most=MAX_LINES)
            )
        if not any(cell.strip() for cell in cells):
            continue
        values: dict[str, Any] = {}
        problems: list[InvalidValue] = []
        if any(cell.strip() for cell in cells[len(places) :]):
            problems.append(
                InvalidValue(
                    "line", cells[len(places)], said("allowed-cells-as-the-first-line-has", places=len(places))
                )
            )
        for place, cell in zip(places, cells, strict=False):
            if place is None or place.column.derived:
                continue
            try:
                values[place.column.key] = read_cell(place.column.cell, cell, names, decimal_comma, place.factor)
            except InvalidValue as problem:
                problems.append(problem)
        for place in places:
            if place and place.column.needed and values.get(place.column.key) is None and not _named(problems, place):
                problems.append(InvalidValue(place.column.key, None, said("allowed-needed")))
        yield Line(number, values, tuple(problems))


def _named(problems: Sequence[InvalidValue], place: _Place) -> bool:
    return any(problem.field == place.column.key for problem in problems)


def read_cell(
    cell: Cell, text: str, names: Names = NO_NAMES, decimal_comma: bool = True, factor: float | None = None
) -> Any:
    """What one cell says; None where it is empty.

    Raises:
        InvalidValue: names the column, what stands there, what is allowed.
    """
    if len(text) > 2 * MAX_CELL:
        raise InvalidValue(cell.key, f"{len(text)} characters", said("allowed-at-most", most=MAX_CELL))
    typed = untamed(text).strip()
    if not typed:
        return None
    if len(typed) > MAX_CELL:
        raise InvalidValue(cell.key, f"{len(typed)} characters", said("allowed-at-most", most=MAX_CELL))
    if isinstance(cell, Quantity):
        return _figure(cell, typed, decimal_comma, factor)
    if isinstance(cell, Several):
        return [_figure(cell.of, part, decimal_comma, factor) for part in typed.split()]
    if isinstance(cell, Choice):
        return _chosen(cell, typed, names)
    if isinstance(cell, Flag):
        return _flag(cell, typed)
    if isinstance(cell, Day):
        return _day(cell, typed)
    return typed


def _figure(quantity: Quantity, typed: str, decimal_comma: bool, factor: float | None) -> float | int:
    found = _NUMBER.fullmatch(typed) if len(typed) <= MAX_FIGURE else None
    if found is None:
        raise InvalidValue(quantity.key, typed, quantity.limits)
    digits = re.sub(r"[\s  ’']", "", found[1])
    unit = found[2].strip()
    if "," in digits and "." in digits:
        # The one that comes last stands before the decimals.
        digits = digits.replace("." if digits.rfind(",") > digits.rfind(".") else ",", "")
    if digits.count(",") == 1 and (decimal_comma or not re.search(r",\d{3}$", digits)):
        digits = digits.replace(",", ".")
    try:
        value = float(digits)
    except ValueError:
        raise InvalidValue(quantity.key, typed, quantity.limits) from None
    if unit:
        value *= _factor(quantity, unit, typed)
    elif factor is not None:
        value *= factor
    if not quantity.low <= value <= quantity.high:  # nor an infinite one
        raise InvalidValue(quantity.key, typed, quantity.limits)
    kept = round(value, 6)
    return int(kept) if quantity.whole and kept == int(kept) else kept


def _chosen(choice: Choice, typed: str, names: Names) -> str | int:
    for code in choice.codes:
        called = (str(code), *names.options.get((choice.key, str(code)), ()))
        if _plain(typed) in map(_plain, called):
            return code
    raise InvalidValue(choice.key, typed, choice.allowed)


def _flag(flag: Flag, typed: str) -> bool:
    if typed.casefold() in YES:
        return True
    if typed.casefold() in NO:
        return False
    raise InvalidValue(flag.key, typed, said("allowed-yes-or-no"))


def _day(day: Day, typed: str) -> date:
    found = _DAY.match(typed)
    try:
        if found and found[1]:
            return date(int(found[1]), int(found[2]), int(found[3]))
        if found:
            return date(int(found[6]), int(found[5]), int(found[4]))
    except ValueError:
        pass
    raise InvalidValue(day.key, typed, day.allowed)
