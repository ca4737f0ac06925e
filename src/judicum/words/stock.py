"""Stock in words: what an item is, how long it lasts, what leaks, what to order."""

from collections.abc import Mapping, Sequence
from datetime import date
from typing import Any

from judicum.core.stock.bottle import Content, Fall
from judicum.core.stock.items import KINDS
from judicum.core.stock.lasts import LONGEST, Lasts
from judicum.words.catalogue import t
from judicum.words.names import listed, named, option_name
from judicum.words.units import METRIC, Units, fixed, format_figure, weekday_words

CONSUMED = ("gas", "wire", "blank")
"""What a coupon takes, as costs name it."""
CHOSEN = ("metal", "filler_alloy", "electrode_kind", "gas_part")


def spec_words(spec: Mapping[str, Any], units: Units = METRIC) -> str:
    """What tells an item from others of its kind.

    >>> spec_words({"metal": "304L", "thickness_mm": 1.5, "blank_length_mm": 100.0, "blank_width_mm": 40.0})
    '304L, 1.5 mm, 100 mm × 40 mm'
    """
    return listed(_parts(spec, units))


def _parts(spec: Mapping[str, Any], units: Units) -> list[str]:
    said = [option_name(key, spec[key]) for key in CHOSEN if spec.get(key) is not None]
    if spec.get("tube_od_mm") is not None:
        said.append(t("spec-tube", diameter=format_figure(spec["tube_od_mm"], "size", units)))
    lengths = [format_figure(spec[key], "size", units) for key in ("thickness_mm", "filler_mm", "electrode_mm") if spec.get(key) is not None]  # fmt: skip
    sides = [format_figure(spec[key], "size", units) for key in ("blank_length_mm", "blank_width_mm") if spec.get(key) is not None]  # fmt: skip
    said += [*lengths, *([" × ".join(sides)] if sides else [])]
    if spec.get("cup") is not None:
        said.append(t("spec-cup", number=f"{spec['cup']:g}"))
    if spec.get("bottle_l") is not None:
        said.append(t("litres", figure=f"{spec['bottle_l']:g}"))
    return said


def spec_beside(name: str, spec: Mapping[str, Any], units: Units = METRIC) -> str:
    """The same beside an item's name: without what the name says already.

    >>> spec_beside("Rod 308L", {"filler_alloy": "308L", "filler_mm": 1.6})
    '1.6 mm'
    """
    said = _bare(name)
    return listed([part for part in _parts(spec, units) if _bare(part) not in said])


def _bare(text: str) -> str:
    """Words and figures without blanks and units, to compare."""
    return "".join(
        word for word in text.lower().replace("×", " × ").replace(",", " ").split() if word not in ("mm", "in", "l")
    )


def amount_words(kind: str, amount: float) -> str:
    """An amount in the unit of its kind.

    >>> amount_words("wire", 12.34), amount_words("blank", 12.0), amount_words("gas", 1.0)
    ('12.3 m', '12 pieces', '1 bottle')
    """
    unit = KINDS[kind].unit
    number = fixed(amount, 1 if unit == "m" else 0)
    return t(f"amount-{unit}", amount=number, count=float(number))


def left_words(kind: str, left: float) -> str:
    """What is left; where more was used than was ever counted, that.

    >>> left_words("blank", -20.0), left_words("blank", 3.0)
    ('none: 20 pieces more were used than counted. Count again.', '3 pieces')
    """
    if left < 0:
        return t("stock-none-left", amount=amount_words(kind, -left))
    return amount_words(kind, left)


def lasts_words(found: Lasts | None) -> str:
    """How long it lasts, with the range; empty where nothing says what a session takes.

    >>> lasts_words(Lasts(4, 6, 9, 2.0)), lasts_words(Lasts(0, 0, 1, 2.0)), lasts_words(Lasts(60, None, None, 2.0))
    ('about 6 sessions (4 to 9)', 'not enough for the next session', 'more than 60 sessions')
    """
    if found is None:
        return ""
    if found.low >= LONGEST:
        return t("lasts-over", sessions=LONGEST)
    if found.mid == 0:
        return t("lasts-not-next")
    if found.mid is None:
        return t("lasts-over-from", sessions=LONGEST, low=found.low)
    if found.high == found.low:
        return t("lasts-about", sessions=found.mid)
    if found.high is None:
        return t("lasts-at-least", sessions=found.mid, low=found.low)
    return t("lasts-range", sessions=found.mid, low=found.low, high=found.high)


def gas_words(found: Content) -> str:
    """Litres of argon with what they may be off by.

    >>> gas_words(Content(2412.0, 91.0))
    '2410 L ± 180'
    """
    return t("gas-left", litres=f"{round(found.litres, -1):.0f}", off=f"{round(2 * found.uncertainty, -1):.0f}")


def leak_words(name: str, fall: Fall) -> str:
    """A bottle that fell while nobody welded."""
    return t(
        "bottle-leaks",
        name=name,
        litres=f"{round(fall.fell, -1):.0f}",
        hours=fixed(fall.hours, 0),
        rate=fixed(fall.litres_per_hour, 1),
    )


def order_words(kind: str, amount: float, by: date | None, today: date) -> str:
    """What to order, and by when.

    >>> order_words("blank", 24, date(2026, 3, 9), date(2026, 3, 2)), order_words("wire", 10, None, date(2026, 3, 2))
    ('24 pieces, by Mon 9 Mar', '10.0 m')
    """
    if by is None:
        return amount_words(kind, amount)
    if by <= today:
        return t("order-today", amount=amount_words(kind, amount))
    return t("order-by", amount=amount_words(kind, amount), date=weekday_words(by))


def low_words(name: str, kind: str, left: float, found: Lasts | None) -> str:
    """One line on the desk about something that runs out."""
    said = {"name": name, "left": left_words(kind, left)}
    if left < 0:
        return t("low-none", **said)
    rest = lasts_words(found)
    return t("low-lasts", **said, lasts=rest) if rest else t("low", **said)


def unpriced_words(kinds: Sequence[str]) -> str:
    """What a sum leaves out.

    >>> unpriced_words(["blank", "wire"]), unpriced_words([])
    ('no price yet for blanks, wire', '')
    """
    return t("unpriced", kinds=listed([named("consumed", kind) for kind in kinds])) if kinds else ""
