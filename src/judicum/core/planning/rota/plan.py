"""The rota itself: searched, a small one proven, and why the rest has no place."""

import time
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import timedelta
from typing import Any

from judicum.core.errors import InvalidValue, said
from judicum.core.planning.rota.board import Board
from judicum.core.planning.rota.exact import is_small, proven
from judicum.core.planning.rota.ground import Fixed, Ground
from judicum.core.planning.rota.read import RotaRequest, read_rota
from judicum.core.planning.rota.search import laid
from judicum.core.planning.rota.why import why_not

SECONDS = 7.0
"""How long the best arrangement is looked for; where all needs have a place the search ends by itself within a second."""
SEARCHED = 0.6
"""Share of that time after which a small question is given to the solver."""


@dataclass(frozen=True)
class PlannedSlot:
    """One placed need: `start` and `end` as on the clock."""

    need: str
    session: str
    booth: str
    start: str
    end: str


@dataclass(frozen=True)
class Unplaced:
    """A need without a place: the code of why, and what that is about."""

    need: str
    why: str
    what: list[str] | str | None = None


@dataclass(frozen=True)
class Plan:
    """A rota; `least` and `most` are the placed minutes of anybody who has a need."""

    slots: tuple[PlannedSlot, ...]
    unplaced: tuple[Unplaced, ...]
    least: int
    most: int

    def as_json(self) -> dict[str, Any]:
        """The contract's JSON values (docs/rota.md)."""
        return {
            "plan": [vars(one) for one in self.slots],
            "unplaced": [
                {"need": one.need, "why": one.why, **({} if one.what is None else {"what": one.what})}
                for one in self.unplaced
            ],
            "minutes": {"least": self.least, "most": self.most},
        }


def rota(given: Mapping[str, Any], seconds: float = SECONDS) -> Plan:
    """Plan from JSON values (docs/rota.md). Raises InvalidValues."""
    return plan(read_rota(given), seconds)


def plan(asked: RotaRequest, seconds: float = SECONDS) -> Plan:
    """Place as many needs as can be: priority 1, then 2, then 3; then everybody's minutes as even as can be; then early.

    Raises:
        InvalidValues: kept sittings that contradict each other, or that nothing can come before.
    """
    ground = Ground(asked)
    begun = time.monotonic()
    small = is_small(ground)
    board = laid(ground, begun + seconds * (SEARCHED if small else 1.0))
    best = proven(ground, begun + seconds) if small else None
    if best is not None:
        _take_if_better(board, best)
    if left := sorted(ground.needs[need].id for need in board.urgent - set(board.at)):
        raise InvalidValue("kept", ", ".join(left), said("allowed-room-before-what-is-promised-for"))
    placed = sorted(board.at.values(), key=lambda one: (one.session, one.start, one.booth))
    missing = {need for need in range(len(ground.needs)) if need not in board.at}
    unplaced = [Unplaced(ground.needs[need].id, *why_not(ground, need, missing)) for need in sorted(missing)]
    minutes = dict.fromkeys(ground.person, 0)
    for one in placed:
        minutes[ground.person[one.need]] += one.end - one.start
    ends = minutes.values() or [0]
    return Plan(tuple(_as_slot(ground, one) for one in placed), tuple(unplaced), min(ends), max(ends))


def _take_if_better(board: Board, found: list[Fixed]) -> None:
    before, worth = board.copy_of(), board.worth()
    board.back_to({one.need: one for one in (*board.ground.fixed, *found)})
    if board.worth() < worth:
        board.back_to(before)


def _as_slot(ground: Ground, one: Fixed) -> PlannedSlot:
    session = ground.sessions[one.session]
    start, end = (f"{session.begins + timedelta(minutes=at):%H:%M}" for at in (one.start, one.end))
    return PlannedSlot(ground.needs[one.need].id, session.id, ground.booths[one.booth].id, start, end)
