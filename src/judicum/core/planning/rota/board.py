"""A rota while it is made: sittings on booths over time, each put in or taken out without ever becoming impossible."""

from bisect import insort
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass

from judicum.core.planning.rota.ground import Fixed, Ground

Row = tuple[int, int, int]
"""Start, end, need."""


@dataclass(frozen=True)
class Spot:
    """Where a need could lie: minutes from the session's beginning, and the minutes left idle before it at the booth."""

    session: int
    booth: int
    start: int
    idle: int


class Board:
    """Sittings by booth and by person; the kept ones lie there from the beginning and stay."""

    def __init__(self, ground: Ground) -> None:
        self.ground = ground
        self.minutes = [need.minutes for need in ground.needs]
        self.waiting: dict[int, list[int]] = defaultdict(list)
        for need, before in enumerate(ground.after):
            if before is not None:
                self.waiting[before].append(need)
        self.allowed: list[list[tuple[int, list[int]]]] = [self._allowed(need) for need in range(len(ground.needs))]
        self.latest = [self._latest(need)[0] for need in range(len(ground.needs))]
        self.at: dict[int, Fixed] = {}
        self.booths: dict[tuple[int, int], list[Row]] = defaultdict(list)
        self.people: dict[tuple[int, int], list[Row]] = defaultdict(list)
        self.urgent = self._urgent()
        for one in ground.fixed:
            self.put(one)

    def _urgent(self) -> set[int]:
        """Needs that have to lie somewhere because what waits for them is promised."""
        found: set[int] = set()
        for one in self.ground.fixed:
            before = self.ground.after[one.need]
            while before is not None and before not in found and before not in self.ground.is_fixed:
                found.add(before)
                before = self.ground.after[before]
        return found

    def _allowed(self, need: int) -> list[tuple[int, list[int]]]:
        """Sessions and booths that would do for a need if they were empty."""
        ground = self.ground
        booths = [b for b in range(len(ground.booths)) if ground.has_all(need, b)]
        sessions = [s for s in range(len(ground.sessions)) if ground.may_come(need, s)]
        found = [(s, [b for b in booths if ground.open(s, b)]) for s in sessions]
        return [(s, here) for s, here in found if here]

    def _latest(self, need: int) -> tuple[int, int]:
        """The last session in which a need leaves room for all that waits for it, and the minutes filled from there to its end.

        Later ones are possible, but cost those. Of a person's minutes in a session only these needs are counted.
        """
        if need in self.ground.is_fixed:
            return self.ground.is_fixed[need].session, self.minutes[need]
        sessions = [session for session, _ in self.allowed[need]]
        last = (max(sessions, default=len(self.ground.sessions)), self.minutes[need])
        for one in self.waiting[need]:
            session, filled = self._latest(one)
            if session < len(self.ground.sessions):
                most = min(self.ground.most[self.ground.person[need]], self.ground.sessions[session].minutes)
                together = filled + self.minutes[need]
                place = (session, together) if together <= most else (session - 1, self.minutes[need])
                last = min(last, place)
        before = max((session for session in sessions if session <= last[0]), default=last[0])
        return last if before == last[0] else (before, self.minutes[need])

    def put(self, one: Fixed) -> None:
        """Lay a sitting where it fits (`spots`)."""
        row = (one.start, one.end, one.need)
        self.at[one.need] = one
        insort(self.booths[one.session, one.booth], row)
        insort(self.people[self.ground.person[one.need], one.session], row)

    def take(self, need: int) -> None:
        """Take a sitting out; kept ones never are."""
        one = self.at.pop(need)
        row = (one.start, one.end, need)
        self.booths[one.session, one.booth].remove(row)
        self.people[self.ground.person[need], one.session].remove(row)

    def spots(self, need: int) -> Iterable[Spot]:
        """The earliest place in every session and booth where a need fits now."""
        ground, minutes, person = self.ground, self.minutes[need], self.ground.person[need]
        before = ground.after[need]
        first = None
        if before is not None:
            first = self.at.get(before)
            if first is None:
                return
        last = min(
            ((self.at[one].session, self.at[one].start) for one in self.waiting[need] if one in self.at), default=None
        )
        for session, booths in self.allowed[need]:
            low, high = 0, ground.sessions[session].minutes
            if first is not None:
                if session < first.session:
                    continue
                if session == first.session:
                    low = first.end
            if last is not None:
                if session > last[0]:
                    continue
                if session == last[0]:
                    high = last[1]
            mine = self.people[person, session]
            if sum(end - start for start, end, _ in mine) + minutes > ground.most[person] or low + minutes > high:
                continue
            for booth in booths:
                spot = self._earliest(need, session, booth, low, high, mine)
                if spot is not None:
                    yield spot

    def _earliest(self, need: int, session: int, booth: int, low: int, high: int, mine: list[Row]) -> Spot | None:
        gap, minutes, persons = self.ground.changeover, self.minutes[need], self.ground.person
        rows, person = self.booths[session, booth], persons[need]
        at, before = low, 0
        moved = True
        while moved:
            moved = False
            for start, end, other in rows:
                gap_needed = 0 if persons[other] == person else gap
                if at < end + gap_needed and start < at + minutes + gap_needed:
                    at, moved = end + gap_needed, True
                if end + gap_needed <= at:
                    before = end + gap_needed
            for start, end, _ in mine:
                if at < end and start < at + minutes:
                    at, moved = end, True
            if at + minutes > high:
                return None
        return Spot(session, booth, at, at - before)

    def copy_of(self) -> dict[int, Fixed]:
        return dict(self.at)

    def back_to(self, before: dict[int, Fixed]) -> None:
        """Lay everything as it was."""
        for need in [need for need, one in self.at.items() if before.get(need) is not one]:
            self.take(need)
        for need, one in before.items():
            if need not in self.at:
                self.put(one)

    def worth(self) -> tuple[float, ...]:
        """What counts, the greater the better: what promises wait for; placed of priority 1, 2, 3; evenness; how early."""
        needs, persons = self.ground.needs, self.ground.person
        counts = [0, 0, 0]
        minutes = dict.fromkeys(persons, 0)
        late = 0.0
        for need, one in self.at.items():
            counts[needs[need].priority - 1] += 1
            minutes[persons[need]] += one.end - one.start
            late += one.session + one.start / 1440
        spread = max(minutes.values()) - min(minutes.values()) if minutes else 0
        return (len(self.urgent & set(self.at)), *counts, -float(spread), -late)
