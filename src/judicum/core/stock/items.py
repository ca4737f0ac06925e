"""What is kept on the shelf: its kinds, what tells one from another, in what it is counted."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, one_of
from judicum.core.fields import Fields, Spec, Text
from judicum.core.quantities import QUANTITIES

Q = QUANTITIES
C = CHOICES


@dataclass(frozen=True)
class Kind:
    """One kind of stock: `unit` it is counted in; `specs` tell one item from another, `needed` of them always."""

    key: str
    unit: str
    specs: tuple[Spec, ...]
    needed: tuple[str, ...]

    @property
    def fields(self) -> Fields:
        return _FIELDS[self.key]


SHEET_OF = (C["metal"], Q["thickness_mm"], Q["blank_length_mm"], Q["blank_width_mm"])
_TABLE = (
    Kind("blank", "pieces", (*SHEET_OF, Q["tube_od_mm"]), ("metal", "thickness_mm", "blank_length_mm")),
    Kind("wire", "m", (C["filler_alloy"], Q["filler_mm"]), ("filler_alloy", "filler_mm")),
    Kind("electrode", "pieces", (C["electrode_kind"], Q["electrode_mm"]), ("electrode_kind", "electrode_mm")),
    Kind("cup", "pieces", (C["gas_part"], Q["cup"], Q["cup_flow_l_min"]), ("cup",)),
    Kind("gas", "bottles", (Q["bottle_l"],), ("bottle_l",)),
    Kind("sheet", "pieces", SHEET_OF, ("metal", "thickness_mm", "blank_length_mm", "blank_width_mm")),
    Kind("bar", "pieces", (*SHEET_OF, Q["tube_od_mm"]), ("metal", "thickness_mm", "blank_length_mm")),
)  # fmt: skip
KINDS: dict[str, Kind] = {kind.key: kind for kind in _TABLE}
ABOUT: tuple[Spec, ...] = (
    Text("name", 60), Text("supplier", 60), Q["price"], Q["lead_days"], Q["low_at"],
)  # fmt: skip
"""What is told of an item of any kind: price of one unit, days from order to delivery, the amount at which it is low."""
_FIELDS = {kind.key: Fields(f"stock of the kind {kind.key}", (*ABOUT, *kind.specs), ("name", *kind.needed)) for kind in _TABLE}  # fmt: skip
COUNTED = Q["low_at"].limits
"""What an amount may be."""


def read_item(kind: str, given: Mapping[str, object]) -> dict[str, Any]:
    """An item's fields, checked; those not given are None, words "".

    Raises:
        InvalidValues: an unknown kind, a field that is unknown, missing or outside its limits.
    """
    if kind not in KINDS:
        raise InvalidValue("kind", kind, one_of(KINDS))
    return KINDS[kind].fields.check(given)


def read_amount(field: str, given: object) -> float:
    """An amount in the unit of its kind. Raises InvalidValue."""
    if isinstance(given, bool) or not isinstance(given, int | float) or not COUNTED.low <= given <= COUNTED.high:
        raise InvalidValue(field, given, COUNTED)
    return float(given)
