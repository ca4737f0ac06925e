"""The score each criterion suggests, and the figures it came from."""

from collections import Counter
from dataclasses import dataclass, field

import numpy as np

from judicum.core.acceptance import BANDS, GREY_SHARE, LOPSIDED, OFF_TARGET_SHARE
from judicum.core.choices import FINISH_LEVEL
from judicum.core.photo.fault_kinds import FAULT_KINDS, PINHOLE_COST
from judicum.core.photo.report import BeadFigures, Defect, Report, RippleFigures, TintFigures
from judicum.core.setup import Checked

OFF_CARD_COST, STOP_COST = 2.0, 3.0
"""Points of ten for each figure off the card, and for each warning that stops."""
OFF_TARGET_COST, LOPSIDED_COST = 2.0, 1.5
BY_LEVELS_TOO_DARK = {0: 10.0, 1: 5.0, 2: 2.0}
"""Score by how many levels the bead is darker than the finish accepts."""
NARROWEST_SIDE_MM = 0.5
"""Of a zone whose sides are compared."""


@dataclass(frozen=True)
class Suggestion:
    """A suggested score 0 to 10 (None: nothing to judge by), the code of its reason and what is behind it.

    `figures` by a key with its unit in the name; `counts` how many of each fault kind; `off` the keys of
    figures off the card and the codes of warnings that stop.
    """

    criterion: str
    score: float | None
    reason: str
    figures: dict[str, float | None] = field(default_factory=dict)
    counts: dict[str, int] = field(default_factory=dict)
    off: tuple[str, ...] = ()


def suggest(report: Report, finish: str, target_width_mm: float | None, checked: Checked | None) -> list[Suggestion]:
    """Suggest a score for every criterion of the scheme.

    Args:
        report: a measurement; a refused one gives no score where it would be needed.
        finish: `bright`, `warm` or `show_colour`.
        target_width_mm: width asked for, mm, or None.
        checked: what `check_setup` found of the logged run, or None where nothing was logged.
    """
    faults = report.defects or []
    parts = [
        _width(report.bead, target_width_mm),
        _ripple(report.bead, report.ripple),
        _toes(report.bead),
        _tint(report.tint, finish, faults),
        _setup(checked),
    ]
    return [*parts, _overall(parts, faults)]


def _overall(parts: list[Suggestion], faults: list[Defect]) -> Suggestion:
    """The mean of the other lines, less what each fault costs; nothing where the bead itself was not measured."""
    known = [p.score for p in parts if p.score is not None]
    if not any(p.score is not None for p in parts if p.criterion != "setup_followed"):
        return Suggestion("overall", None, "nothing_measured")
    mean = float(np.mean(known))
    if not faults:
        return Suggestion("overall", _halves(mean), "mean_of_the_others")
    cost = sum(FAULT_KINDS[f.kind].cost + PINHOLE_COST * bool(f.pinhole) for f in faults)
    counts = Counter(f.kind for f in faults)
    return Suggestion("overall", _halves(mean - cost), "less_for_faults", {"cost": cost}, dict(counts))


def _halves(value: float) -> float:
    return round(min(10.0, max(0.0, value)) * 2) / 2


def _on(band: str, figure: float) -> float:
    figures, scores = zip(*BANDS[band].curve, strict=True)
    return _halves(float(np.interp(figure, figures, scores)))


def _width(bead: BeadFigures | None, target: float | None) -> Suggestion:
    if bead is None:
        return Suggestion("width_evenness", None, "nothing_measured")
    width = bead.width_mm
    figures = {"width_cv": width.cv, "width_mean_mm": width.mean, "target_width_mm": target}
    score = _on("width_cv", width.cv)
    if target and abs(width.mean - target) > OFF_TARGET_SHARE * target:
        return Suggestion("width_evenness", _halves(score - OFF_TARGET_COST), "even_but_off_target", figures)
    return Suggestion("width_evenness", score, "width_cv", figures)


def _ripple(bead: BeadFigures | None, ripple: RippleFigures | None) -> Suggestion:
    if bead is None:
        return Suggestion("ripple_evenness", None, "nothing_measured")
    if ripple is None or ripple.cv is None:
        return Suggestion("ripple_evenness", None, "no_ripples_to_judge")
    figures = {"pitch_cv": ripple.cv, "pitch_mm": ripple.pitch_mm, "lapses": float(len(ripple.lapses_mm))}
    return Suggestion("ripple_evenness", _on("pitch_cv", ripple.cv), "pitch_cv", dict(figures))


def _toes(bead: BeadFigures | None) -> Suggestion:
    if bead is None:
        return Suggestion("straight_toes", None, "nothing_measured")
    waviness = bead.toe_waviness_mm
    worse = max(waviness.left, waviness.right)
    figures = {"left_mm": waviness.left, "right_mm": waviness.right}
    return Suggestion("straight_toes", _on("toe_waviness", worse / bead.width_mm.mean), "toe_waviness", dict(figures))


def _tint(tint: TintFigures | None, finish: str, faults: list[Defect]) -> Suggestion:
    if tint is None:
        return Suggestion("tint", None, "nothing_measured")
    level, most = tint.bead.level, FINISH_LEVEL[finish]
    left, right = tint.width_mm.left, tint.width_mm.right
    figures: dict[str, float | None] = {
        "bead_level": level, "haz_level": tint.haz.level, "accepted_level": most, "left_mm": left, "right_mm": right,
    }  # fmt: skip
    rejected = [f.size_mm for f in faults if FAULT_KINDS[f.kind].rejects]
    if rejected:
        return Suggestion("tint", 0.0, "sugar_is_a_reject", figures | {"length_mm": round(sum(rejected), 1)})
    if level not in range(7) or tint.share.get("grey", 0.0) > GREY_SHARE:
        return Suggestion("tint", 0.0, "grey_is_a_reject", figures | {"grey_share": tint.share.get("grey", 0.0)})
    score = BY_LEVELS_TOO_DARK.get(max(0, level - most), 0.0)
    if max(left, right) > LOPSIDED * max(min(left, right), NARROWEST_SIDE_MM):
        return Suggestion("tint", _halves(score - LOPSIDED_COST), "tint_lopsided", figures)
    return Suggestion("tint", score, "within_finish" if level <= most else "darker_than_finish", figures)


def _setup(checked: Checked | None) -> Suggestion:
    """10 when nothing lies off the card, less for each deviation and each warning that stops."""
    if checked is None:
        return Suggestion("setup_followed", None, "not_logged")
    outside = {d.key: d.outside for d in checked.deviations}
    stops = tuple(w.code for w in checked.warnings if w.severity == "stop")
    score = _halves(10 - OFF_CARD_COST * len(outside) - STOP_COST * len(stops))
    off = (*outside, *stops)
    return Suggestion("setup_followed", score, "off_the_card" if off else "as_the_card", dict(outside), off=off)
