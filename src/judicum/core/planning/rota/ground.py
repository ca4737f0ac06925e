"""The ground a rota is laid on: where each need could lie at all, and what is promised already."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from itertools import combinations

from judicum.core.errors import InvalidValue, Said, refuse_all, said
from judicum.core.planning.booths import OVER
from judicum.core.planning.rota.read import DAY_MINUTES, Booth, Need, Person, RotaRequest, Session, minutes_of


@dataclass(frozen=True)
class Fixed:
    """A sitting that stays where it is: minutes from the beginning of session number `session` at booth number `booth`."""

    need: int
    session: int
    booth: int
    start: int
    end: int


@dataclass(frozen=True)
class Window:
    """A stretch of a booth's session that is free, between what is kept there: `left` and `right` are who is kept beside it.

    Where nothing is kept, the whole session with nobody beside it.
    """

    session: int
    booth: int
    start: int
    end: int
    left: int | None = None
    right: int | None = None


class Ground:
    """Indexes over what was asked: needs, people and booths by number, sessions by number in order of time."""

    def __init__(self, asked: RotaRequest) -> None:
        self.asked = asked
        self.sessions: tuple[Session, ...] = asked.in_order
        self.booths: tuple[Booth, ...] = asked.booths
        self.people: tuple[Person, ...] = asked.people
        self.needs: tuple[Need, ...] = asked.needs
        self.changeover = asked.changeover_minutes
        number = {one.id: k for k, one in enumerate(self.people)}
        by_id = {one.id: k for k, one in enumerate(self.needs)}
        self.person = [number[need.person] for need in self.needs]
        self.after = [by_id[need.after] if need.after is not None else None for need in self.needs]
        self.most = [person.most_minutes or DAY_MINUTES for person in self.people]
        self.fixed = self._kept()
        self.is_fixed = {one.need: one for one in self.fixed}
        self.windows = self._windows()

    def fits(self, need: int, session: int, booth: int) -> bool:
        """Whether a need could lie there if nobody else did: equipment, doors open, dates, presence, length."""
        return self.has_all(need, booth) and self.open(session, booth) and self.may_come(need, session)

    def has_all(self, need: int, booth: int) -> bool:
        return self.needs[need].wants <= self.booths[booth].has

    def open(self, session: int, booth: int) -> bool:
        return self.sessions[session].id not in self.booths[booth].closed

    def in_dates(self, need: int, session: int) -> bool:
        one, day = self.needs[need], self.sessions[session].date
        return (one.not_before is None or day >= one.not_before) and (one.due is None or day <= one.due)

    def away(self, need: int, session: int) -> bool:
        return self.sessions[session].id in self.people[self.person[need]].away

    def long_enough(self, need: int, session: int) -> bool:
        return self.needs[need].minutes <= min(self.sessions[session].minutes, self.most[self.person[need]])

    def may_come(self, need: int, session: int) -> bool:
        return self.in_dates(need, session) and not self.away(need, session) and self.long_enough(need, session)

    def gap(self, one: int, other: int) -> int:
        """Minutes between two sittings at one booth."""
        return 0 if self.person[one] == self.person[other] else self.changeover

    def _kept(self) -> list[Fixed]:
        """What is promised, checked. Raises InvalidValues that name what contradicts."""
        sessions = {one.id: k for k, one in enumerate(self.sessions)}
        booths = {one.id: k for k, one in enumerate(self.booths)}
        needs = {one.id: k for k, one in enumerate(self.needs)}
        fixed: list[Fixed] = []
        problems: list[InvalidValue] = []
        for kept in self.asked.kept:
            k, session, booth = needs[kept.need], sessions[kept.session], booths[kept.booth]
            start = (minutes_of(kept.start) - minutes_of(self.sessions[session].start)) % DAY_MINUTES
            one = Fixed(k, session, booth, start, start + self.needs[k].minutes)
            at = f"kept {kept.need}"
            if any(other.need == k for other in fixed):
                problems.append(InvalidValue(at, kept.need, said("allowed-each-need-kept-once")))
                continue
            problems += [
                InvalidValue(at, f"{kept.session}, {kept.booth}, {kept.start}", why) for why in self._wrong(one)
            ]
            fixed.append(one)
        refuse_all(problems)
        refuse_all([*self._clashes(fixed), *self._too_much(fixed)])
        return fixed

    def _wrong(self, one: Fixed) -> Iterable[Said]:
        need, booth, session = self.needs[one.need], self.booths[one.booth], self.sessions[one.session]
        if not self.has_all(one.need, one.booth):
            yield _lacking(sorted(need.wants - booth.has))
        if not self.open(one.session, one.booth):
            yield said("allowed-session-with-booth")
        if self.away(one.need, one.session):
            yield said("allowed-session-with-person")
        if not self.in_dates(one.need, one.session):
            yield said("allowed-session-within", first=str(need.not_before or ""), last=str(need.due or ""))
        if one.end > session.minutes:
            yield said("allowed-minutes-within-session", minutes=need.minutes)

    def _clashes(self, fixed: list[Fixed]) -> Iterable[InvalidValue]:
        for one, other in combinations(sorted(fixed, key=lambda k: (k.session, k.start)), 2):
            names = f"{self.needs[one.need].id} and {self.needs[other.need].id}"
            if self._later(one, other):
                yield InvalidValue(
                    "kept", names, said("allowed-before", first=self.needs[other.need].id, then=self.needs[one.need].id)
                )
            if one.session != other.session:
                continue
            if one.booth == other.booth and other.start < one.end + self.gap(one.need, other.need):
                yield InvalidValue(
                    "kept",
                    names,
                    said("allowed-minutes-between-them-at-one-booth", minutes=self.gap(one.need, other.need)),
                )
            elif self.person[one.need] == self.person[other.need] and other.start < one.end:
                yield InvalidValue("kept", names, said("allowed-one-sitting-of-a-person-at"))

    def _later(self, first: Fixed, second: Fixed) -> bool:
        """Whether the one that comes first in time should come after the other."""
        at = self.after[first.need]
        while at is not None:
            if at == second.need:
                return True
            at = self.after[at]
        return False

    def _too_much(self, fixed: list[Fixed]) -> Iterable[InvalidValue]:
        minutes: dict[tuple[int, int], int] = defaultdict(int)
        for one in fixed:
            minutes[self.person[one.need], one.session] += one.end - one.start
        for (person, session), total in minutes.items():
            if total > self.most[person]:
                name = f"{self.people[person].id} in {self.sessions[session].id}"
                yield InvalidValue("kept", f"{name}: {total} minutes", said("allowed-at-most", most=self.most[person]))

    def _windows(self) -> list[Window]:
        """Every stretch that is free at an open booth, the kept sittings' changeovers still inside."""
        kept: dict[tuple[int, int], list[Fixed]] = defaultdict(list)
        for one in sorted(self.fixed, key=lambda k: k.start):
            kept[one.session, one.booth].append(one)
        windows = []
        for s, session in enumerate(self.sessions):
            for b in range(len(self.booths)):
                if not self.open(s, b):
                    continue
                start, left = 0, None
                for one in kept[s, b]:
                    windows.append(Window(s, b, start, one.start, left, one.need))
                    start, left = one.end, one.need
                windows.append(Window(s, b, start, session.minutes, left, None))
        return [window for window in windows if window.end > window.start]


def _lacking(features: list[str]) -> Said:
    """What a booth must have; amps by their figure."""
    amps = [float(one.removeprefix(OVER)) for one in features if one.startswith(OVER)]
    others = ", ".join(one for one in features if not one.startswith(OVER))
    return said("allowed-booth-over", amps=f"{max(amps):g}") if amps else said("allowed-booth-with", features=others)
