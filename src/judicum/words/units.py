"""A figure as a person thinks of it; everything kept and sent is SI."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from decimal import ROUND_HALF_UP, Decimal
from typing import Literal

from judicum.core.errors import Limits
from judicum.core.units import MM_PER_INCH, cfh_from_l_min, thou_from_mm

Length = Literal["mm", "thou"]
Flow = Literal["l_min", "cfh"]


@dataclass(frozen=True)
class Units:
    """The units one thinks in."""

    length: Length = "mm"
    flow: Flow = "l_min"


def date_words(day: date) -> str:
    """A day as the page says it.

    >>> date_words(date(2026, 11, 7))
    '7 Nov 2026'
    """
    return f"{day.day} {day:%b %Y}"


METRIC = Units()
US = Units("thou", "cfh")

DIGITS = {"current": 0, "time": 1, "angle": 0, "count": 0, "share": 0, "rate": 1, "plain": 1}
UNIT = {"current": "A", "time": "s", "angle": "°", "count": "", "share": "%", "rate": "1/s", "plain": ""}


def in_units(value: float, kind: str, units: Units) -> tuple[float, str, int]:
    """The figure in the person's unit, the unit, and how many digits it is good for.

    >>> in_units(2.0, "length", US)[1:], round(in_units(2.0, "length", US)[0], 1)
    (('thou', 0), 78.7)
    """
    if kind == "length":
        return (value, "mm", 1) if units.length == "mm" else (thou_from_mm(value), "thou", 0)
    if kind == "flow":
        return (value, "L/min", 1) if units.flow == "l_min" else (cfh_from_l_min(value), "CFH", 0)
    if kind == "speed":
        return (value, "mm/s", 1) if units.length == "mm" else (value * 60 / MM_PER_INCH, "in/min", 1)
    if kind == "share":
        return 100 * value, UNIT[kind], DIGITS[kind]
    # A kind that is no kind of quantity is a unit that is shown as it is.
    return value, UNIT.get(kind, kind), DIGITS.get(kind, 2)


def fixed(value: float, digits: int) -> str:
    """A number to so many digits, halves away from nought: what a page's own `toFixed` gives, so that both say the same.

    >>> fixed(48.5, 0), fixed(7.25, 1), fixed(-0.04, 1)
    ('49', '7.3', '0.0')
    """
    rounded = Decimal(value).quantize(Decimal(1).scaleb(-digits), ROUND_HALF_UP)
    return f"{rounded or abs(rounded):f}"


def format_figure(value: float, kind: str, units: Units, digits: int | None = None, *, unit: bool = True) -> str:
    """A figure with its unit, without idle noughts.

    >>> format_figure(11.0, "flow", METRIC), format_figure(0.5, "length", US), format_figure(12.5, "angle", METRIC)
    ('11 L/min', '20 thou', '13°')
    """
    number, name, usual = in_units(value, kind, units)
    text = fixed(number, usual if digits is None else digits)
    text = text.rstrip("0").rstrip(".") if "." in text else text
    text = "0" if text in ("-0", "") else text
    if not unit or not name:
        return text
    return f"{text}{name}" if name == "°" else f"{text} {name}"


def limits(allowed: Limits, units: Units) -> str:
    """What is allowed, in the person's units."""
    low, high = (
        format_figure(v, allowed.kind, units, unit=False, digits=_fine(v, allowed.kind))
        for v in (allowed.low, allowed.high)
    )
    name = in_units(1.0, allowed.kind, units)[1] if allowed.kind != "plain" else allowed.unit
    return ("a whole number, " if allowed.whole else "") + f"{low} to {high} {name}".strip()


def _fine(value: float, kind: str) -> int | None:
    return 2 if abs(value) < 1 and kind not in ("share",) else None


class Shown:
    """A figure in a sentence: `{used}` has its unit, `{low:bare}` none, `{used:.2}` two digits."""

    def __init__(self, value: float, kind: str, units: Units) -> None:
        self.value, self.kind, self.units = value, kind, units

    def __format__(self, spec: str) -> str:
        bare = spec.endswith("bare")
        digits = spec.removesuffix("bare").removeprefix(".")
        return format_figure(self.value, self.kind, self.units, int(digits) if digits else None, unit=not bare)


def filled(template: str, figures: Mapping[str, tuple[float, str]], units: Units, **codes: str) -> str:
    """A sentence with its figures in the person's units.

    >>> filled("{used} is under {low:bare} to {high}.", {"used": (2.0, "flow"), "low": (6.0, "flow"), "high": (11.0, "flow")}, METRIC)
    '2 L/min is under 6 to 11 L/min.'
    """
    return template.format(**{name: Shown(*figure, units) for name, figure in figures.items()}, **codes)
