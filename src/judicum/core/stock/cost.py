"""What practice costs: amounts times prices."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Generic, TypeVar

from judicum.core.stock.bottle import FULL_BAR, litres

Key = TypeVar("Key")


@dataclass(frozen=True)
class Consumed(Generic[Key]):
    """An amount of one kind of stock that somebody or something took; `price` of one unit, None where nobody told it."""

    by: Key
    kind: str
    amount: float
    price: float | None


@dataclass(frozen=True)
class Cost:
    """Money by kind of stock; `unpriced` kinds were taken but have no price, so that the sum is too low."""

    by_kind: dict[str, float]
    unpriced: tuple[str, ...]

    @property
    def total(self) -> float:
        return sum(self.by_kind.values())


def price_per_litre(bottle_price: float, bottle_l: float) -> float:
    """Price of a litre of argon from that of a full bottle of so many litres of water.

    >>> round(price_per_litre(82.6, 20), 3)
    0.02
    """
    return bottle_price / litres(bottle_l, FULL_BAR)


def costs(took: Iterable[Consumed[Key]]) -> dict[Key, Cost]:
    """What each took, in money, in the order in which they come."""
    money: dict[Key, dict[str, float]] = {}
    unknown: dict[Key, set[str]] = defaultdict(set)
    for one in took:
        mine = money.setdefault(one.by, {})
        if one.price is None:
            unknown[one.by].add(one.kind)
        else:
            mine[one.kind] = mine.get(one.kind, 0.0) + one.amount * one.price
    return {key: Cost(by_kind, tuple(sorted(unknown[key]))) for key, by_kind in money.items()}
