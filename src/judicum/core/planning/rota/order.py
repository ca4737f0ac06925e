"""The order of the sittings within one session: a small mixed-integer program of start times, exact."""

from itertools import combinations

import numpy as np

from judicum.core.planning.rota.ground import Fixed, Ground, Window
from judicum.core.planning.rota.milp import Row, solve

SECONDS = 1.0


def in_order(
    ground: Ground, session: int, chosen: list[tuple[int, Window]], seconds: float = SECONDS
) -> list[Fixed] | None:
    """Start times of the needs chosen for a session, as early as can be.

    Two at one booth lie a changeover apart (none of the same person), two of one person do not overlap at any booth, what
    comes after another of the same person begins when that is over.

    Returns:
        None where they cannot lie there together (or no way was found in time).
    """
    if not chosen:
        return []
    simple = _one_after_another(ground, session, chosen)
    if simple is not None:
        return simple
    length = ground.sessions[session].minutes
    kept = [one for one in ground.fixed if one.session == session]
    low, high = np.zeros(len(chosen)), np.zeros(len(chosen))
    rows: list[Row] = []
    count = len(chosen)
    for k, (need, window) in enumerate(chosen):
        minutes = ground.needs[need].minutes
        low[k] = window.start + (0 if window.left is None else ground.gap(need, window.left))
        high[k] = window.end - minutes - (0 if window.right is None else ground.gap(need, window.right))
        for one in kept:
            # Of the same person at another booth: before it or after it.
            if ground.person[one.need] == ground.person[need] and one.booth != window.booth:
                before, count = count, count + 1
                rows.append(({k: 1.0, before: float(length)}, one.start - minutes + float(length)))
                rows.append(({k: -1.0, before: -float(length)}, -float(one.end)))
            if ground.after[need] == one.need:
                low[k] = max(low[k], one.end)
            if ground.after[one.need] == need:
                high[k] = min(high[k], one.start - minutes)
    for (i, (need, window)), (j, (other, beside)) in combinations(enumerate(chosen), 2):
        same = ground.person[need] == ground.person[other]
        if not same and window.booth != beside.booth:
            continue
        if not same and window is not beside and window != beside:
            continue
        gap, (mine, theirs) = ground.gap(need, other), (ground.needs[need].minutes, ground.needs[other].minutes)
        big = float(length + gap)
        if same and ground.after[other] == need:
            rows.append(({i: 1.0, j: -1.0}, -float(mine)))
        elif same and ground.after[need] == other:
            rows.append(({j: 1.0, i: -1.0}, -float(theirs)))
        else:
            first, count = count, count + 1
            rows.append(({i: 1.0, j: -1.0, first: big}, big - mine - gap))
            rows.append(({j: 1.0, i: -1.0, first: -big}, -float(theirs + gap)))
    if (high < low).any():
        return None
    orders = count - len(chosen)
    found = solve(
        np.concatenate([np.ones(len(chosen)), np.zeros(orders)]),
        rows,
        np.concatenate([low, np.zeros(orders)]),
        np.concatenate([high, np.ones(orders)]),
        np.ones(count),
        seconds,
    )
    if found is None:
        return None
    starts = [round(float(v)) for v in found[: len(chosen)]]
    return [
        Fixed(need, session, window.booth, start, start + ground.needs[need].minutes)
        for (need, window), start in zip(chosen, starts, strict=True)
    ]


def _one_after_another(ground: Ground, session: int, chosen: list[tuple[int, Window]]) -> list[Fixed] | None:
    """The plain case: nobody is at two booths, nothing is kept beside them: each booth's people one after another."""
    booths: dict[int, set[int]] = {}
    for need, window in chosen:
        booths.setdefault(ground.person[need], set()).add(window.booth)
        if window.left is not None or window.right is not None:
            return None
    kept = {ground.person[one.need] for one in ground.fixed if one.session == session}
    if any(len(places) > 1 for places in booths.values()) or kept & set(booths):
        return None
    found = []
    for booth in sorted({window.booth for _, window in chosen}):
        mine = [need for need, window in chosen if window.booth == booth]
        start, last = 0, None
        # The shortest person first: the sum of the starts is then the least.
        people = sorted({ground.person[n] for n in mine}, key=lambda p: sum(ground.needs[n].minutes for n in mine if ground.person[n] == p))  # fmt: skip
        for person in people:
            for need in _ladder(ground, [n for n in mine if ground.person[n] == person]):
                start += 0 if last is None else ground.gap(last, need)
                end = start + ground.needs[need].minutes
                found.append(Fixed(need, session, booth, start, end))
                start, last = end, need
    return found


def _ladder(ground: Ground, needs: list[int]) -> list[int]:
    """One person's needs, each after the one it waits for, else the shortest first."""
    left, found = sorted(needs, key=lambda n: ground.needs[n].minutes), []
    while left:
        free = next(n for n in left if ground.after[n] not in left)
        left.remove(free)
        found.append(free)
    return found
