"""A good rota quickly: the hardest needs first, then again and again a part taken out and laid anew (large neighbourhood search
[src: shaw-1998]). Nothing impossible ever lies on the board; what is better by what counts is kept."""

import time
from dataclasses import dataclass

import numpy as np

from judicum.core.planning.rota.board import Board, Spot
from judicum.core.planning.rota.ground import Fixed, Ground


@dataclass(frozen=True)
class SearchParameters:
    """How the best arrangement is looked for."""

    seed: int = 11
    """The same question gives the same rota on the same machine, as far as time allows."""
    smallest: int = 6
    """Sittings taken out at a time, at least."""
    largest: int = 26
    """And at most."""
    counts: int = 4
    """Of what counts, how many are counts of sittings."""
    too_late: float = 4.0
    """What a place costs that leaves no session to what waits for the need, as hours left idle do."""
    soon: int = 3
    """Sessions to spare under which a need is laid early."""
    early: float = 0.3
    """What the last session costs over the first for a need that nothing waits for, when all are laid first; hours left idle."""
    lean: tuple[float, ...] = (0.3, 0.0, -1.0)
    """The same by round, drawn: in some a later session is sought, so that early ones are left to those that have no other."""
    noise: float = 0.35
    """How much chance there is in the order and place of what is laid anew; hours left idle."""
    give_up_rounds: int = 150
    """Rounds after which the best so far is gone back to."""
    own_too: float = 0.6
    """How often all of one person is taken out as well."""
    first_too: float = 0.7
    """How often who had no place is laid first."""
    patience: int = 60
    """Rounds without anything better, all needs placed, after which it is early enough."""


SEARCH = SearchParameters()


def laid(ground: Ground, until: float) -> Board:
    """A board with as much placed as was found until then (`time.monotonic`)."""
    board = Board(ground)
    rng = np.random.default_rng(SEARCH.seed)
    scarce = _scarcity(ground)
    kept = set(ground.is_fixed)
    _fill(board, rng, scarce, 0.0, SEARCH.early)
    _early(board)
    best, worth = board.copy_of(), board.worth()
    most = sum(bool(board.allowed[need]) for need in range(len(ground.needs)) if need not in kept) + len(kept)
    here, counts, idle = best, worth[: SEARCH.counts], 0
    while time.monotonic() < until and idle < SEARCH.patience * (1 if len(best) >= most else 1000):
        first = _take_out(board, rng, kept)
        _fill(board, rng, scarce, SEARCH.noise, float(rng.choice(SEARCH.lean)), first)
        now = board.worth()
        idle += 1
        if now > worth:
            idle = 0 if now[: SEARCH.counts] > worth[: SEARCH.counts] else idle
            best, worth = board.copy_of(), now
        # As many as before is good enough to go on from: the way to more may lead over later or less even ones.
        if now[: SEARCH.counts] >= counts:
            here, counts = board.copy_of(), now[: SEARCH.counts]
        else:
            board.back_to(here)
        if idle % SEARCH.give_up_rounds == SEARCH.give_up_rounds - 1:
            board.back_to(best)
            here, counts = best, worth[: SEARCH.counts]
    board.back_to(best)
    _early(board)
    return board


def _scarcity(ground: Ground) -> list[float]:
    """Of every booth, how much would be lost by whoever needs it and does not need what it has."""
    wanted: dict[str, int] = {}
    for need in ground.needs:
        for one in need.wants:
            wanted[one] = wanted.get(one, 0) + need.minutes
    has: dict[str, int] = {}
    for booth in ground.booths:
        for one in booth.has:
            has[one] = has.get(one, 0) + 1
    return [sum(wanted.get(one, 0) / has[one] for one in booth.has) for booth in ground.booths]


def _fill(
    board: Board, rng: np.random.Generator, scarce: list[float], noise: float, lean: float, first: int | None = None
) -> None:
    """Lay what is not placed, the most important and hardest first, before all `first` and what it waits for."""
    ground = board.ground
    top = max([*scarce, 1.0])
    left = [need for need in range(len(ground.needs)) if need not in board.at and board.allowed[need]]
    hard = {
        need: (0 if need in board.urgent else ground.needs[need].priority) * 10.0
        + sum(len(booths) for s, booths in board.allowed[need] if s <= board.latest[need])
        / (len(ground.booths) * len(ground.sessions))
        - 0.4 * board.minutes[need] / 90
        - 0.5 * min(3, _behind(board, need))
        + noise * float(rng.normal())
        for need in left
    }
    while first is not None and rng.random() < SEARCH.first_too:
        hard[first] = -100.0 - len(hard)
        first = ground.after[first]
    left.sort(key=lambda need: hard.get(need, 0.0))
    again = True
    while again and left:
        again, waiting = False, []
        for need in left:
            spots = list(board.spots(need))
            if not spots:
                waiting.append(need)
                continue
            spot = min(spots, key=lambda one: _cost(board, need, one, scarce, top, lean) + noise * float(rng.random()))
            board.put(Fixed(need, spot.session, spot.booth, spot.start, spot.start + board.minutes[need]))
            again = True
        left = waiting


def _behind(board: Board, need: int) -> int:
    """How many wait for a need, one after another."""
    return max((1 + _behind(board, one) for one in board.waiting[need]), default=0)


def _cost(board: Board, need: int, spot: Spot, scarce: list[float], top: float, lean: float) -> float:
    """The less, the better a place: what is left idle, what the booth has that others want, how late where others wait."""
    wants = board.ground.needs[need].wants
    waste = scarce[spot.booth] / top * (0.2 if wants else 1.0)
    late = spot.session / max(len(board.ground.sessions), 1)
    # What soon has to be followed by something else is laid early, whatever the round leans to.
    soon = bool(board.waiting[need]) and board.latest[need] <= board.allowed[need][0][0] + SEARCH.soon
    if spot.session > board.latest[need]:
        waste += SEARCH.too_late
    return spot.idle / 60 + waste + late * (2.0 if soon else lean + (0.3 if board.waiting[need] else 0.0))


def _take_out(board: Board, rng: np.random.Generator, kept: set[int]) -> int | None:
    """Take out a part, with what waits for it: around a need without a place where there is one (returned), else any."""
    ground = board.ground
    loose = [need for need in board.at if need not in kept]
    if not loose:
        return None
    count = int(rng.integers(SEARCH.smallest, SEARCH.largest + 1))
    outside = [need for need in range(len(ground.needs)) if need not in board.at and board.allowed[need]]
    seed = int(rng.choice(outside)) if outside and rng.random() < 0.8 else int(rng.choice(loose))
    sessions = [s for s, _ in board.allowed[seed]]
    first = int(rng.choice(sessions))
    near = {first, int(rng.choice(sessions))} if rng.random() < 0.6 else {first}
    booths = {b for s, here in board.allowed[seed] if s in near for b in here}
    beside = [need for need in loose if board.at[need].session in near and board.at[need].booth in booths]
    rng.shuffle(beside)
    # What the same person has elsewhere may hold it back: what it waits for, or their minutes of an evening.
    own = (
        [need for need in loose if ground.person[need] == ground.person[seed]] if rng.random() < SEARCH.own_too else []
    )
    for need in own + beside[:count]:
        _take_with_waiting(board, need, kept)
    return seed if seed in outside else None


def _take_with_waiting(board: Board, need: int, kept: set[int]) -> None:
    if need not in board.at or need in kept:
        return
    if any(one in kept for one in board.waiting[need]):
        return
    for one in board.waiting[need]:
        _take_with_waiting(board, one, kept)
    board.take(need)


def _early(board: Board) -> None:
    """Move every sitting, the earliest first, to the earliest place there is now."""
    kept = set(board.ground.is_fixed)
    for need in sorted(board.at, key=lambda one: (board.at[one].session, board.at[one].start)):
        if need in kept:
            continue
        one = board.at[need]
        board.take(need)
        spots = [spot for spot in board.spots(need) if (spot.session, spot.start) < (one.session, one.start)]
        best = min(spots, key=lambda spot: (spot.session, spot.start, spot.idle), default=None)
        board.put(
            one if best is None else Fixed(need, best.session, best.booth, best.start, best.start + board.minutes[need])
        )
