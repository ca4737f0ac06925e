"""The score each criterion suggests, and the figures it came from."""

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from judicum.core.marking.scheme import FINISH_LEVEL

WIDTH_CV = ((0.02, 10.0), (0.06, 8.0), (0.10, 5.0), (0.20, 0.0))
RIPPLE_CV = ((0.05, 10.0), (0.12, 8.0), (0.20, 5.0), (0.40, 0.0))
TOE_WAVINESS = ((0.02, 10.0), (0.06, 8.0), (0.12, 5.0), (0.25, 0.0))
"""Points of straight pieces: figure and score. Waviness is taken as a share of the mean width."""


FAULT_COST = {
    "pore": 1.0, "inclusion": 1.0, "bulge": 1.0, "crater": 1.5, "undercut": 2.0, "gap": 2.0, "sugaring": 3.0, "burn_through": 10.0,
}  # fmt: skip
"""What each fault takes off the overall look; one right through takes all of it."""
PINHOLE_COST = 1.0


@dataclass(frozen=True)
class Suggestion:
    """A suggested score 0 to 10 (None: nothing to judge by) and the figures behind it.

    `figures` are pairs of a key with its unit in the name and the value; `reason` is a code.
    """

    criterion: str
    score: float | None
    reason: str
    figures: dict[str, float | int | str | None]


def suggest(
    report: Mapping[str, Any], finish: str, target_width_mm: float | None, check: Mapping[str, Any] | None
) -> list[Suggestion]:
    """Suggest a score for every criterion of the scheme.

    Args:
        report: a measurement's JSON; a refused one gives no score where it would be needed.
        finish: `bright`, `warm` or `show_colour`.
        target_width_mm: width asked for, mm, or None.
        check: what `check_setup` found of the logged run, or None where nothing was logged.
    """
    bead, ripple, tint = report.get("bead"), report.get("ripple"), report.get("tint")
    faults = list(report.get("defects") or ())
    parts = [
        _width(bead, target_width_mm),
        _ripple(bead, ripple),
        _toes(bead),
        _tint(tint, finish, faults),
        _setup(check),
    ]
    return [*parts, _overall(parts, faults)]


def _overall(parts: list[Suggestion], faults: list[Mapping[str, Any]]) -> Suggestion:
    """The mean of the other lines, less what each fault costs; nothing where the bead itself was not measured."""
    known = [p.score for p in parts if p.score is not None]
    if not any(p.score is not None for p in parts if p.criterion != "setup_followed"):
        return Suggestion("overall", None, "nothing_measured", {})
    mean = float(np.mean(known))
    if not faults:
        return Suggestion("overall", _halves(mean), "mean_of_the_others", {})
    cost = sum(FAULT_COST[f["kind"]] + PINHOLE_COST * bool(f.get("pinhole")) for f in faults)
    counts = Counter(f["kind"] for f in faults)
    return Suggestion("overall", _halves(mean - cost), "less_for_faults", {"cost": cost, **counts})


def _halves(value: float) -> float:
    return round(min(10.0, max(0.0, value)) * 2) / 2


def _on(points: tuple[tuple[float, float], ...], figure: float) -> float:
    return _halves(float(np.interp(figure, [p[0] for p in points], [p[1] for p in points])))


def _width(bead: Mapping[str, Any] | None, target: float | None) -> Suggestion:
    if bead is None:
        return Suggestion("width_evenness", None, "nothing_measured", {})
    width = bead["width_mm"]
    figures: dict[str, float | int | str | None] = {
        "width_cv": width["cv"],
        "width_mean_mm": width["mean"],
        "target_width_mm": target,
    }
    score = _on(WIDTH_CV, width["cv"])
    if target and abs(width["mean"] - target) > 0.25 * target:
        return Suggestion("width_evenness", _halves(score - 2), "even_but_off_target", figures)
    return Suggestion("width_evenness", score, "width_cv", figures)


def _ripple(bead: Mapping[str, Any] | None, ripple: Mapping[str, Any] | None) -> Suggestion:
    if bead is None:
        return Suggestion("ripple_evenness", None, "nothing_measured", {})
    if ripple is None or ripple["cv"] is None:
        return Suggestion("ripple_evenness", None, "no_ripples_to_judge", {})
    lapses = len(ripple["lapses_mm"])
    score = _on(RIPPLE_CV, ripple["cv"])
    return Suggestion(
        "ripple_evenness",
        score,
        "ripple_cv",
        {"ripple_cv": ripple["cv"], "pitch_mm": ripple["pitch_mm"], "lapses": lapses},
    )


def _toes(bead: Mapping[str, Any] | None) -> Suggestion:
    if bead is None:
        return Suggestion("straight_toes", None, "nothing_measured", {})
    waviness = bead["toe_waviness_mm"]
    worse = max(waviness["left"], waviness["right"])
    return Suggestion(
        "straight_toes",
        _on(TOE_WAVINESS, worse / bead["width_mm"]["mean"]),
        "toe_waviness",
        {"left_mm": waviness["left"], "right_mm": waviness["right"]},
    )


def _tint(tint: Mapping[str, Any] | None, finish: str, faults: list[Mapping[str, Any]]) -> Suggestion:
    if tint is None:
        return Suggestion("tint", None, "nothing_measured", {})
    level, zone, most = tint["bead"]["level"], tint["haz"]["level"], FINISH_LEVEL[finish]
    left, right = tint["width_mm"]["left"], tint["width_mm"]["right"]
    figures: dict[str, float | int | str | None] = {
        "bead_level": level,
        "haz_level": zone,
        "accepted_level": most,
        "left_mm": left,
        "right_mm": right,
    }
    sugar = [f["size_mm"] for f in faults if f["kind"] == "sugaring"]
    if sugar:
        return Suggestion("tint", 0.0, "sugar_is_a_reject", {**figures, "length_mm": round(sum(sugar), 1)})
    if level == 7 or tint["share"]["grey"] > 0.05:
        return Suggestion("tint", 0.0, "grey_is_a_reject", {**figures, "grey_share": tint["share"]["grey"]})
    score = {0: 10.0, 1: 5.0, 2: 2.0}.get(max(0, level - most), 0.0)
    lopsided = max(left, right) > 1.6 * max(min(left, right), 0.5)
    if lopsided:
        return Suggestion("tint", _halves(score - 1.5), "tint_lopsided", figures)
    return Suggestion("tint", score, "within_finish" if level <= most else "darker_than_finish", figures)


def _setup(check: Mapping[str, Any] | None) -> Suggestion:
    """10 when nothing lies off the card; 2 off for each deviation, 3 for each warning that stops."""
    if check is None:
        return Suggestion("setup_followed", None, "not_logged", {})
    deviations = {d["key"]: d["outside"] for d in check["deviations"]}
    stops = [w["code"] for w in check["warnings"] if w["severity"] == "stop"]
    score = _halves(10 - 2 * len(deviations) - 3 * len(stops))
    off = [*deviations, *stops]
    return Suggestion(
        "setup_followed", score, "off_the_card:" + ",".join(off) if off else "as_the_card", dict(deviations)
    )
