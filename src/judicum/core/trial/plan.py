"""Where each short bead of a trial lies on its blank, and with which setting it is welded."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.fields import Fields
from judicum.core.quantities import QUANTITIES
from judicum.core.trial.vary import LOG, VARIED, Varied
from judicum.core.tube import run_order

BEAD_MM = 36.0
"""mm. Long enough that the middle tells of the setting and not of start and end, and all of it shows in the card's window of 50 mm."""
MIN_SPACING_MM = 13.0
"""mm between two lines: a bead of 5 mm and a tinted zone of 4 mm on either side of it, so that no zone meets the next."""
FIRST_APART = 1.5
"""Spacings between the first line and the second: the one gap that is wider tells which end is which, however the photo is held."""
EDGE_MM = 7.0
"""mm from the blank's edge to the nearest line: heat at an edge has nowhere to go."""
MAX_BLANK_MM = (250.0, 160.0)
"""mm, length and width: what lies on one sheet of A4 with its rule."""
USUAL_BLANK_MM = (120.0, 50.0)
"""mm: a practice blank."""
SPAN_MM = 108.0
"""mm from the first line to the last at most: they are photographed through the scale card's window of 120 mm."""
SHOWN_ROUND = 0.5
"""Of a tube's diameter, along its side: what a photo from above shows of a band well enough to be measured."""

PLAN = Fields("a trial", tuple(QUANTITIES[key] for key in ("beads", "blank_length_mm", "blank_width_mm", "tube_od_mm")))


@dataclass(frozen=True)
class Line:
    """One bead of a trial: its number, what is set for it, where its line lies along the blank, and when its turn comes."""

    number: int
    value: float | str
    at_mm: float
    turn: int


@dataclass(frozen=True)
class Trial:
    """A trial as it is scribed: lines across a blank of `length_mm` × `width_mm`, each `bead_mm` long, or bands round a tube."""

    varied: Varied
    lines: tuple[Line, ...]
    length_mm: float
    width_mm: float
    bead_mm: float
    tube_od_mm: float | None = None

    @property
    def room_mm(self) -> float:
        """From a line to the middle between it and the nearest one, mm: a zone that reaches further runs into the next."""
        places = [line.at_mm for line in self.lines]
        return min(b - a for a, b in pairwise(places)) / 2


def read_trial(given: Mapping[str, Any], tube_od_mm: float | None = None) -> Trial:
    """A trial from what a person asks for: `varied`, `low` and `high` in `beads` steps or the `values` themselves, and the blank.

    Raises:
        InvalidValue: nothing that may be varied, fewer than two values, figures that make no sense, or no room for so many beads.
    """
    key = given.get("varied")
    if key not in VARIED:
        raise InvalidValue("varied", key, one_of(VARIED))
    varied = VARIED[str(key)]
    blank = PLAN.check({k: v for k, v in given.items() if k in PLAN.keys})
    return plan_trial(
        varied,
        _values(varied, given, blank["beads"]),
        blank["blank_length_mm"] or USUAL_BLANK_MM[0],
        blank["blank_width_mm"] or USUAL_BLANK_MM[1],
        tube_od_mm,
    )


def _values(varied: Varied, given: Mapping[str, Any], beads: int | None) -> list[float | str]:
    listed = given.get("values")
    if varied.codes:
        chosen = [str(one) for one in listed or varied.codes]
        unknown = [one for one in chosen if one not in varied.codes]
        if unknown or len(set(chosen)) < 2:
            raise InvalidValue("values", unknown[:1] or chosen, one_of(varied.codes))
        return list(dict.fromkeys(chosen))
    quantity = varied.quantity
    assert quantity is not None
    if listed:
        chosen_figures = list(listed)
    else:
        low, high = given.get("low"), given.get("high")
        if low is None or high is None or beads is None:
            missing = next(k for k, v in (("low", low), ("high", high), ("beads", beads)) if v is None)
            raise InvalidValue(
                missing, None, quantity.makes_sense if missing != "beads" else QUANTITIES["beads"].limits
            )
        chosen_figures = steps(varied, float(low), float(high), beads)
    for one in chosen_figures:
        if not isinstance(one, int | float) or not quantity.sensible_at(one):
            raise InvalidValue(
                "values" if listed else "low" if one == given.get("low") else "high", one, quantity.makes_sense
            )
    distinct = sorted({float(one) for one in chosen_figures})
    most = QUANTITIES["beads"].high
    if not 2 <= len(distinct) <= most:
        raise InvalidValue("values", len(distinct), QUANTITIES["beads"].limits)
    return list(distinct)


def steps(varied: Varied, low: float, high: float, count: int) -> list[float]:
    """`count` values from low to high, evenly or by even ratios, in steps that a machine can be set to.

    Raises:
        InvalidValue: the low one is not below the high one.

    >>> steps(VARIED["current_a"], 40, 70, 4)
    [40.0, 48.0, 58.0, 70.0]
    >>> steps(VARIED["per_second"], 1, 100, 3)
    [1.0, 10.0, 100.0]
    """
    if not low < high:
        raise InvalidValue("low", low, said("allowed-low-below-high", high=f"{high:g}"))
    parts = [k / (count - 1) for k in range(count)]
    if varied.scale == LOG and low > 0:
        raw = [low * (high / low) ** part for part in parts]
    else:
        raw = [low + (high - low) * part for part in parts]
    assert varied.quantity is not None
    return [_settable(one, varied.quantity.step) for one in raw]


def _settable(value: float, step: float) -> float:
    """To a step of the dial, but never so coarse that it moves a figure by more than a tenth."""
    while step > value / 5:
        step /= 10
    return round(math.floor(value / step + 0.5) * step, 6)


def plan_trial(
    varied: Varied,
    values: list[float | str],
    length_mm: float = USUAL_BLANK_MM[0],
    width_mm: float = USUAL_BLANK_MM[1],
    tube_od_mm: float | None = None,
) -> Trial:
    """Lay the beads side by side, the first apart from the rest, each welded as far as may be from the one still hot.

    Args:
        length_mm: along which the lines stand side by side; width_mm: along the beads. Of a tube its length counts alone.

    Raises:
        InvalidValue: more beads than have room, a bead that has none, or a blank too large for its sheet.

    >>> trial = plan_trial(VARIED["current_a"], [40.0, 48.0, 58.0, 70.0])
    >>> [(line.number, line.value, line.at_mm, line.turn) for line in trial.lines]
    [(1, 40.0, 25.9, 1), (2, 48.0, 55.1, 3), (3, 58.0, 74.6, 2), (4, 70.0, 94.1, 4)]
    """
    if length_mm > MAX_BLANK_MM[0]:
        raise InvalidValue("blank_length_mm", length_mm, said("allowed-trial-blank", most=f"{MAX_BLANK_MM[0]:g}"))
    if tube_od_mm is None and not BEAD_MM / 2 + 2 * EDGE_MM <= width_mm <= MAX_BLANK_MM[1]:
        low = BEAD_MM / 2 + 2 * EDGE_MM
        raise InvalidValue(
            "blank_width_mm", width_mm, said("allowed-trial-width", low=f"{low:g}", most=f"{MAX_BLANK_MM[1]:g}")
        )
    gaps = len(values) - 2 + FIRST_APART
    room = min(length_mm - 2 * EDGE_MM, SPAN_MM)
    if room < gaps * MIN_SPACING_MM:
        most = int(room / MIN_SPACING_MM - FIRST_APART) + 2
        raise InvalidValue(
            "beads", len(values), said("allowed-trial-beads", most=max(most, 0), length=f"{length_mm:g}")
        )
    spacing = min(room / gaps, 1.5 * MIN_SPACING_MM)
    first = (length_mm - gaps * spacing) / 2
    places = [first, *(first + (FIRST_APART + k) * spacing for k in range(len(values) - 1))]
    turns = {number: turn for turn, number in enumerate(run_order(len(values)), 1)}
    lines = tuple(
        Line(k, value, round(at, 1), turns[k]) for k, (value, at) in enumerate(zip(values, places, strict=True), 1)
    )
    bead = min(BEAD_MM, width_mm - 2 * EDGE_MM) if tube_od_mm is None else SHOWN_ROUND * tube_od_mm
    return Trial(varied, lines, length_mm, width_mm, bead, tube_od_mm)
