"""The store of a course as its page shows it: what is to be read comes in words."""

from typing import Any

from judicum.core.choices import Choice
from judicum.core.quantities import Quantity
from judicum.core.stock.bottle import FULL_BAR, litres
from judicum.core.stock.cost import Cost
from judicum.core.stock.items import ABOUT, KINDS, Kind
from judicum.core.stock.level import MOVES
from judicum.server.answers.stock import (
    BottleInUse,
    CostRow,
    Costs,
    CouponCost,
    Cut,
    CutList,
    CutSheet,
    Gas,
    LaidBlank,
    LowStock,
    StockField,
    StockItem,
    StockKind,
    Store,
)
from judicum.server.follow.sessions.queries import today_in
from judicum.server.follow.stock import costs, queries
from judicum.server.follow.stock.cutting import OfMetal
from judicum.server.follow.stock.gauges import known_gauges
from judicum.server.follow.stock.low import stock_warnings
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members
from judicum.server.people.roles import Role
from judicum.words import Units
from judicum.words.names import field_name, named, option_name
from judicum.words.stock import (
    CONSUMED,
    gas_words,
    lasts_words,
    leak_words,
    left_words,
    order_words,
    spec_beside,
    unpriced_words,
)


def store_page(user: User, course_id: int, units: Units) -> Store:
    """A course's store for those who teach it. Raises NotFound, NotAllowed."""
    store = queries.store_of(user, course_id)
    people = [member.user for member in members(course_id, Role.STUDENT)]
    return Store(
        kinds=[_kind(kind) for kind in KINDS.values()],
        moves={key: named("movement", key) for key in MOVES if key != "opened"},
        gauges=list(known_gauges()),
        items=[_item(one, store, units) for one in store.shelf],
        bottles=[_bottle(one) for one in store.bottles],
        gas=Gas(
            words=gas_words(store.gas_left),
            lasts=lasts_words(store.gas_lasts),
            per_session=store.gas_lasts.per_session if store.gas_lasts else None,
            real=store.gas_real,
        ),
        costs=_costs(costs.costs_of(store, people)),
    )


def low_stock(user: User, course_id: int) -> LowStock:
    """What runs out or leaks, for the desk. Raises NotFound, NotAllowed."""
    return LowStock(lines=stock_warnings(queries.store_of(user, course_id)))


def _kind(kind: Kind) -> StockKind:
    fields = []
    for spec in (*ABOUT, *kind.specs):
        number = spec if isinstance(spec, Quantity) else None
        fields.append(
            StockField(
                key=spec.key,
                words=field_name(spec.key),
                unit=number.unit if number else None,
                low=number.low if number else None,
                high=number.high if number else None,
                options={str(code): option_name(spec.key, code) for code in spec.codes}
                if isinstance(spec, Choice)
                else None,
                needed=spec.key in ("name", *kind.needed),
            )
        )
    return StockKind(key=kind.key, words=named("stock-kind", kind.key), unit=named("unit", kind.unit), specs=fields)


def _item(one: queries.OnShelf, store: queries.Store, units: Units) -> StockItem:
    item = one.item
    about = {spec.key: getattr(item, spec.key) for spec in ABOUT}
    return StockItem(
        id=item.pk,
        kind=item.kind,
        name=item.name,
        what=spec_beside(item.name, item.spec, units),
        left=one.level.left,
        left_words=left_words(item.kind, one.level.left),
        counted_at=one.level.counted_at,
        real=one.level.real,
        lasts=lasts_words(one.lasts),
        low=one.low,
        order=order_words(item.kind, one.order, one.order_by, today_in(store.course)) if one.order else "",
        supplier=item.supplier,
        cost=one.order * item.price if one.order and item.price is not None else None,
        given={**about, **item.spec},
    )


def _bottle(one: queries.InUse) -> BottleInUse:
    bottle, reading, content = one.bottle, one.reading, one.content
    return BottleInUse(
        id=bottle.pk,
        name=bottle.name,
        size_l=bottle.size_l,
        gauge=bottle.gauge,
        bar=reading.bar if reading else None,
        read_at=reading.at if reading else None,
        how=named("reading", reading.how) if reading else "",
        share=min(1.0, content.litres / litres(bottle.size_l, FULL_BAR)) if content else None,
        words=gas_words(content) if content else "",
        leak=leak_words(bottle.name, one.leak) if one.leak else "",
    )


def _costs(found: costs.Costs) -> Costs:
    return Costs(
        kinds={key: named("consumed", key) for key in CONSUMED},
        whole=_cost("", 0, found.whole),
        unpriced=unpriced_words(found.whole.unpriced),
        litre=found.litre,
        people=[_cost(user.display_name, many, cost) for user, many, cost in found.people],
        coupons=[_coupon(one) for one in found.coupons],
        sessions=[_cost(f"{day:%a} {day.day} {day:%b %Y}", many, cost) for day, many, cost in found.sessions],
    )


def _cost(name: str, coupons: int, cost: Cost) -> CostRow:
    return CostRow(name=name, coupons=coupons, by_kind=dict(cost.by_kind), total=cost.total)


def _coupon(one: costs.AtCoupon) -> CouponCost:
    gas = one.gas
    row = _cost(one.assignment.design.title, one.welded, one.cost)
    return CouponCost(
        **dict(row), gas_l=gas.run_l, postflow_l=gas.postflow_l, cup_more_l=gas.cup_more_l, purge_l=gas.purge_l
    )


def cut_list_answer(one: OfMetal) -> CutList:
    """Blanks of one metal and thickness: wanted, laid on sheets, and those that found no room."""
    return CutList(
        what=one.what, wanted=one.wanted, short=one.laid.short, sheets=[_sheet(sheet) for sheet in one.laid.sheets]
    )


def _sheet(sheet: Any) -> CutSheet:
    return CutSheet(
        stock=sheet.stock,
        length_mm=sheet.length_mm,
        width_mm=sheet.width_mm,
        used_share=sheet.used_share,
        laid=[LaidBlank(**vars(piece)) for piece in sheet.laid],
        cuts=[Cut(**vars(cut)) for cut in sheet.cuts],
        left=sheet.left,
    )
