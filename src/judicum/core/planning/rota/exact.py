"""The best rota of a small question, proven: assign, put in order, cut off what cannot be ordered, again."""

import time
from collections import defaultdict

from judicum.core.planning.rota.assign import Assignment
from judicum.core.planning.rota.ground import Fixed, Ground
from judicum.core.planning.rota.order import in_order

SMALL = 400
"""Needs times windows up to which the solver adds something to the search; a class of 24 has fifty times as many."""


def is_small(ground: Ground) -> bool:
    """Whether a question is small enough for the solver."""
    return len(ground.needs) * len(ground.windows) <= SMALL


def proven(ground: Ground, until: float) -> list[Fixed] | None:
    """All that is placed beside what is kept, the best there is or the best the solver had; None where it had none in time."""
    assignment = Assignment(ground)
    while time.monotonic() < until:
        chosen = assignment.solve(until)
        if chosen is None:
            return None
        found, stuck = _ordered(ground, assignment, chosen)
        if not stuck:
            return found
        for options in stuck:
            assignment.cut(options)
    return None


def _ordered(ground: Ground, assignment: Assignment, chosen: list[int]) -> tuple[list[Fixed], list[list[int]]]:
    """Start times of every session that has an order, and the options of those that have none."""
    sessions: dict[int, list[int]] = defaultdict(list)
    for option in chosen:
        sessions[ground.windows[assignment.options[option][1]].session].append(option)
    found: list[Fixed] = []
    stuck = []
    for session, options in sorted(sessions.items()):
        order = _order_of(ground, assignment, session, options)
        if order is None:
            stuck.append(_least_stuck(ground, assignment, session, options))
        else:
            found += order
    return found, stuck


def _order_of(ground: Ground, assignment: Assignment, session: int, options: list[int]) -> list[Fixed] | None:
    return in_order(
        ground, session, [(assignment.options[k][0], ground.windows[assignment.options[k][1]]) for k in options]
    )


def _least_stuck(ground: Ground, assignment: Assignment, session: int, options: list[int]) -> list[int]:
    """Options of a session that cannot be ordered together, as few as leaving out one at a time finds: the strongest cut."""
    left = list(options)
    for option in options:
        fewer = [k for k in left if k != option]
        if _order_of(ground, assignment, session, fewer) is None:
            left = fewer
    return left
