"""Stock over the wire; what is to be read comes in words."""

from typing import Any

from rest_framework import serializers

from judicum.core.choices import Choice
from judicum.core.quantities import Quantity
from judicum.core.stock.bottle import FULL_BAR, litres
from judicum.core.stock.cost import Cost
from judicum.core.stock.items import ABOUT, KINDS, Kind
from judicum.core.stock.level import MOVES
from judicum.server.follow.evenings.queries import today_in
from judicum.server.follow.stock.costs import AtCoupon, Costs
from judicum.server.follow.stock.gauges import known_gauges
from judicum.server.follow.stock.models import Bottle, GaugeReading
from judicum.server.follow.stock.queries import InUse, OnShelf, Store
from judicum.words import Units
from judicum.words.stock import (
    TAKEN_TOLD,
    gas_words,
    lasts_words,
    leak_words,
    left_words,
    order_words,
    spec_words,
    unpriced_words,
)


class KeepItemSerializer(serializers.Serializer[Any]):
    """An item; `given` are the fields of its kind, as `kinds` of the store names them."""

    kind = serializers.CharField(max_length=40)
    given = serializers.DictField()


class MoveSerializer(serializers.Serializer[Any]):
    """A count (of all there is), a delivery, or what was thrown away, in the item's unit."""

    kind = serializers.CharField(max_length=40)
    amount = serializers.FloatField()
    note = serializers.CharField(allow_blank=True, default="", max_length=2000)


class OpenBottleSerializer(serializers.Serializer[Any]):
    item = serializers.IntegerField()
    name = serializers.CharField(max_length=400)


class SetBottleSerializer(serializers.Serializer[Any]):
    """A wired gauge put on a bottle ("" takes it off), or the bottle closed."""

    gauge = serializers.CharField(allow_blank=True, required=False, max_length=400)
    closed = serializers.BooleanField(default=False)


class DialSerializer(serializers.Serializer[Any]):
    """Four taps on a photo of a gauge, [x, y] in pixels, and what stands at the end of its scale."""

    hub = serializers.ListField(child=serializers.FloatField(), max_length=2)
    tip = serializers.ListField(child=serializers.FloatField(), max_length=2)
    zero = serializers.ListField(child=serializers.FloatField(), max_length=2)
    full = serializers.ListField(child=serializers.FloatField(), max_length=2)
    full_bar = serializers.FloatField(min_value=10, max_value=1000)


class ReadGaugeSerializer(serializers.Serializer[Any]):
    """A pressure that was typed, or four taps on a photo."""

    bar = serializers.FloatField(required=False, allow_null=True, default=None)
    temperature_c = serializers.FloatField(required=False, allow_null=True, default=None)
    dial = DialSerializer(required=False, allow_null=True, default=None)


class GaugeReadSerializer(serializers.ModelSerializer[GaugeReading]):
    class Meta:
        model = GaugeReading
        fields = ("id", "at", "bar", "temperature_c", "off_bar", "how")


class OpenBottleNameSerializer(serializers.ModelSerializer[Bottle]):
    """A bottle in use, to whoever may read its gauge."""

    class Meta:
        model = Bottle
        fields = ("id", "name", "size_l", "gauge")


class StockFieldSerializer(serializers.Serializer[Any]):
    """One field of an item: a figure with its unit and limits, a choice with its options, or words."""

    key = serializers.CharField()
    words = serializers.CharField()
    unit = serializers.CharField(allow_null=True)
    low = serializers.FloatField(allow_null=True)
    high = serializers.FloatField(allow_null=True)
    options = serializers.DictField(child=serializers.CharField(), allow_null=True)
    needed = serializers.BooleanField()


class StockKindSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    words = serializers.CharField()
    unit = serializers.CharField()
    specs = StockFieldSerializer(many=True)


class StockItemSerializer(serializers.Serializer[Any]):
    """An item on the shelf: what it is, what is left, how long that lasts, what to order; `given` are its fields."""

    id = serializers.IntegerField()
    kind = serializers.CharField()
    name = serializers.CharField()
    what = serializers.CharField(allow_blank=True)
    left = serializers.FloatField()
    left_words = serializers.CharField()
    counted_at = serializers.DateTimeField(allow_null=True)
    real = serializers.FloatField()
    lasts = serializers.CharField(allow_blank=True)
    low = serializers.BooleanField()
    order = serializers.CharField(allow_blank=True)
    supplier = serializers.CharField(allow_blank=True)
    cost = serializers.FloatField(allow_null=True)
    given = serializers.DictField()


class BottleInUseSerializer(serializers.Serializer[Any]):
    """A bottle in use with its last reading, what it still gives, and its leak in words."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    size_l = serializers.FloatField()
    gauge = serializers.CharField(allow_blank=True)
    bar = serializers.FloatField(allow_null=True)
    read_at = serializers.DateTimeField(allow_null=True)
    how = serializers.CharField(allow_blank=True)
    share = serializers.FloatField(allow_null=True)
    words = serializers.CharField(allow_blank=True)
    leak = serializers.CharField(allow_blank=True)


class GasSerializer(serializers.Serializer[Any]):
    """All argon together, open and on the shelf; `real` litres go for each that is logged."""

    words = serializers.CharField()
    lasts = serializers.CharField(allow_blank=True)
    per_evening = serializers.FloatField(allow_null=True)
    real = serializers.FloatField()


class CostRowSerializer(serializers.Serializer[Any]):
    name = serializers.CharField()
    coupons = serializers.IntegerField()
    by_kind = serializers.DictField(child=serializers.FloatField())
    total = serializers.FloatField()


class CostAtCouponSerializer(CostRowSerializer):
    """A coupon; of the gas of one, litres in all, and what post-flow, a cup wider than usual and purge take of them."""

    gas_l = serializers.FloatField()
    postflow_l = serializers.FloatField()
    cup_more_l = serializers.FloatField()
    purge_l = serializers.FloatField()


class CostsSerializer(serializers.Serializer[Any]):
    kinds = serializers.DictField(child=serializers.CharField())
    whole = CostRowSerializer()
    unpriced = serializers.CharField(allow_blank=True)
    litre = serializers.FloatField(allow_null=True)
    people = CostRowSerializer(many=True)
    coupons = CostAtCouponSerializer(many=True)
    evenings = CostRowSerializer(many=True)


class StoreSerializer(serializers.Serializer[Any]):
    kinds = StockKindSerializer(many=True)
    moves = serializers.DictField(child=serializers.CharField())
    gauges = serializers.ListField(child=serializers.CharField())
    items = StockItemSerializer(many=True)
    bottles = BottleInUseSerializer(many=True)
    gas = GasSerializer()
    costs = CostsSerializer()


class LowSerializer(serializers.Serializer[Any]):
    """What runs out or leaks, in words, most urgent first."""

    lines = serializers.ListField(child=serializers.CharField())


def _told_kind(kind: Kind) -> dict[str, Any]:
    rows = []
    for spec in (*ABOUT, *kind.specs):
        number = spec if isinstance(spec, Quantity) else None
        rows.append(
            {
                "key": spec.key, "words": spec.words, "unit": number and number.unit, "low": number and number.low,
                "high": number and number.high,
                "options": {str(k): v for k, v in spec.options.items()} if isinstance(spec, Choice) else None,
                "needed": spec.key in ("name", *kind.needed),
            }
        )  # fmt: skip
    return {"key": kind.key, "words": kind.words, "unit": kind.unit, "specs": rows}


def told_store(store: Store, costs: Costs, units: Units) -> dict[str, Any]:
    """A store as `StoreSerializer` describes it."""
    return {
        "kinds": [_told_kind(kind) for kind in KINDS.values()],
        "moves": {key: words for key, words in MOVES.items() if key != "opened"},
        "gauges": list(known_gauges()),
        "items": [told_item(one, store, units) for one in store.shelf],
        "bottles": [_told_bottle(one) for one in store.bottles],
        "gas": {
            "words": gas_words(store.gas_left),
            "lasts": lasts_words(store.gas_lasts),
            "per_evening": store.gas_lasts.per_evening if store.gas_lasts else None,
            "real": store.gas_real,
        },
        "costs": _told_costs(costs),
    }


def told_item(one: OnShelf, store: Store, units: Units) -> dict[str, Any]:
    item = one.item
    order = order_words(item.kind, one.order, one.order_by, today_in(store.course)) if one.order else ""
    about = {spec.key: getattr(item, spec.key) for spec in ABOUT}
    return {
        "id": item.pk, "kind": item.kind, "name": item.name, "what": spec_words(item.kind, item.spec, units),
        "left": one.level.left, "left_words": left_words(item.kind, one.level.left), "counted_at": one.level.counted_at,
        "real": one.level.real, "lasts": lasts_words(one.lasts), "low": one.low, "order": order, "supplier": item.supplier,
        "cost": one.order * item.price if one.order and item.price is not None else None, "given": {**about, **item.spec},
    }  # fmt: skip


def _told_bottle(one: InUse) -> dict[str, Any]:
    bottle, reading = one.bottle, one.reading
    return {
        "id": bottle.pk, "name": bottle.name, "size_l": bottle.size_l, "gauge": bottle.gauge,
        "bar": reading.bar if reading else None, "read_at": reading.at if reading else None,
        "how": GaugeReading.How(reading.how).label if reading else "",
        "share": one.content and min(1.0, one.content.litres / litres(bottle.size_l, FULL_BAR)), "words": gas_words(one.content) if one.content else "",
        "leak": leak_words(bottle.name, one.leak) if one.leak else "",
    }  # fmt: skip


def _told_costs(costs: Costs) -> dict[str, Any]:
    return {
        "kinds": TAKEN_TOLD,
        "whole": _told_cost("", 0, costs.whole),
        "unpriced": unpriced_words(costs.whole.unpriced),
        "litre": costs.litre,
        "people": [_told_cost(user.display_name, many, cost) for user, many, cost in costs.people],
        "coupons": [_told_coupon(one) for one in costs.coupons],
        "evenings": [_told_cost(f"{day:%a} {day.day} {day:%b %Y}", many, cost) for day, many, cost in costs.evenings],
    }


def _told_cost(name: str, coupons: int, cost: Cost) -> dict[str, Any]:
    return {"name": name, "coupons": coupons, "by_kind": cost.by_kind, "total": cost.total}


def _told_coupon(one: AtCoupon) -> dict[str, Any]:
    gas = one.gas
    return {
        **_told_cost(one.assignment.design.title, one.welded, one.cost),
        "gas_l": gas.run_l, "postflow_l": gas.postflow_l, "cup_more_l": gas.cup_more_l, "purge_l": gas.purge_l,
    }  # fmt: skip
