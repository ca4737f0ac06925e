"""Why a need has no place."""

from judicum.core.planning.rota.ground import Ground


def why_not(ground: Ground, need: int, unplaced: set[int]) -> tuple[str, list[str] | str | None]:
    """The code of the first thing that stands in the way, and what it is about.

    `no_booth_has`, `too_long`, `before_due_full` (also where no session lies in its dates), `away`, `waits_for`, `full`.
    """
    one = ground.needs[need]
    everywhere = frozenset[str]().union(*(booth.has for booth in ground.booths))
    if missing := sorted(one.wants - everywhere):
        return "no_booth_has", missing
    if not any(ground.has_all(need, b) for b in range(len(ground.booths))):
        return "no_booth_has", sorted(one.wants)
    sessions = range(len(ground.sessions))
    if not any(ground.long_enough(need, s) for s in sessions):
        return "too_long", None
    dated = [s for s in sessions if ground.in_dates(need, s)]
    if not dated:
        return "before_due_full", None
    there = [s for s in dated if not ground.away(need, s)]
    if not there:
        return "away", None
    if not any(ground.long_enough(need, s) for s in there):
        return "too_long", None
    before = ground.after[need]
    if before is not None and before in unplaced:
        return "waits_for", ground.needs[before].id
    return ("before_due_full" if one.due is not None else "full"), None
