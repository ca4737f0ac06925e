"""The score each line of a scheme suggests, and what another scheme would have made of the same readings."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from judicum.core.marking.criteria import Curve
from judicum.core.marking.readings import Evidence, Reading, cost_of, read_all
from judicum.core.marking.scheme import HIGHEST, Line, Scheme, passes, total


@dataclass(frozen=True)
class Suggestion:
    """A suggested score 0 to 10 for one line (None: nothing to judge by), the code of its reason and what is behind it.

    `applies` is False where the coupon makes the line empty. `figure` is where the line's curve is read, or the option.
    `figures` by a key with its unit in the name; `counts` how many of each fault kind; `off` the keys of figures off the
    card and the codes of warnings that stop.
    """

    criterion: str
    score: float | None
    reason: str
    figure: float | str | None = None
    figures: dict[str, float | None] = field(default_factory=dict)
    counts: dict[str, int] = field(default_factory=dict)
    off: tuple[str, ...] = ()
    applies: bool = True


def suggest(scheme: Scheme, evidence: Evidence, readings: Mapping[str, Reading] | None = None) -> list[Suggestion]:
    """Suggest a score for every line of a scheme, in its order."""
    read = read_all(evidence) if readings is None else readings
    lines = [_suggestion(line, read[line.criterion.key]) for line in scheme.lines if line.criterion.key != "overall"]
    by_key = {one.criterion: one for one in lines}
    if "overall" in scheme.keys:
        by_key["overall"] = _overall(lines, evidence)
    return [by_key[key] for key in scheme.keys]


def score_of(line: Line, figure: float | str | None) -> float | None:
    """A line's score of a reading, in halves."""
    if figure is None:
        return None
    if isinstance(figure, str):
        return line.options.get(figure)
    return halves(on_curve(line.curve, figure))


def on_curve(curve: Curve, figure: float) -> float:
    """A curve's score of a figure, 0 to 10: straight between its corners, level outside of them.

    >>> on_curve(((0.0, 10), (0.2, 0)), 0.05), on_curve(((0.0, 10), (0.2, 0)), 0.3)
    (7.5, 0.0)
    """
    figures, scores = zip(*curve, strict=True)
    return float(np.interp(figure, figures, scores))


def halves(value: float) -> float:
    """The nearest half from 0 to 10.

    >>> halves(7.3), halves(-1.0)
    (7.5, 0.0)
    """
    return round(min(HIGHEST, max(0.0, value)) * 2) / 2


def _suggestion(line: Line, read: Reading) -> Suggestion:
    return Suggestion(
        line.criterion.key, score_of(line, read.figure), read.reason, read.figure, read.figures, read.counts, read.off, read.applies
    )  # fmt: skip


def _overall(lines: Sequence[Suggestion], evidence: Evidence) -> Suggestion:
    """The mean of the other lines, less what each fault costs; nothing where the bead itself was not measured."""
    known = [one.score for one in lines if one.score is not None]
    if evidence.report.bead is None or not known:
        return Suggestion("overall", None, "nothing_measured")
    faults = evidence.report.defects or []
    cost = cost_of(faults)
    counts = dict(Counter(fault.kind for fault in faults))
    mean = float(np.mean(known))
    reason = "less_for_faults" if faults else "mean_of_the_others"
    return Suggestion(
        "overall", halves(mean - cost), reason, halves(mean - cost), {"cost": cost} if faults else {}, counts
    )


@dataclass(frozen=True)
class GivenMark:
    """A mark that was given: readings by criterion, scores suggested and given then, what knocked out, what was set against it."""

    readings: Mapping[str, Any]
    suggested: Mapping[str, float | None]
    scores: Mapping[str, float | None]
    knocked: tuple[str, ...]
    pass_mark: float | None = None


@dataclass(frozen=True)
class TrialMark:
    """What a scheme would have made of a given mark."""

    total: float
    passed: bool


def try_on(scheme: Scheme, given: GivenMark) -> TrialMark:
    """What a scheme would have made of a mark's readings.

    A line that was scored otherwise than suggested then keeps the score that was given; one without a reading is left out.
    """
    scores: dict[str, float | None] = {}
    for line in scheme.lines:
        key = line.criterion.key
        held = given.scores.get(key)
        by_eye = held is not None and held != given.suggested.get(key)
        scores[key] = held if by_eye or key not in given.readings else score_of(line, given.readings[key])
    mark = total(scheme, scores)
    return TrialMark(mark, passes(scheme, mark, given.knocked, given.pass_mark))
