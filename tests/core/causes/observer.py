"""An observer that knows how `tests.core.causes.evening` draws its classes: what could be known of a cause at best.

It reads what is shown, logged, noticed and skipped with the chances by which they were drawn, and follows which two habits a person has
from attempt to attempt (a filter over pairs [src: rabiner-1989]). Near enough exact: where two symptoms hide one another it counts the
hidden one as not looked at. `python -m tests.core.causes.observer SEED…` prints what the engine reaches, and what it does.
"""

import math
import sys
from functools import cache
from itertools import combinations

import numpy as np

from judicum.core.arrays import Floats
from tests.core.causes.evening import (
    ENDS,
    HABITS,
    HEAD,
    HIDES,
    INVENTABLE,
    INVENTED,
    LEFT_OUT,
    LOG_OFF,
    MISSED,
    NAMED,
    READ_IN,
    SHOWN_AGAIN,
    SKIPS,
    SOUND,
    TOLD_ONLY_OFF,
    TWO,
    Evening,
    card_of,
    evenings,
    fits,
    judge,
    logged,
)

NAMES = list(HABITS)
OWN = list(combinations(range(len(NAMES)), 2))
SETS: list[tuple[int, ...]] = [(), *((k,) for k in range(len(NAMES))), *OWN]
PLACE = {one: k for k, one in enumerate(SETS)}
SYMPTOMS = sorted({code for habit in HABITS.values() for code in habit.shows} | set(INVENTABLE))
ALWAYS_THERE = ("electrode_after", "rod_end")
"""Looks that say something without a habit, too: left out they say nothing."""


@cache
def _shows() -> Floats:
    """(sets, symptoms): chance that a symptom is seen."""
    quiet = np.array(
        [[(1 - habit.shows.get(code, 0.0)) ** SHOWN_AGAIN for code in SYMPTOMS] for habit in HABITS.values()]
    )
    shown = np.array([1 - np.prod(quiet[list(one)], axis=0) for one in SETS]) * (1 - MISSED)
    invented = np.array([INVENTED if code in INVENTABLE else 0.0 for code in SYMPTOMS])
    return np.clip(1 - (1 - shown) * (1 - invented), 1e-9, 1 - 1e-9)


def _normal(value: float, mean: float, spread: float) -> float:
    return math.exp(-0.5 * ((value - mean) / spread) ** 2) / spread


def _log_speaks(one: Evening, name: str | None) -> dict[str, float]:
    """How well each logged figure that a habit moves fits it (or fits the card, without one)."""
    card, run = card_of(one.given["coupon"]), one.given["runs"][0]
    moved = HABITS[name].log if name else {}
    out = {}
    for key in {key for habit in HABITS.values() for key in habit.log}:
        if key not in run:
            out[key] = LEFT_OUT
        elif key in moved:
            mean, spread = logged(key, moved[key], card)
            out[key] = (1 - LEFT_OUT) * (_normal(run[key], mean, spread) if spread else float(run[key] == mean))
        elif card.get(key) is None:
            out[key] = 1e-9
        else:
            out[key] = (1 - LEFT_OUT) * _normal(run[key], card[key], LOG_OFF * card[key])
    for key in TOLD_ONLY_OFF:
        if key not in run:
            out[key] = LEFT_OUT if key in moved else 1.0
    return out


def _looks(one: Evening, name: str) -> float:
    """Of one habit against its absence: what was noticed and skipped."""
    odds = 1.0
    for key, (value, chance) in HABITS[name].looks.items():
        noted = one.given["looks"].get(key)
        if noted == value:
            odds *= 1e9 * chance
        elif noted is not None:
            odds *= 1 - chance
        elif key not in ALWAYS_THERE:
            odds *= 1 - (1 - LEFT_OUT) * chance
    return odds


@cache
def likelihood(one: Evening) -> Floats:
    """(sets,): how well each set of habits fits an attempt by itself, up to a factor."""
    noted = {key for part in ("runs", "looks", "by_hand") for key in _keys(one.given[part])}
    hidden = {lost for code, others in HIDES.items() if code in one.seen for lost in others}
    shown = _shows()
    out = np.ones(len(SETS))
    for column, code in zip(shown.T, SYMPTOMS, strict=True):
        field = READ_IN.get(code)
        if code not in hidden and (field is None or field in noted):
            out *= column if code in one.seen else 1 - column
    if not one.copied:
        base = _log_speaks(one, None)
        each = [_log_speaks(one, name) for name in NAMES]
        for place, members in enumerate(SETS):
            for key, quiet in base.items():
                moved = [each[k][key] for k in members if key in HABITS[NAMES[k]].log]
                out[place] *= sum(moved) / len(moved) if moved else quiet
    looks = [_looks(one, name) for name in NAMES]
    skipped = one.given.get("skipped")
    for place, members in enumerate(SETS):
        out[place] *= math.prod(looks[k] for k in members)
        if skipped is not None:
            mine = {HABITS[NAMES[k]].skip for k in members} - {None}
            if set(skipped) - mine:
                out[place] = 0.0
            else:
                out[place] *= math.prod(SKIPS if item in skipped else 1 - SKIPS for item in mine)
    return out / out.max()


def _keys(part: object) -> set[str]:
    return set(part[0]) if isinstance(part, list) else set(part) if isinstance(part, dict) else set()


def _chance_of(own: tuple[int, int], coupon: dict[str, object]) -> list[tuple[tuple[int, ...], float]]:
    """Sets that a person with these two habits shows on a coupon."""
    able = tuple(k for k in own if fits(NAMES[k], coupon))
    if not able:
        return [((), 1.0)]
    alone = [((k,), (1 - SOUND) * ((1 - TWO) if len(able) == 2 else 1.0) / len(able)) for k in able]
    return [((), SOUND), *alone, *([(able, (1 - SOUND) * TWO)] if len(able) == 2 else [])]


def _confirmed(members: tuple[int, ...], named: str | None) -> float:
    if named is None:
        return 1 - NAMED if members else 1.0
    return NAMED / len(members) if NAMES.index(named) in members else 0.0


def _own_after(one: Evening, belief: Floats) -> Floats:
    """Which two habits a person has, once an attempt and what was confirmed of it are known; and what may have ended since."""
    fit = likelihood(one)
    now = np.array(
        [
            weight * sum(p * fit[PLACE[m]] * _confirmed(m, one.named) for m, p in _chance_of(own, one.given["coupon"]))
            for own, weight in zip(OWN, belief, strict=True)
        ]
    )
    now /= now.sum()
    if one.named is None:
        return now
    gone, after = NAMES.index(one.named), now * 1.0
    for k, own in enumerate(OWN):
        if gone in own and now[k]:
            kept = own[0] if own[1] == gone else own[1]
            after[k] -= ENDS * now[k]
            fresh = [n for n in range(len(NAMES)) if n not in own]
            for n in fresh:
                after[OWN_AT[tuple(sorted((kept, n)))]] += ENDS * now[k] / len(fresh)
    return after


OWN_AT = {own: k for k, own in enumerate(OWN)}


def observe(one: Evening, alone: bool) -> dict[str, float]:
    """Shares of causes, likeliest first; of a pair each counts as a half. Without earlier attempts if `alone`."""
    if not one.seen:
        return {}
    belief = np.full(len(OWN), 1 / len(OWN))
    for before in () if alone else one.before:
        belief = _own_after(before, belief)
    fit, sets = likelihood(one), np.zeros(len(SETS))
    for own, weight in zip(OWN, belief, strict=True):
        for members, chance in _chance_of(own, one.given["coupon"]):
            sets[PLACE[members]] += weight * chance * fit[PLACE[members]]
    sets /= sets.sum()
    shares = dict.fromkeys(NAMES, 0.0)
    for members, share in zip(SETS, sets, strict=True):
        for k in members:
            shares[NAMES[k]] += float(share) / len(members)
    return {name: share for name, share in sorted(shares.items(), key=lambda item: -item[1]) if share > 0.005}


if __name__ == "__main__":
    sys.stdout.write(HEAD + "\n")
    for seed in map(int, sys.argv[1:]):
        found = list(evenings(seed))
        sys.stdout.write(f"| {seed} | {judge(found).row()} |\n| {seed}, observer | {judge(found, observe).row()} |\n")
