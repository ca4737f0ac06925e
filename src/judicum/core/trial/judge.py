"""What the beads of a trial say: each one in words, the figure's course between them, and the best setting with its uncertainty.

Between the beads width and tint are straight lines over the figure (of the logarithm where steps are ratios), with a bend
where there are enough beads for one; the scatter of single beads is what they show beside the line and never less than
practised hands have. Nothing is told beyond the first and the last bead.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtr

from judicum.core.acceptance import BANDS
from judicum.core.arrays import Floats
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.trial.vary import LOG, Varied

GREY = 7
"""The tint level that is always a reject."""
SAME_AGAIN = 0.05
"""Of the width: by how much the same settings differ from bead to bead."""
LEVEL_SD = 0.6
"""Levels. A tint of the same settings read again: one off about once in seven."""
BEND_FROM = 5
"""Beads. Three figures of a bent line need more than four points, or the bend is the scatter's."""
STEPS = 61
"""Figures between first and last bead at which the chance is reckoned: finer than any dial."""
HALF_BELIEF = 0.25
"""Beads. What is believed before any is seen about a fault at a setting: that it is rare."""
GOOD_SHARE = 0.5
"""Of the best chance: down to here a setting is called good, and this is the range that is told."""
MIN_CHANCE = 0.3
"""Under this no setting of the trial is worth taking."""
APART = 0.2
"""Chances of two settings that differ by less cannot be told apart by one bead each."""
AFTER_BRIGHT_S = 2.0
"""s on top of the post-flow at which the end stayed bright."""
AS_WANTED = "as_wanted"
"""What a bead shows that is as wanted."""
MARRING = tuple(kind for kind, one in FAULT_KINDS.items() if one.cost >= 1.5)
"""Faults for which a setting is left."""


@dataclass(frozen=True)
class BeadSeen:
    """What was measured of one bead: mm, coefficients of variation, levels of the tint scale; None where it could not be had."""

    number: int
    value: float | str
    width_mm: float
    width_u_mm: float
    width_cv: float
    tint_bead: int | None = None
    tint_zone: int | None = None
    zone_mm: float | None = None
    pitch_cv: float | None = None
    faults: tuple[str, ...] = ()


@dataclass(frozen=True)
class Wanted:
    """The bead that is wanted: its width, mm, and the darkest tint that its finish takes."""

    low_mm: float
    high_mm: float
    level: int


@dataclass(frozen=True)
class JudgedBead:
    """A bead with what it shows: `seen` is one code, `chance` how likely another of this setting is as wanted."""

    bead: BeadSeen
    seen: str
    chance: float


@dataclass(frozen=True)
class Judged:
    """What a trial says.

    `best` is the setting to take, None where none is worth it; `low` to `high` is where it may lie. `why` is a code: `between`
    (it lies inside what was tried), `at_low`, `at_high` (it may lie beyond), `none_low`, `none_high` (nothing fits; go on
    downwards, upwards), `none`, `alike` (not to be told apart), `better` (one of two or of several that are no scale).
    `curve` holds figure, width (mm), its half range (mm), level and chance.
    """

    beads: tuple[JudgedBead, ...]
    best: float | str | None
    low: float | None
    high: float | None
    why: str
    curve: tuple[tuple[float, float, float, float | None, float], ...] = ()


def judge(varied: Varied, beads: Sequence[BeadSeen], wanted: Wanted) -> Judged | None:
    """Judge the measured beads of a trial, in any order; None of fewer than two."""
    if len(beads) < 2:
        return None
    ordered = sorted(beads, key=lambda one: one.number)
    if varied.codes or len({one.value for one in ordered}) == 2:
        return _apart(ordered, wanted)
    return _along(varied, ordered, wanted)


def _apart(beads: Sequence[BeadSeen], wanted: Wanted) -> Judged:
    """Settings that are no scale, or only two of one: each by itself, the better one only where chance would not make it so."""
    chances = [_alone(bead, wanted) for bead in beads]
    judged = tuple(JudgedBead(bead, _seen(bead, wanted), chance) for bead, chance in zip(beads, chances, strict=True))
    first, second = sorted(range(len(beads)), key=lambda k: -chances[k])[:2]
    if chances[first] < MIN_CHANCE:
        return Judged(judged, None, None, None, "none")
    if chances[first] - chances[second] < APART:
        return Judged(judged, None, None, None, "alike")
    return Judged(judged, beads[first].value, None, None, "better")


def _alone(bead: BeadSeen, wanted: Wanted) -> float:
    """The chance that another bead of this setting is as wanted, from this one alone."""
    sd = math.hypot(bead.width_u_mm, SAME_AGAIN * bead.width_mm, SAME_AGAIN * bead.width_mm)
    width = float(ndtr((wanted.high_mm - bead.width_mm) / sd) - ndtr((wanted.low_mm - bead.width_mm) / sd))
    tint = (
        1.0
        if bead.tint_bead is None
        else float(ndtr((wanted.level + 0.5 - bead.tint_bead) / (LEVEL_SD * math.sqrt(2))))
    )
    marred = (_marred(bead) + HALF_BELIEF / 2) / (1 + HALF_BELIEF)
    return width * tint * (1 - marred)


def _along(varied: Varied, beads: Sequence[BeadSeen], wanted: Wanted) -> Judged:
    values = np.array([float(bead.value) for bead in beads])
    place = np.log(values) if varied.scale == LOG else values
    middle, half = (place.max() + place.min()) / 2, (place.max() - place.min()) / 2
    u = (place - middle) / half
    grid = np.linspace(-1, 1, STEPS)
    widths = np.array([bead.width_mm for bead in beads])
    read = np.array([math.hypot(bead.width_u_mm / bead.width_mm, SAME_AGAIN) for bead in beads])
    at = np.concatenate([grid, u])
    width_log, width_sd = _line(u, np.log(widths), read, at)
    chance = ndtr((np.log(wanted.high_mm) - width_log) / width_sd) - ndtr(
        (np.log(wanted.low_mm) - width_log) / width_sd
    )
    levels: Floats | None = None
    tinted = [k for k, bead in enumerate(beads) if bead.tint_bead is not None]
    if len(tinted) >= 2:
        read_levels = np.array([float(beads[k].tint_bead or 0) for k in tinted])
        levels, level_sd = _line(u[tinted], read_levels, np.full(len(tinted), LEVEL_SD), at)
        chance = chance * ndtr((wanted.level + 0.5 - levels) / level_sd)
    marred = np.array([float(_marred(bead)) for bead in beads])
    gap = 2 / (len(beads) - 1)
    near = np.exp(-0.5 * ((at[:, None] - u[None, :]) / (gap / 2)) ** 2)
    chance = chance * (1 - (near @ marred) / (near.sum(1) + HALF_BELIEF))
    figures = middle + half * grid
    figures = np.exp(figures) if varied.scale == LOG else figures
    curve = tuple(
        (
            float(figure),
            float(np.exp(width_log[k])),
            float(np.exp(width_log[k]) * 1.645 * width_sd[k]),
            None if levels is None else float(np.clip(levels[k], 0, GREY)),
            float(chance[k]),
        )
        for k, figure in enumerate(figures)
    )
    judged = tuple(JudgedBead(bead, _seen(bead, wanted), float(chance[STEPS + k])) for k, bead in enumerate(beads))
    return _best(varied, judged, figures, chance[:STEPS], curve, np.exp(width_log[:STEPS]), wanted)


def _best(
    varied: Varied,
    judged: tuple[JudgedBead, ...],
    figures: Floats,
    chance: Floats,
    curve: tuple[tuple[float, float, float, float | None, float], ...],
    widths: Floats,
    wanted: Wanted,
) -> Judged:
    """The setting to take from the chances along the figure."""
    top = int(chance.argmax())
    if chance[top] < MIN_CHANCE:
        too_wide = widths.min() > wanted.high_mm
        too_narrow = widths.max() < wanted.low_mm
        why = "none"
        if varied.heat and (too_wide or too_narrow):
            why = "none_low" if too_wide == (varied.heat > 0) else "none_high"
        return Judged(judged, None, None, None, why, curve)
    good = chance >= GOOD_SHARE * chance[top]
    first = top - int(np.argmin(np.append(good[: top + 1][::-1], False))) + 1
    last = top + int(np.argmin(np.append(good[top:], False))) - 1
    if varied.key == "postflow_s":
        # Less gas is wasted: what counts is where the end begins to stay bright.
        best = float(figures[first]) + AFTER_BRIGHT_S
        return Judged(judged, round(best, 1), float(figures[first]), float(figures[last]), "between", curve)
    weights = chance[first : last + 1] ** 2
    best = float((figures[first : last + 1] * weights).sum() / weights.sum())
    # Where the chance still grows towards an end, the best may lie beyond it.
    why = "at_low" if top == 0 else "at_high" if top == len(chance) - 1 else "between"
    return Judged(judged, _rounded(best, varied), float(figures[first]), float(figures[last]), why, curve)


def _rounded(value: float, varied: Varied) -> float:
    assert varied.quantity is not None
    step = varied.quantity.step
    while step > value / 10:
        step /= 10
    return round(round(value / step) * step, 6)


def _line(u: Floats, y: Floats, sd: Floats, at: Floats) -> tuple[Floats, Floats]:
    """A line, bent where there are points enough, through points with their scatter: its values at `at` and the spread of single
    beads there.

    Slope and bend are believed to be small before anything is seen, so that two beads do not make a law.
    """
    powers = 3 if len(u) >= BEND_FROM else 2
    basis = np.vander(u, powers, increasing=True)
    there = np.vander(at, powers, increasing=True)
    scatter = float(np.mean(sd))
    for _ in range(3):
        weight = 1 / np.maximum(sd, scatter) ** 2
        believed = np.diag([1e-6, *([0.5 / max(scatter, 1e-6) ** 2 * 1e-3] * (powers - 1))])
        inverse = np.linalg.inv(basis.T @ (weight[:, None] * basis) + believed)
        found = inverse @ (basis.T @ (weight * y))
        rest = y - basis @ found
        free = max(len(u) - powers, 1)
        scatter = max(float(np.mean(sd)), math.sqrt(float((rest**2).sum()) / free) if len(u) > powers else 0.0)
    spread = np.sqrt(np.einsum("ij,jk,ik->i", there, inverse, there) + scatter**2)
    return there @ found, spread


def _marred(bead: BeadSeen) -> bool:
    return bead.tint_bead == GREY or bead.tint_zone == GREY or any(fault in MARRING for fault in bead.faults)


def _seen(bead: BeadSeen, wanted: Wanted) -> str:
    """What a bead shows, as one code; the worst first."""
    wide, narrow = bead.width_mm > wanted.high_mm, bead.width_mm < wanted.low_mm
    dark = bead.tint_bead is not None and bead.tint_bead > wanted.level
    if "burn_through" in bead.faults:
        return "burnt_through"
    if wide and dark:
        return "dark_and_wide"
    if GREY in (bead.tint_bead, bead.tint_zone):
        return "narrow_and_grey" if narrow else "grey"
    if narrow and "undercut" in bead.faults:
        return "narrow_and_undercut"
    for found, code in ((wide, "wide"), (dark, "dark"), (narrow, "narrow")):
        if found:
            return code
    if any(fault in MARRING for fault in bead.faults):
        return "faulty"
    return "uneven" if bead.width_cv > BANDS["width_cv"].accepted else AS_WANTED
