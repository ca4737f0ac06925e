"""What a course's practice costs: by person, by coupon, by session; and where the gas goes."""

from collections.abc import Callable, Hashable
from dataclasses import dataclass
from datetime import date
from typing import TypeVar

from judicum.core.setup import read_coupon
from judicum.core.stock.cost import Consumed, Cost, costs, price_per_litre
from judicum.core.stock.use import GasShares, gas_shares
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for, coupon_of
from judicum.server.follow.stock import queries
from judicum.server.follow.stock.models import Item
from judicum.server.people.accounts.models import User

Key = TypeVar("Key", bound=Hashable)


@dataclass(frozen=True)
class AtCoupon:
    """A coupon: how many were welded, what they cost together, and where the gas of one goes by its card; price of a litre."""

    assignment: Assignment
    welded: int
    cost: Cost
    gas: GasShares


@dataclass(frozen=True)
class Costs:
    """Money by person, coupon and session, newest session first; `litre` is the price of one of argon, None where not told."""

    people: list[tuple[User, int, Cost]]
    coupons: list[AtCoupon]
    sessions: list[tuple[date, int, Cost]]
    whole: Cost
    litre: float | None


def costs_of(store: queries.Store, people: list[User]) -> Costs:
    """Costs of all that was logged in a course."""
    items = [one.item for one in store.shelf]
    litre = next((price_per_litre(i.price, i.spec["bottle_l"]) for i in items if i.kind == "gas" and i.price), None)

    def by(key: Callable[[queries.AttemptUse], Key]) -> dict[Key, Cost]:
        return costs(row for one in store.uses for row in _rows(key(one), one, store, items, litre))

    def count(of: Callable[[queries.AttemptUse], object], what: object) -> int:
        return sum(of(one) == what for one in store.uses)

    persons, goals, days = by(lambda t: t.student), by(lambda t: t.assignment), by(lambda t: t.day)
    nothing = Cost({}, ())
    return Costs(
        [(user, count(lambda t: t.student, user.pk), persons.get(user.pk, nothing)) for user in people],
        [
            AtCoupon(goal, count(lambda t: t.assignment, pk), goals.get(pk, nothing), _shares(goal))
            for pk, goal in store.assignments.items()
        ],
        [(day, count(lambda t: t.day, day), days[day]) for day in sorted(days, reverse=True)],
        by(lambda _: "all").get("all", nothing),
        litre,
    )


def _rows(
    key: Key, one: queries.AttemptUse, store: queries.Store, items: list[Item], litre: float | None
) -> list[Consumed[Key]]:
    """What an attempt took, as the core reckons its cost; gas with what really goes for each litre logged."""
    found = [Consumed(key, "gas", store.gas_real * one.gas_l, litre)]
    for kind, amount in (("wire", one.wire_m), ("blank", float(one.blanks))):
        if amount:
            mine = (
                i
                for i in items
                if i.kind == kind and queries.amount_of(i, one, lambda pk: store.assignments[pk].design)
            )
            item = next(mine, None)
            found.append(Consumed(key, kind, amount, item.price if item else None))
    return found


def _shares(goal: Assignment) -> GasShares:
    return gas_shares(read_coupon(coupon_of(goal)), card_for(goal), goal.design.length_mm)
