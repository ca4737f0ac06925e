"""One question in, what would come of it out, each figure with how sure it is (docs/foretell.md)."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from scipy.special import ndtr

from judicum.core.arrays import Floats
from judicum.core.foretell import laws
from judicum.core.foretell.learn import Belief, believe
from judicum.core.foretell.welds import HAZARDS, Question, Record, Weld, read_question

MIN_RECORDS = 8
"""Measured widths under which nothing is learnt: two people's habits would pass for the class's."""
NINETY = 1.645
"""Standard deviations that hold 90 % of a normal distribution to both sides."""
LEVELS = np.arange(8)
GREY_LEVEL = 7
GREY_END_MM = 3.0
BESIDE_SD = 1.3
"""Levels: how far a zone lies from one level over its bead."""
NEED_GRID = np.linspace(-0.9, 0.9, 37)
"""Logarithms of how much more or less post-flow this course needs than is believed at first."""
SHIFT_GRID = np.linspace(-4.0, 4.0, 33)
SHIFT_SD = 1.0
"""Logits: how far a course's hazards lie from those believed at first."""
END_QUANTILES = np.array([-1.645, -1.2, -0.8, -0.5, -0.2, 0.0, 0.2, 0.5, 0.8, 1.2, 1.645])


@dataclass(frozen=True)
class Learned:
    """What a course's attempts say of each outcome; `used` of them had a measured width."""

    used: int
    width: Belief
    end: Belief
    tint_bead: Belief
    tint_zone: Belief
    zone: Belief
    need: Floats
    """Share of belief at each of NEED_GRID."""
    shifts: dict[str, Floats]
    """The same at each of SHIFT_GRID, by hazard."""


def foretell(given: object) -> dict[str, Any]:
    """What would come of settings: the contract's JSON values. Raises InvalidValues: names the field."""
    asked = read_question(given)
    return answer(asked, learn(asked))


def learn(asked: Question) -> Learned:
    """What the attempts of a course, and the one compared with, say; of too few nothing."""
    records = list(asked.records)
    used = [one for one in records if one.measured["width_mm"] is not None]
    if len(used) < MIN_RECORDS:
        records, used = [], []
    elif asked.compare is not None:
        records.append(asked.compare)
    return Learned(
        len(used),
        _of(laws.WIDTH, records, "width_mm", math.log, _width_noise),
        _ends(records),
        _of(laws.TINT_BEAD, records, "tint_bead", float, lambda _: laws.LEVEL_SD),
        _of(
            laws.TINT_ZONE,
            [_with_zone(one) for one in records],
            "tint_zone",
            float,
            lambda level: laws.LEVEL_SD if level == int(level) else BESIDE_SD,
        ),
        _of(laws.ZONE, records, "zone_mm", lambda mm: math.log(max(mm, 0.2)), _zone_noise),
        _need(records),
        {code: _shift(code, records) for code in laws.HAZARD_LOGITS},
    )


def _with_zone(one: Record) -> Record:
    """A record whose zone nobody read takes it from the bead: about a level darker, a fraction of a level marks it as guessed."""
    bead, zone = one.measured["tint_bead"], one.measured["tint_zone"]
    if zone is not None or bead is None:
        return one
    return replace(one, measured={**one.measured, "tint_zone": min(bead + 1, GREY_LEVEL) - 0.1})


def _width_noise(mm: float) -> float:
    return math.hypot(laws.SAME_AGAIN, laws.READ_WIDTH_MM / mm, laws.LAW_SD)


def _zone_noise(mm: float) -> float:
    return math.hypot(laws.ZONE_AGAIN, laws.READ_ZONE_MM / max(mm, 0.5))


def _of(
    terms: tuple[laws.Term, ...],
    records: Sequence[Record],
    key: str,
    to: Callable[[float], float],
    noise: Callable[[float], float],
) -> Belief:
    """Belief in an outcome after the records that have it; `to` makes its figure of what was measured, `noise` how unsure that is."""
    mine = [one for one in records if one.measured[key] is not None]
    powers = {term.name: term.mean for term in terms}
    return believe(
        terms,
        [one.weld for one in mine],
        [to(one.measured[key]) for one in mine],
        [math.hypot(noise(one.measured[key]), *_left_open(one.weld, powers)) for one in mine],
    )


def _left_open(weld: Weld, powers: dict[str, float], how_they_type: bool = True) -> tuple[float, float]:
    """How uncertain an outcome is because current or speed were not told: standard deviations. `how_they_type`: whether the person's
    way of typing a speed is a term of its own."""
    current = 0.0 if weld.known_current else powers["current"] * laws.CURRENT_GUESS_SD
    # A typed speed of somebody without a name is off like anybody's.
    unknown = {
        "real": 0.0,
        "typed": 0.0 if weld.student and how_they_type else laws.TYPED_SD,
        "unknown": laws.TRAVEL_GUESS_SD,
    }
    return current, powers["slow"] * unknown[weld.travel]


def _ends(records: Sequence[Record]) -> Belief:
    mine = [one for one in records if one.measured["width_mm"] and one.measured["width_end_mm"]]
    ratios = [math.log(one.measured["width_end_mm"] / one.measured["width_mm"]) for one in mine]
    noise = [math.hypot(laws.END_AGAIN, math.sqrt(2) * laws.READ_WIDTH_MM / one.measured["width_mm"]) for one in mine]
    return believe(laws.END, [replace(one.weld, student=None, machine=None) for one in mine], ratios, noise)


def _need_s(weld: Weld) -> float:
    """Post-flow that keeps the end bright, s, as believed at first."""
    return float(laws.NEED_S * math.exp(laws.NEED_POWER * laws.current(weld) + 0.1 * laws.hot(weld)))


def _grey_mm(weld: Weld, need: Floats) -> Floats:
    """Grey end, mm, at a post-flow that is needed, s."""
    rate = laws.GREY_MM_S * math.sqrt(max(weld.travel_mm_s, 0.3) / laws.AT_MM_S)
    return np.asarray(rate * np.maximum(0.0, need - weld.postflow_s))


def _need(records: Sequence[Record]) -> Floats:
    log = -0.5 * (NEED_GRID / laws.NEED_SD) ** 2
    for one in records:
        seen = one.measured["grey_end_mm"]
        if seen is None:
            continue
        there = _grey_mm(one.weld, _need_s(one.weld) * np.exp(NEED_GRID))
        off = (seen - there) / np.hypot(laws.END_READ_MM, 0.3 * np.maximum(there, seen))
        log = log - np.minimum(0.5 * off**2, 6.0)  # somebody who pulled the torch away says nothing of the gas
    return _shares(log)


def _shift(code: str, records: Sequence[Record]) -> Floats:
    log = -0.5 * (SHIFT_GRID / SHIFT_SD) ** 2
    for one in records:
        if one.hazards is None:
            continue
        chance = 1 / (1 + np.exp(-(laws.HAZARD_LOGITS[code](one.weld) + SHIFT_GRID)))
        log = log + np.log(np.clip(chance if code in one.hazards else 1 - chance, 1e-9, 1))
    return _shares(log)


def _shares(log: Floats) -> Floats:
    """Weights that sum to 1, of their logarithms."""
    weight = np.exp(log - log.max())
    return np.asarray(weight / weight.sum())


def answer(asked: Question, learned: Learned) -> dict[str, Any]:
    """The contract's JSON values."""
    weld = asked.weld
    width, end = _width(weld, learned), _end(weld, learned)
    tints = weld.metal.tints
    bead, zone = (_levels(weld, belief) for belief in (learned.tint_bead, learned.tint_zone))
    return {
        "width_mm": width,
        "width_end_mm": end,
        "tint_bead": _tint(bead) if tints else None,
        "tint_zone": _tint(zone) if tints else None,
        "zone_mm": _zone(weld, learned) if tints else None,
        "grey_end_mm": _grey_end(weld, learned) if tints else None,
        "hazards": _hazards(weld, learned, float(bead[GREY_LEVEL]), float(zone[GREY_LEVEL]), tints),
        "difference": _difference(asked, learned),
        "inverse": _inverse(asked, learned),
        "learned": {
            "attempts": learned.used,
            "machine_factor": _factor(learned, "machine", weld.machine),
            "student_factor": _factor(learned, "student", weld.student),
        },
        "basis": "class" if learned.used else "physics",
    }


def _spread(weld: Weld, belief: Belief) -> float:
    """Standard deviation of an outcome on average: of the powers, of who and what is not known, of what was not told.

    Told settings are never less sure than settings left out, however far from the class's they lie.
    """
    known, guessed = belief.at(weld)[1], belief.at(replace(weld, known_current=False, travel="unknown"))[1]
    powers = {term.name: term.mean for term in belief.terms}
    strangers = 0.0
    for kind, name, sd in (("machine", weld.machine, laws.MACHINE_SD), ("student", weld.student, laws.PERSON_SD)):
        if belief.of(kind, name) is None:
            strangers += (powers["current"] * sd) ** 2
    return math.sqrt(min(known, guessed) + strangers + sum(sd**2 for sd in _left_open(weld, powers)))


def _width(weld: Weld, learned: Learned) -> dict[str, float]:
    mean, sd = learned.width.at(weld)[0], _spread(weld, learned.width)
    wide = math.exp(mean)
    return _interval(wide, mean, math.hypot(sd, laws.SAME_AGAIN, laws.READ_WIDTH_MM / wide, laws.LAW_SD))


def _end(weld: Weld, learned: Learned) -> dict[str, float]:
    plain = replace(weld, student=None, machine=None)
    grown, variance = learned.end.at(plain)
    mean = learned.width.at(weld)[0] + grown
    wide = math.exp(mean)
    parts = (
        _spread(weld, learned.width),
        laws.SAME_AGAIN,
        laws.READ_WIDTH_MM / wide,
        laws.LAW_SD,
        math.sqrt(variance),
        laws.END_AGAIN,
    )
    return _interval(wide, mean, math.hypot(*parts))


def _zone(weld: Weld, learned: Learned) -> dict[str, float]:
    mean, sd = learned.zone.at(weld)[0], _spread(weld, learned.zone)
    wide = math.exp(mean)
    return _interval(wide, mean, math.hypot(sd, laws.ZONE_AGAIN, laws.READ_ZONE_MM / wide))


def _interval(value: float, mean: float, sd: float) -> dict[str, float]:
    low, high = (math.exp(mean + sign * NINETY * sd) for sign in (-1, 1))
    return {"value": round(value, 3), "low": round(low, 3), "high": round(high, 3)}


def _levels(weld: Weld, belief: Belief) -> Floats:
    """Chance of each level as it is read."""
    mean, sd = belief.at(weld)[0], math.hypot(_spread_levels(weld, belief), laws.LEVEL_SD)
    below = ndtr((np.array(LEVELS[:-1]) + 0.5 - mean) / sd)
    return np.asarray(np.diff(np.concatenate([[0.0], below, [1.0]])))


def _spread_levels(weld: Weld, belief: Belief) -> float:
    """As `_spread`; alike for all settings, so that more heat is never told lighter only because it is less sure."""
    usual = replace(weld, current_a=laws.AT_A, travel_mm_s=laws.AT_MM_S, part_c=25.0, stickout_mm=8.0, draught=False, gas_part="gas_lens", thickness_mm=laws.AT_MM)  # fmt: skip
    return _spread(usual, belief)


def _tint(chances: Floats) -> dict[str, Any]:
    shares = [round(float(one), 4) for one in chances]
    return {"level": int(np.argmax(chances)), "probability": shares}


def _grey_end(weld: Weld, learned: Learned) -> dict[str, float]:
    there = _grey_mm(weld, _need_s(weld) * np.exp(NEED_GRID))
    noise = np.hypot(laws.END_READ_MM * (there > 0), 0.25 * there)
    samples = np.maximum(0.0, there[:, None] + noise[:, None] * END_QUANTILES[None, :]).ravel()
    weights = np.repeat(learned.need, len(END_QUANTILES))
    order = np.argsort(samples)
    share = np.cumsum(weights[order]) / weights.sum()
    low, middle, high = (
        float(samples[order][min(np.searchsorted(share, q), len(samples) - 1)]) for q in (0.05, 0.5, 0.95)
    )
    return {"value": round(middle, 2), "low": round(low, 2), "high": round(high, 2)}


def _long_grey_end(weld: Weld, learned: Learned) -> float:
    """Chance of a grey end over GREY_END_MM."""
    there = _grey_mm(weld, _need_s(weld) * np.exp(NEED_GRID))
    over = ndtr((there - GREY_END_MM) / max(laws.END_READ_MM, 0.25 * GREY_END_MM))
    return float(over @ learned.need)


def _hazards(weld: Weld, learned: Learned, bead: float, zone: float, tints: bool) -> list[dict[str, Any]]:
    found = {}
    for code, logit in laws.HAZARD_LOGITS.items():
        found[code] = float((1 / (1 + np.exp(-(logit(weld) + SHIFT_GRID)))) @ learned.shifts[code])
    if tints:
        start = 1 / (1 + math.exp(-laws.grey_start(weld)))
        found["grey"] = 1 - (1 - max(bead, zone)) * (1 - _long_grey_end(weld, learned)) * (1 - start)
    ranked = sorted((code for code in HAZARDS if code in found), key=lambda code: -found[code])
    return [{"code": code, "probability": round(found[code], 4)} for code in ranked]


def _difference(asked: Question, learned: Learned) -> dict[str, Any] | None:
    """What the change from the compared attempt does to the width on average."""
    if asked.compare is None:
        return None
    belief, now, then = learned.width, asked.weld, asked.compare.weld
    change = belief.row(now) - belief.row(then)
    powers = {term.name: term.mean for term in belief.terms}
    loose = math.hypot(*_left_open(then, powers, ("typed", then.student) in belief.extra))
    mean = belief.at(then)[0]
    seen = asked.compare.measured["width_mm"]
    off = 0.0
    if seen is not None and (loose or not learned.used):
        # What was measured of that one bead says more of it than settings that nobody told.
        read, sd = _width_noise(seen), _spread(then, belief)
        off = (math.log(seen) - mean) * sd**2 / (sd**2 + read**2)
        loose = math.sqrt(loose**2 * read**2 / (loose**2 + read**2)) if loose else 0.0
    # Of what was not told of the attempt before, nothing is carried over to these settings.
    here = off if loose else 0.0
    before = math.exp(mean + off)
    log = float(change @ belief.mean) - here
    sd = math.sqrt(
        max(float(change @ belief.covariance @ change), 0.0) + loose**2 + sum(x**2 for x in _left_open(now, powers))
    )
    value = before * (math.exp(log) - 1)
    room = NINETY * math.hypot(before * math.exp(log) * sd, 0.1 * value)
    return {"width_mm": {"value": round(value, 3), "low": round(value - room, 3), "high": round(value + room, 3)}}


def _inverse(asked: Question, learned: Learned) -> dict[str, Any] | None:
    """For each current and speed of the map the chance that beads are on average as wanted."""
    if asked.inverse is None:
        return None
    rows = []
    for amps in asked.inverse.current_a:
        cells = [
            replace(asked.weld, current_a=amps, known_current=True, pulsed=False, travel_mm_s=speed, travel="real")
            for speed in asked.inverse.travel_mm_s
        ]
        rows.append([round(_as_wanted(cell, asked, learned), 4) for cell in cells])
    return {"probability": rows}


def _as_wanted(weld: Weld, asked: Question, learned: Learned) -> float:
    wanted = asked.inverse
    assert wanted is not None
    mean, sd = learned.width.at(weld)[0], _spread(weld, learned.width)
    width = float(ndtr((math.log(wanted.high_mm) - mean) / sd) - ndtr((math.log(wanted.low_mm) - mean) / sd))
    if not weld.metal.tints:
        return width
    level, spread = learned.tint_bead.at(weld)[0], _spread(weld, learned.tint_bead)
    zone, spread_zone = learned.tint_zone.at(weld)[0], _spread(weld, learned.tint_zone)
    clean = float(ndtr((wanted.level + 0.5 - level) / spread))
    return width * clean * min(1.0, float(ndtr((GREY_LEVEL - 0.5 - zone) / spread_zone)) / max(clean, 1e-9))


def _factor(learned: Learned, kind: str, name: str | None) -> dict[str, float] | None:
    """What a machine or person gives over the mean of the course's, as a factor of the current."""
    found = learned.width.of(kind, name) if learned.used else None
    if found is None:
        return None
    power = learned.width.power("current")
    mean, sd = found[0] / power, math.sqrt(max(found[1], 0.0)) / power
    return {
        key: round(math.exp(mean + sign * NINETY * sd), 4) for key, sign in (("value", 0), ("low", -1), ("high", 1))
    }
