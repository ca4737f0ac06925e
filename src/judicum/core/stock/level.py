"""How much of something there is: the last count, what came and went since, and what logged runs took."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

MoveKind = Literal["counted", "delivered", "thrown", "opened"]
MOVES: tuple[MoveKind, ...] = ("counted", "delivered", "thrown", "opened")
"""What happens to a stock by hand; a count is all that is there, the others add to it or take from it."""
MIN_LOGGED = 1e-6
MIN_REAL = 0.5
"""What is really used over what is logged, at least: below this a delivery was not written down."""
MAX_REAL = 3.0
"""And at most: above this a count was wrong."""


@dataclass(frozen=True)
class Move:
    """One change by hand, in the item's unit."""

    at: datetime
    kind: MoveKind
    amount: float


Used = tuple[datetime, float]
"""When a run was logged, and what it took of the item."""


@dataclass(frozen=True)
class Level:
    """What is left (below 0 where a delivery was not written down), when it was last counted, and what really goes for each
    unit that is logged: 1 where two counts do not say."""

    left: float
    counted_at: datetime | None
    real: float


def level(moves: Sequence[Move], used: Sequence[Used]) -> Level:
    """The level of an item from all its moves and uses, in order of time."""
    counts = [move for move in moves if move.kind == "counted"]
    last = counts[-1] if counts else None
    left = (last.amount if last else 0.0) + _came(moves, last.at if last else None, None)
    left -= sum(amount for at, amount in used if last is None or at > last.at)
    return Level(left, last.at if last else None, _real(moves, counts, used))


def _came(moves: Sequence[Move], since: datetime | None, until: datetime | None) -> float:
    """What came less what went by hand, after `since` and up to `until`."""
    signs = {"delivered": 1, "thrown": -1, "opened": -1, "counted": 0}
    return sum(
        signs[move.kind] * move.amount
        for move in moves
        if (since is None or move.at > since) and (until is None or move.at <= until)
    )


def _real(moves: Sequence[Move], counts: Sequence[Move], used: Sequence[Used]) -> float:
    if len(counts) < 2:
        return 1.0
    first, last = counts[0], counts[-1]
    logged = sum(amount for at, amount in used if first.at < at <= last.at)
    gone = first.amount + _came(moves, first.at, last.at) - last.amount
    return real_share(gone, logged)


def real_share(gone: float, logged: float) -> float:
    """What really goes for each unit logged, within what makes sense; 1 where nothing was logged.

    >>> real_share(120, 100), real_share(5, 0), real_share(900, 100)
    (1.2, 1.0, 3.0)
    """
    return min(MAX_REAL, max(MIN_REAL, gone / logged)) if logged > MIN_LOGGED else 1.0


def worn(moves: Sequence[Move]) -> tuple[float, datetime, datetime] | None:
    """What went of something no log tells of (electrodes, cups) between its first and last count, and their times; None with one."""
    counts = [move for move in moves if move.kind == "counted"]
    if len(counts) < 2:
        return None
    first, last = counts[0], counts[-1]
    came = _came([move for move in moves if move.kind == "delivered"], first.at, last.at)
    return max(0.0, first.amount + came - last.amount), first.at, last.at
