"""Marking schemes: which criteria count, how much, by which curve, what fails a coupon outright, and where passing begins."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Any

from judicum.core.errors import InvalidValue, InvalidValues, one_of, refuse_all, said, some_of
from judicum.core.fields import Fields
from judicum.core.marking.criteria import CRITERIA, KNOCK_OUTS, Criterion, Curve
from judicum.core.quantities import QUANTITIES, Quantity

HIGHEST = 10.0
"""Points: the best score of a criterion; the worst is 0."""
HALF = 0.5
"""Points: scores go in halves."""
MAX_COMMENT = 4000
"""Characters of the comment on a mark: a page."""
MAX_NEXT = 300
"""Characters of the one change for the next attempt: a sentence or two."""
MAX_TITLE = 80
"""Characters of a scheme's title: one line of a list."""
MAX_POINTS = 12
"""Corners of a criterion's curve: more cannot be told apart on its drawing."""
UNDO_S = 10
"""How long a return can be taken back, seconds."""
WHOLE = 100.0
"""A mark's greatest total."""
PASS_MARK = 70.0
"""Of 100, where a scheme says nothing else."""
ALLOWED = said("allowed-score")
FIGURES = Fields("a scheme", (QUANTITIES["pass_mark"], QUANTITIES["time_limit_s"]))
WEIGHT = Fields("a line", (QUANTITIES["weight"],), required=("weight",))
KEYS = ("title", "lines", "knock_outs", "pass_mark", "time_limit_s")


@dataclass(frozen=True)
class Line:
    """One criterion in a scheme: its weight (any unit; weights are set against their sum), its curve or options' scores."""

    criterion: Criterion
    weight: float
    curve: Curve
    options: Mapping[str, float]


@dataclass(frozen=True)
class Scheme:
    """One scheme. `knock_outs` are keys of `criteria.KNOCK_OUTS`; `pass_mark` of 100."""

    title: str
    lines: tuple[Line, ...]
    knock_outs: tuple[str, ...] = ()
    pass_mark: float = PASS_MARK
    time_limit_s: float | None = None

    @property
    def keys(self) -> tuple[str, ...]:
        return tuple(line.criterion.key for line in self.lines)

    def share(self, key: str) -> float:
        """A line's weight in percent of all."""
        every = sum(line.weight for line in self.lines)
        return round(100 * next(line.weight for line in self.lines if line.criterion.key == key) / every, 1)

    def as_json(self) -> dict[str, Any]:
        """What `read_scheme` reads."""
        lines = [
            {
                "criterion": one.criterion.key,
                "weight": one.weight,
                "curve": [list(p) for p in one.curve],
                "options": dict(one.options),
            }
            for one in self.lines
        ]
        return {
            "title": self.title, "lines": lines, "knock_outs": list(self.knock_outs), "pass_mark": self.pass_mark,
            "time_limit_s": self.time_limit_s,
        }  # fmt: skip


def read_scheme(given: object) -> Scheme:
    """A scheme from JSON values: title, lines (criterion, weight, and curve or options where they differ), knock_outs,
    pass_mark, time_limit_s.

    Raises:
        InvalidValues: every field that is unknown, missing or outside what is allowed.
    """
    if not isinstance(given, Mapping):
        raise InvalidValue("scheme", given, said("allowed-an-object-with", names=", ".join(KEYS)))
    problems = [InvalidValue(str(key), given[key], one_of(KEYS)) for key in given if key not in KEYS]
    title = given.get("title")
    if not isinstance(title, str) or not 1 <= len(title.strip()) <= MAX_TITLE:
        problems.append(InvalidValue("title", title, said("allowed-1-to-characters", most=MAX_TITLE)))
    figures: dict[str, Any] = {}
    try:
        figures = FIGURES.check({key: given.get(key) for key in FIGURES.keys})
    except InvalidValues as error:
        problems += error.problems
    lines = _lines(given.get("lines"), problems)
    knocks = given.get("knock_outs") or []
    if not isinstance(knocks, list) or (unknown := [k for k in knocks if k not in KNOCK_OUTS]):
        wrong = knocks if not isinstance(knocks, list) else unknown[0]
        problems.append(InvalidValue("knock_outs", wrong, some_of(KNOCK_OUTS)))
    timed = any(line.criterion.key == "time_taken" for line in lines) or "not_in_time" in (
        knocks if isinstance(knocks, list) else []
    )
    if timed and figures and figures.get("time_limit_s") is None:
        problems.append(InvalidValue("time_limit_s", None, said("allowed-a-time-where-the-time-taken")))
    refuse_all(problems)
    pass_mark = figures["pass_mark"] if figures["pass_mark"] is not None else PASS_MARK
    return Scheme(str(title).strip(), tuple(lines), tuple(dict.fromkeys(knocks)), pass_mark, figures["time_limit_s"])


def _lines(given: object, problems: list[InvalidValue]) -> list[Line]:
    if not isinstance(given, list) or not given:
        problems.append(InvalidValue("lines", given, said("allowed-at-least-one-line")))
        return []
    lines: list[Line] = []
    for number, one in enumerate(given):
        try:
            line = _line(one, f"lines.{number}")
            if any(line.criterion is other.criterion for other in lines):
                raise InvalidValue(f"lines.{number}.criterion", line.criterion.key, said("allowed-each-criterion-once"))
            lines.append(line)
        except InvalidValues as error:
            problems += error.problems
    return lines


def _line(given: Any, at: str) -> Line:
    key = given.get("criterion") if isinstance(given, Mapping) else given
    if not isinstance(key, str) or key not in CRITERIA:
        raise InvalidValue(f"{at}.criterion", key, one_of(CRITERIA))
    criterion = CRITERIA[key]
    weight = WEIGHT.check({"weight": given.get("weight")}, f"{at}.")["weight"]
    return Line(
        criterion, weight, _curve(given.get("curve"), criterion, at), _options(given.get("options"), criterion, at)
    )


def _curve(given: Any, criterion: Criterion, at: str) -> Curve:
    if not given or criterion.options:
        return criterion.curve
    allowed = said("allowed-curve", most=MAX_POINTS)
    if not isinstance(given, list) or not 2 <= len(given) <= MAX_POINTS:
        raise InvalidValue(f"{at}.curve", given, allowed)
    if not all(isinstance(p, list | tuple) and len(p) == 2 and all(_figure(v) for v in p) for p in given):
        raise InvalidValue(f"{at}.curve", given, allowed)
    points = tuple((float(x), float(score)) for x, score in given)
    growing = all(a[0] < b[0] for a, b in pairwise(points))
    if not growing or any(x < 0 or not 0 <= score <= HIGHEST for x, score in points):
        raise InvalidValue(f"{at}.curve", given, allowed)
    return points


def _options(given: Any, criterion: Criterion, at: str) -> Mapping[str, float]:
    if not given or not criterion.options:
        return criterion.options
    whole = isinstance(given, Mapping) and set(given) == set(criterion.options)
    if not whole or not all(_figure(v) and 0 <= v <= HIGHEST for v in given.values()):
        raise InvalidValue(
            f"{at}.options", given, said("allowed-a-score-from-0-to-10", names=", ".join(criterion.options))
        )
    return {str(option): float(score) for option, score in given.items()}


def _figure(value: Any) -> bool:
    return isinstance(value, int | float) and not isinstance(value, bool) and abs(value) < 1e9


def _made(
    title: str,
    weights: dict[str, float],
    knock_outs: tuple[str, ...],
    curves: dict[str, Curve] | None = None,
    **more: Any,
) -> Scheme:
    lines = tuple(
        Line(CRITERIA[key], weight, (curves or {}).get(key, CRITERIA[key].curve), CRITERIA[key].options)
        for key, weight in weights.items()
    )
    return Scheme(title, lines, knock_outs, **more)


STRICT_TINT: Curve = ((0, 10), (1, 3), (2, 0))
"""Of a bright finish: one level darker is corroded sooner."""
SCHEMES: dict[str, Scheme] = {
    "training": _made("Training", {
        "width_evenness": 20, "width_on_target": 10, "ripple_evenness": 20, "straight_toes": 15, "tint": 15, "faults": 10,
        "setup_followed": 5, "preparation": 5,
    }, ("burn_through", "grey")),
    "bright_service": _made("Bright service", {
        "tint": 25, "tint_zone": 10, "tint_sides": 10, "back": 15, "width_evenness": 15, "straight_toes": 10, "faults": 10, "ends": 5,
    }, ("grey", "sugaring", "burn_through", "pore", "back_sugared", "back_not_through"), {"tint": STRICT_TINT}, pass_mark=75.0),
    "show_colour": _made("Show colour", {
        "ripple_evenness": 25, "width_evenness": 20, "straight_toes": 15, "tint": 10, "tint_sides": 15, "tint_zone": 5, "ends": 10,
    }, ("grey", "burn_through")),
    "fillet": _made("Fillet by gauge", {
        "legs_equal": 20, "leg_size": 10, "throat": 10, "face": 15, "width_evenness": 15, "straight_toes": 10, "tint": 10, "faults": 10,
    }, ("burn_through", "grey", "undercut")),
    "timed_test": _made("Timed test", {
        "faults": 25, "length_welded": 15, "time_taken": 15, "width_evenness": 15, "straight_toes": 10, "ends": 10, "tint": 10,
    }, ("burn_through", "not_in_time", "gap"), time_limit_s=600.0),
    "six_lines": _made("Six lines", {
        "width_evenness": 25, "ripple_evenness": 20, "straight_toes": 15, "tint": 20, "setup_followed": 10, "overall": 10,
    }, ()),
}  # fmt: skip
"""The schemes that ship, by code; a course changes them as versions of its own."""
USUAL_SCHEME = "training"


def check_scores(scheme: Scheme, scores: Mapping[str, float | None]) -> dict[str, float | None]:
    """Scores by criterion: 0 to 10 in halves, or None where the line is not set or does not apply.

    Raises:
        InvalidValues: unknown criterion, missing one, or a figure that is not allowed.
    """
    fields = Fields("the scores", tuple(Quantity(key, "plain", "", 0, HIGHEST, HALF) for key in scheme.keys))
    problems: list[InvalidValue] = []
    clean: dict[str, float | None] = {}
    try:
        clean = fields.check(scores, "scores.")
    except InvalidValues as error:
        problems = [InvalidValue(p.field, p.given, ALLOWED if p.limits else p.allowed) for p in error.problems]
    problems += [InvalidValue(f"scores.{key}", None, ALLOWED) for key in scheme.keys if key not in scores]
    problems += [InvalidValue(f"scores.{k}", v, ALLOWED) for k, v in clean.items() if v is not None and v % HALF]
    if not problems and all(value is None for value in clean.values()):
        problems.append(InvalidValue("scores", None, said("allowed-at-least-one-criterion-with-a")))
    refuse_all(problems)
    return clean


def check_runs(covered: Sequence[int], totals: Mapping[int, float]) -> dict[str, float]:
    """Totals (of 100) of runs that the next one covered, by their number as text.

    Args:
        covered: the runs that have a photo of their own.

    Raises:
        InvalidValues: a run that is none of them, or a total outside 0 to 100.
    """
    fields = Fields("the runs", tuple(Quantity(str(run), "plain", "", 0, WHOLE, 0.1) for run in covered))
    given = {str(run): figure for run, figure in totals.items()}
    return {run: figure for run, figure in fields.check(given, "runs.").items() if figure is not None}


def total(scheme: Scheme, scores: Mapping[str, float | None]) -> float:
    """Mark out of 100: weighted mean of the criteria that have a score.

    >>> total(SCHEMES["six_lines"], {"width_evenness": 8, "ripple_evenness": None, "straight_toes": 8, "tint": 8})
    80.0
    """
    counted = [(line.weight, value) for line in scheme.lines if (value := scores.get(line.criterion.key)) is not None]
    whole = sum(w for w, _ in counted)
    return round(sum(w * v for w, v in counted) / whole * 100 / HIGHEST, 1) if whole else 0.0


def passes(scheme: Scheme, mark: float, knocked: tuple[str, ...], pass_mark: float | None = None) -> bool:
    """Whether a mark passes: at least the pass mark (the coupon's own, else the scheme's) and nothing that knocks out."""
    return mark >= (scheme.pass_mark if pass_mark is None else pass_mark) and not set(knocked) & set(scheme.knock_outs)
