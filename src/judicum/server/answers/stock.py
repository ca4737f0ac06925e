"""The store of a course: shelf, bottles, costs, what is low, what is to be cut; what is to be read comes in words."""

from datetime import datetime
from typing import Annotated, Any

from pydantic import Field, StringConstraints

from judicum.server.answers.base import Answer, OneOf, Point, Request

Tap = Annotated[Point, Field(max_length=2)]
"""[x, y] in pixels."""


class StockItemRequest(Request):
    """An item; `given` are the fields of its kind, as `kinds` of the store names them."""

    kind: Annotated[str, StringConstraints(max_length=40)]
    given: dict[str, Any]


class StockMoveRequest(Request):
    """A count (of all there is), a delivery, or what was thrown away, in the item's unit."""

    kind: Annotated[str, StringConstraints(max_length=40)]
    amount: float
    note: Annotated[str, StringConstraints(max_length=2000)] = ""


class OpenBottleRequest(Request):
    item: int
    name: Annotated[str, StringConstraints(max_length=400)]


class BottleRequest(Request):
    """A wired gauge put on a bottle ("" takes it off), or the bottle closed."""

    gauge: Annotated[str, StringConstraints(max_length=400)] | None = None
    closed: bool = False


class DialRequest(Request):
    """Four taps on a photo of a gauge, and what stands at the end of its scale."""

    hub: Tap
    tip: Tap
    zero: Tap
    full: Tap
    full_bar: Annotated[float, Field(ge=10, le=1000)]


class GaugeReadingRequest(Request):
    """A pressure that was typed, or four taps on a photo."""

    bar: float | None = None
    temperature_c: float | None = None
    dial: DialRequest | None = None


class CutListRequest(Request):
    """Sessions that blanks are to last, what a cut takes away (mm), whether blanks may be turned on the sheet."""

    sessions: int = 4
    kerf_mm: float = 1.5
    turns: bool = True


class GaugeReading(Answer):
    id: int
    at: datetime
    bar: float
    temperature_c: float | None
    off_bar: float
    how: Annotated[str, OneOf(("typed", "photo", "wired"))]


class BottleName(Answer):
    """A bottle in use, to whoever may read its gauge."""

    id: int
    name: str
    size_l: float
    gauge: str


class StockField(Answer):
    """One field of an item: a figure with its unit and limits, a choice with its options, or words."""

    key: str
    words: str
    unit: str | None
    low: float | None
    high: float | None
    options: dict[str, str] | None
    needed: bool


class StockKind(Answer):
    key: str
    words: str
    unit: str
    specs: list[StockField]


class StockItem(Answer):
    """An item on the shelf: what it is, what is left, how long that lasts, what to order; `given` are its fields."""

    id: int
    kind: str
    name: str
    what: str
    left: float
    left_words: str
    counted_at: datetime | None
    real: float
    lasts: str
    low: bool
    order: str
    supplier: str
    cost: float | None
    given: dict[str, Any]


class BottleInUse(Answer):
    """A bottle in use with its last reading, what it still gives, and its leak in words."""

    id: int
    name: str
    size_l: float
    gauge: str
    bar: float | None
    read_at: datetime | None
    how: str
    share: float | None
    words: str
    leak: str


class Gas(Answer):
    """All argon together, open and on the shelf; `real` litres go for each that is logged."""

    words: str
    lasts: str
    per_session: float | None
    real: float


class CostRow(Answer):
    name: str
    coupons: int
    by_kind: dict[str, float]
    total: float


class CouponCost(CostRow):
    """A coupon; of the gas of one, litres in all, and what post-flow, a cup wider than usual and purge take of them."""

    gas_l: float
    postflow_l: float
    cup_more_l: float
    purge_l: float


class Costs(Answer):
    kinds: dict[str, str]
    whole: CostRow
    unpriced: str
    litre: float | None
    people: list[CostRow]
    coupons: list[CouponCost]
    sessions: list[CostRow]


class Store(Answer):
    kinds: list[StockKind]
    moves: dict[str, str]
    gauges: list[str]
    items: list[StockItem]
    bottles: list[BottleInUse]
    gas: Gas
    costs: Costs


class LowStock(Answer):
    """What runs out or leaks, in words, most urgent first."""

    lines: list[str]


class LaidBlank(Answer):
    name: str
    x_mm: float
    y_mm: float
    length_mm: float
    width_mm: float


class Cut(Answer):
    """A straight cut across the sheet's length (`across`) or along it, at a place and from edge to edge, mm."""

    across: bool
    at_mm: float
    start_mm: float
    end_mm: float


class CutSheet(Answer):
    """One sheet or bar: its blanks, its cuts in order, the largest piece left (x, y, length, width)."""

    stock: str
    length_mm: float
    width_mm: float
    used_share: float
    laid: list[LaidBlank]
    cuts: list[Cut]
    left: list[float] | None


class CutList(Answer):
    """Blanks of one metal and thickness: wanted, laid on sheets, and those that found no room."""

    what: str
    wanted: dict[str, int]
    short: dict[str, int]
    sheets: list[CutSheet]
