"""A figure as a person thinks of it; everything kept and sent is SI."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, time
from decimal import ROUND_HALF_UP, Decimal
from fractions import Fraction
from typing import Any, Literal

from babel.dates import format_date, format_skeleton, format_time

from judicum.core.errors import Limits
from judicum.core.units import BAR_PER_PSI, MM_PER_INCH, cfh_from_l_min, thou_from_mm
from judicum.words.catalogue import PSEUDO, WHOLE, locale, t

Length = Literal["mm", "thou"]
Flow = Literal["l_min", "cfh"]


@dataclass(frozen=True)
class Units:
    """The units one thinks in."""

    length: Length = "mm"
    flow: Flow = "l_min"


def _babel() -> str:
    return (WHOLE if locale() == PSEUDO else locale()).replace("-", "_")


def date_words(day: date) -> str:
    """A day as the page says it.

    >>> date_words(date(2026, 11, 7))
    '7 Nov 2026'
    >>> from judicum.words.catalogue import speaking
    >>> with speaking("en-US"):
    ...     date_words(date(2026, 11, 7))
    'Nov 7, 2026'
    """
    return format_date(day, "medium", locale=_babel())


def weekday_words(day: date) -> str:
    """A day of the weeks around, with its name.

    >>> weekday_words(date(2026, 12, 1))
    'Tue 1 Dec'
    """
    return format_skeleton("MMMEd", day, locale=_babel())


def time_words(clock: time) -> str:
    """A time of the day.

    >>> time_words(time(18, 5))
    '18:05'
    """
    return format_time(clock, "short", locale=_babel())


METRIC = Units()
US = Units("thou", "cfh")


@dataclass(frozen=True)
class ShownUnit:
    """How a kind of figure is shown: so many `per_si`, to `digits`, with `label` after a blank, or `joined` to the figure; in
    `fractions` where one is close."""

    label: str
    per_si: float
    digits: int
    joined: bool = False
    fractions: bool = False


FINEST_FRACTION = 32
"""Inches: rods, tungstens and plate are sold in 32nds."""
MAX_OFF_IN = 0.002
"""Inches that a fraction may be off: a rod of 2.4 mm is 3/32, sheet of 1.5 mm is not 1/16."""


def fraction_of_inch(inches: float) -> str | None:
    """The fraction that a size in inches is named by; None where none is close.

    >>> fraction_of_inch(0.0945), fraction_of_inch(1.5), fraction_of_inch(0.059)
    ('3/32', '1 1/2', None)
    """
    parts = round(inches * FINEST_FRACTION)
    if parts == 0 or abs(inches - parts / FINEST_FRACTION) > MAX_OFF_IN:
        return None
    whole, rest = divmod(parts, FINEST_FRACTION)
    part = str(Fraction(rest, FINEST_FRACTION)) if rest else ""
    return f"{whole} {part}".strip() if whole else part


SHOWN_UNITS: dict[str, dict[str, ShownUnit]] = {
    "length": {"mm": ShownUnit("mm", 1.0, 1), "thou": ShownUnit("thou", thou_from_mm(1.0), 0)},
    "size": {"mm": ShownUnit("mm", 1.0, 1), "thou": ShownUnit("in", 1 / MM_PER_INCH, 3, fractions=True)},
    "pressure": {"l_min": ShownUnit("bar", 1.0, 0), "cfh": ShownUnit("psi", 1 / BAR_PER_PSI, 0)},
    "flow": {"l_min": ShownUnit("L/min", 1.0, 1), "cfh": ShownUnit("CFH", cfh_from_l_min(1.0), 0)},
    "speed": {"mm": ShownUnit("mm/s", 1.0, 1), "thou": ShownUnit("ipm", 60 / MM_PER_INCH, 1)},
    "current": {"any": ShownUnit("A", 1.0, 0)},
    "time": {"any": ShownUnit("s", 1.0, 1)},
    "angle": {"any": ShownUnit("°", 1.0, 0, joined=True)},
    "count": {"any": ShownUnit("", 1.0, 0)},
    "share": {"any": ShownUnit("%", 100.0, 0, joined=True)},
    "rate": {"any": ShownUnit("/s", 1.0, 1, joined=True)},
    "mark": {"any": ShownUnit("", 1.0, 1)},
    "plain": {"any": ShownUnit("", 1.0, 1)},
}
"""By kind of figure, then by the unit of length or of flow that one thinks in; the page reads this table too. A mark is kept to
a tenth and shown so: 69.6 fails where 70 is asked for."""


def shown_unit(kind: str, units: Units) -> ShownUnit:
    """How a kind of figure is shown to a person; what is no kind of figure is a unit that is shown as it is.

    >>> shown_unit("length", US), shown_unit("bar", US).label
    (ShownUnit(label='thou', per_si=39.37007874015748, digits=0, joined=False, fractions=False), 'bar')
    """
    options = SHOWN_UNITS.get(kind, {})
    return options.get(units.length) or options.get(units.flow) or options.get("any") or ShownUnit(kind, 1.0, 2)


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
    shown = shown_unit(kind, units)
    fraction = fraction_of_inch(value * shown.per_si) if shown.fractions else None
    if fraction:
        return f"{fraction} {shown.label}" if unit else fraction
    text = fixed(value * shown.per_si, shown.digits if digits is None or shown.fractions else digits)
    text = text.rstrip("0").rstrip(".") if "." in text else text
    text = "0" if text in ("-0", "") else text
    if not unit or not shown.label:
        return text
    return f"{text}{shown.label}" if shown.joined else f"{text} {shown.label}"


def cup_words(number: float, units: Units) -> str:
    """A cup by its number, and for those who think in inches by its bore: sixteenths of an inch.

    >>> cup_words(8, US), cup_words(8, METRIC)
    ('no. 8 (1/2 in)', 'no. 8')
    """
    bore = fraction_of_inch(number / 16) if units.length == "thou" else None
    return t("cup-and-bore", number=f"{number:g}", bore=bore) if bore else t("cup", number=f"{number:g}")


def limits(allowed: Limits, units: Units) -> str:
    """What is allowed, in the person's units."""
    low, high = (
        format_figure(v, allowed.kind, units, unit=False, digits=_fine(v, allowed.kind))
        for v in (allowed.low, allowed.high)
    )
    name = shown_unit(allowed.kind, units).label if allowed.kind != "plain" else allowed.unit
    return t("limits-whole" if allowed.whole else "limits", low=low, high=f"{high} {name}".strip())


def _fine(value: float, kind: str) -> int | None:
    return 2 if abs(value) < 1 and kind not in ("share",) else None


FORMS: dict[str, dict[str, Any]] = {"": {}, "_bare": {"unit": False}, "_1": {"digits": 1}, "_2": {"digits": 2}}
"""How a message may ask for a figure: `$used` with its unit, `$used_bare` without, `$used_2` to two digits."""


def figure_forms(figures: Mapping[str, tuple[float, str]], units: Units) -> dict[str, str]:
    """Figures and their kinds as the variables of a message, in the person's units.

    >>> figure_forms({"used": (2.0, "flow")}, METRIC)["used"]
    '2 L/min'
    """
    return {
        f"{name}{ending}": format_figure(value, kind, units, **form)
        for name, (value, kind) in figures.items()
        for ending, form in FORMS.items()
    }
