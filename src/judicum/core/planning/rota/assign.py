"""Which need goes into which free window: a mixed-integer program, solved by HiGHS (scipy) [src: huangfu-hall-2018].

A window is filled by the minutes of its sittings and a changeover between two people; the order within a session is found
afterwards (`order`), and what cannot be ordered is cut off here. Variables: x (need in window), y (person in window), and for
evenness the most and the least minutes of anybody.
"""

import time
from collections import defaultdict
from collections.abc import Iterable, Sequence

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.planning.rota.ground import Ground
from judicum.core.planning.rota.milp import Row, solve

MIN_S = 0.3
"""Seconds that a solve gets at least, however late it is."""


class Assignment:
    """The programme of one rota; `solve` fills it step by step, `cut` forbids what could not be ordered."""

    def __init__(self, ground: Ground) -> None:
        self.ground = ground
        self.options = [
            (need, w)
            for need in range(len(ground.needs))
            if need not in ground.is_fixed
            for w, window in enumerate(ground.windows)
            if ground.fits(need, window.session, window.booth) and self._room(need, w)
        ]
        self.pairs = sorted({(ground.person[need], w) for need, w in self.options})
        self._y = {pair: len(self.options) + k for k, pair in enumerate(self.pairs)}
        self._of_need: dict[int, list[int]] = defaultdict(list)
        for k, (need, _) in enumerate(self.options):
            self._of_need[need].append(k)
        self.size = len(self.options) + len(self.pairs) + 2
        self.rows: list[Row] = [*self._once(), *self._filled(), *self._joined(), *self._by_person(), *self._in_order()]

    @property
    def placeable(self) -> list[int]:
        """Needs that could lie somewhere."""
        return list(self._of_need)

    def cut(self, options: Iterable[int]) -> None:
        """Forbid these options together."""
        chosen = list(options)
        self.rows.append((dict.fromkeys(chosen, 1.0), len(chosen) - 1.0))

    def solve(self, until: float) -> list[int] | None:
        """The chosen options: as many of priority 1 as can be, then 2, then 3; then as even, then as early as can be.

        Args:
            until: moment (`time.monotonic`) at which the best so far is taken.

        Returns:
            None where no arrangement was found in time.
        """
        rows, best = list(self.rows), None
        left = [p for p in (1, 2, 3) if any(self.ground.needs[n].priority == p for n in self.placeable)]
        for k, priority in enumerate(left):
            mine = [n for n in self.placeable if self.ground.needs[n].priority == priority]
            cost = np.zeros(self.size)
            # What comes later counts a little: the next step begins with a good one.
            for weight, others in ((1.0, mine), *((0.001 / len(self.placeable), self._of(p)) for p in left[k + 1 :])):
                for need in others:
                    cost[self._of_need[need]] -= weight
            share = (until - time.monotonic()) * (0.5 if k == 0 else 0.4)
            found = self._run(cost, rows, share)
            if found is None:
                break
            best = found
            many = sum(1 for o in best if self.ground.needs[self.options[o][0]].priority == priority)
            rows.append(({o: -1.0 for need in mine for o in self._of_need[need]}, -float(many)))
        if best is None:
            return None
        even = self._run(self._late(), [*rows, *self._even()], until - time.monotonic())
        return best if even is None else even

    def _of(self, priority: int) -> list[int]:
        return [n for n in self.placeable if self.ground.needs[n].priority == priority]

    def _run(self, cost: Floats, rows: Sequence[Row], seconds: float) -> list[int] | None:
        if not self.options:
            return []
        whole, upper = np.ones(self.size), np.ones(self.size)
        whole[-2:], upper[-2:] = 0, np.inf
        found = solve(cost, rows, np.zeros(self.size), upper, whole, max(MIN_S, seconds))
        return None if found is None else [k for k in range(len(self.options)) if found[k] > 0.5]

    def _room(self, need: int, w: int) -> bool:
        """Whether the need alone has room in the window beside what is kept."""
        ground, window = self.ground, self.ground.windows[w]
        beside = sum(ground.gap(need, one) for one in (window.left, window.right) if one is not None)
        return ground.needs[need].minutes + beside <= window.end - window.start

    def _once(self) -> Iterable[Row]:
        for options in self._of_need.values():
            yield dict.fromkeys(options, 1.0), 1.0

    def _filled(self) -> Iterable[Row]:
        """Minutes and changeovers of a window; one who is kept beside it needs none on that side."""
        ground, c = self.ground, float(self.ground.changeover)
        inside: dict[int, dict[int, float]] = defaultdict(dict)
        for k, (need, w) in enumerate(self.options):
            inside[w][k] = float(ground.needs[need].minutes)
        for (person, w), y in self._y.items():
            window = ground.windows[w]
            beside = {ground.person[one] for one in (window.left, window.right) if one is not None}
            inside[w][y] = 0.0 if person in beside else c
        for w, coefficients in inside.items():
            window = ground.windows[w]
            sides = sum(one is not None for one in (window.left, window.right))
            yield coefficients, window.end - window.start + c - c * sides

    def _joined(self) -> Iterable[Row]:
        for k, (need, w) in enumerate(self.options):
            yield {k: 1.0, self._y[self.ground.person[need], w]: -1.0}, 0.0

    def _by_person(self) -> Iterable[Row]:
        """Nobody welds longer in a session than they may, or than it lasts."""
        ground = self.ground
        kept: dict[tuple[int, int], int] = defaultdict(int)
        for one in ground.fixed:
            kept[ground.person[one.need], one.session] += one.end - one.start
        minutes: dict[tuple[int, int], dict[int, float]] = defaultdict(dict)
        for k, (need, w) in enumerate(self.options):
            minutes[ground.person[need], ground.windows[w].session][k] = float(ground.needs[need].minutes)
        for (person, s), coefficients in minutes.items():
            yield coefficients, min(ground.most[person], ground.sessions[s].minutes) - kept[person, s]

    def _in_order(self) -> Iterable[Row]:
        """A need in session s only where the one before it lies in s or earlier."""
        ground = self.ground
        sessions = {window.session for window in ground.windows}
        for need in range(len(ground.needs)):
            before = ground.after[need]
            if before is None:
                continue
            held, late = ground.is_fixed.get(before), ground.is_fixed.get(need)
            if late is not None:
                if held is None:
                    # The need is promised: what comes before it has to be over by then.
                    yield self._up_to(before, late.session, -1.0), -1.0
                continue
            for s in sorted(sessions):
                here = {k: 1.0 for k in self._of_need[need] if ground.windows[self.options[k][1]].session <= s}
                if held is not None:
                    if s < held.session and here:
                        yield here, 0.0
                elif here:
                    yield {**here, **self._up_to(before, s, -1.0)}, 0.0

    def _up_to(self, need: int, session: int, value: float) -> dict[int, float]:
        return {k: value for k in self._of_need[need] if self.ground.windows[self.options[k][1]].session <= session}

    def _minutes_of(self) -> dict[int, tuple[dict[int, float], float]]:
        """Of everybody with a need: minutes by option, and what is kept."""
        ground = self.ground
        found: dict[int, tuple[dict[int, float], float]] = {person: ({}, 0.0) for person in set(ground.person)}
        for k, (need, _) in enumerate(self.options):
            found[ground.person[need]][0][k] = float(ground.needs[need].minutes)
        for one in ground.fixed:
            options, kept = found[ground.person[one.need]]
            found[ground.person[one.need]] = (options, kept + one.end - one.start)
        return found

    def _even(self) -> Iterable[Row]:
        most, least = self.size - 2, self.size - 1
        for options, kept in self._minutes_of().values():
            yield {**options, most: -1.0}, -kept
            yield {**{k: -v for k, v in options.items()}, least: 1.0}, kept

    def _late(self) -> Floats:
        """Cost of unevenness, then of lateness, then of somebody at two booths in one session."""
        cost = np.zeros(self.size)
        sessions = max(len(self.ground.sessions), 1)
        for k, (_, w) in enumerate(self.options):
            cost[k] = self.ground.windows[w].session
        for y in self._y.values():
            cost[y] = 0.01
        minute = float(sessions * len(self.ground.needs) + 1)
        cost[-2], cost[-1] = minute, -minute
        return cost
