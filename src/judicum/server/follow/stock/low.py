"""What of a course's store runs out or leaks, in lines: for the desk and for the mail of the day."""

from judicum.server.follow.stock.queries import Store
from judicum.words.stock import gas_words, lasts_words, leak_words, low_words


def stock_warnings(store: Store) -> list[str]:
    """What runs out or leaks."""
    leaks = [leak_words(one.bottle.name, one.leak) for one in store.bottles if one.leak]
    short = [one for one in store.shelf if one.low]
    short.sort(key=lambda one: one.lasts.low if one.lasts else 99)
    gas = [f"Argon: {gas_words(store.gas_left)}, {lasts_words(store.gas_lasts)}"] if gas_is_low(store) else []
    return [*gas, *leaks, *(low_words(one.item.name, one.item.kind, one.level.left, one.lasts) for one in short)]


def gas_is_low(store: Store) -> bool:
    """Whether argon may not last through the next session."""
    return bool(store.bottles) and store.gas_lasts is not None and store.gas_lasts.low < 1
