"""Corrections by a person: a layer of steps over what was computed, and the figures computed again from both.

Steps (`judicum.core.photo.steps`) are
applied in their order, each in the bead frame that the ones before it left; the computed result
is never changed. Everything that follows from outline, fronts and faults is computed again; tint
is not read from the picture again: its widths are shortened by what a toe was moved outward, and
its levels stay. Moving a toe keeps s where it was, so that the strip stays valid.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.errors import InvalidValue, said
from judicum.core.photo.bead import Bead
from judicum.core.photo.fault_kinds import hidden_by
from judicum.core.photo.figures import outline_figures, ripple_figures, rounded
from judicum.core.photo.report import UNSURE, Defect, Report, Sides, TintFigures
from judicum.core.photo.ripple import Ripple
from judicum.core.photo.steps import Step
from judicum.core.photo.width import SAMPLE_MM, Outline, across_of

MIN_WIDTH_MM = 0.3
MIN_LENGTH_MM = 5.0
SAME_PLACE_MM = 1.0
SETTLES = ("move_toe",)
"""Steps with which a person says where the toes are."""
MIN_FRONTS = 4
"""Fewer fronts give no figures of their spacing."""


@dataclass(frozen=True)
class _Layer:
    """A bead with the parts of its report that do not follow from outline and fronts; `fronts_mm` counts from the start."""

    bead: Bead
    faults: tuple[Defect, ...]
    tint: TintFigures | None
    fronts_mm: Floats


def correct(report: Report, bead: Bead, steps: Sequence[Step]) -> tuple[Report, Bead]:
    """Apply checked steps to a measurement.

    Args:
        report: the computed report of a photo that was measured; it is not changed.
        bead: the bead it came from.
        steps: from `steps.check_step`, first to last.

    Returns:
        The report with its figures computed again, and the corrected bead.

    Raises:
        InvalidValue: a step that does not fit the bead as the steps before it left it.
    """
    fronts = bead.ripple.positions_mm if bead.ripple else np.zeros(0)
    layer = _Layer(bead, tuple(report.defects or ()), report.tint, fronts)
    for step in steps:
        layer = _APPLY[step.step](layer, step)
    ripple = _ripple(layer)
    bead = replace(layer.bead, ripple=ripple)
    corrected = report.replace(
        **outline_figures(bead.outline, bead.scale),
        ripple=ripple_figures(ripple),
        tint=layer.tint,
        defects=sorted(layer.faults, key=lambda f: f.s_mm),
    )
    set_by_hand = any(step.step in SETTLES for step in steps)
    return _settled(corrected) if set_by_hand else _as_doubtful(corrected, report), bead


def _settled(report: Report) -> Report:
    """The report without the doubt about its toes, however its engine worded it: a person has set them."""
    if report.quality is None:
        return report
    warnings = [warning for warning in report.quality.warnings if not warning.startswith(UNSURE)]
    return report.replace(quality=report.quality.model_copy(update={"warnings": warnings}))


def _as_doubtful(corrected: Report, report: Report) -> Report:
    """The corrected report no surer of its width than the photo's was: what was corrected says nothing of the toes."""
    if corrected.bead is None or report.bead is None:
        return corrected
    width = corrected.bead.width_mm
    least = max(width.uncertainty, report.bead.width_mm.uncertainty)
    bead = corrected.bead.model_copy(update={"width_mm": width.model_copy(update={"uncertainty": least})})
    return corrected.replace(bead=bead)


def _ripple(layer: _Layer) -> Ripple | None:
    known = layer.bead.ripple or Ripple(np.zeros(0), 0.0, 1.0)
    fronts = replace(known, positions_mm=layer.fronts_mm)
    return fronts.without(hidden_by(layer.faults)) if len(layer.fronts_mm) >= MIN_FRONTS else None


def _move_toe(layer: _Layer, step: Step) -> _Layer:
    line = layer.bead.outline
    s, side = _within(layer, step.s_mm), step.side
    left, right = line.offsets_mm
    now = float(np.interp(s, line.s_mm, left if side == "left" else right))
    shift = (step.n_mm - now) * share_moved(line.s_mm - s, step.reach_mm)
    moved = (left + shift, right) if side == "left" else (left, right + shift)
    narrowest = float((moved[1] - moved[0]).min())
    if narrowest < MIN_WIDTH_MM:
        raise InvalidValue("n_mm", step.n_mm, said("allowed-a-toe-that-leaves-the-bead", least=MIN_WIDTH_MM))
    middle = shift / 2
    centre = line.centre_mm + middle[:, None] * across_of(line.centre_mm, line.s_mm)
    outline = Outline.around(line.s_mm, centre, moved[0] - middle, moved[1] - middle)
    outward = float(shift.mean()) * (-1 if side == "left" else 1)
    return replace(layer, bead=replace(layer.bead, outline=outline), tint=_shorter(layer.tint, side, outward))


def share_moved(away_mm: Floats, reach_mm: float) -> Floats:
    """How much of a toe's move the places around it take part in: w = (1 + cos(π · min(|d| / r, 1))) / 2, a raised cosine.

    Args:
        away_mm: d, mm along the bead from where the toe was taken hold of, any shape.
        reach_mm: r, mm from there at which nothing moves any more, over 0.

    >>> share_moved(np.array([0.0, 2.5, 5.0, 9.0]), 5.0).round(3).tolist()
    [1.0, 0.5, 0.0, 0.0]
    """
    return np.asarray((1 + np.cos(np.pi * np.clip(np.abs(away_mm) / reach_mm, 0, 1))) / 2)


def _shorter(tint: TintFigures | None, side: str, outward_mm: float) -> TintFigures | None:
    if tint is None:
        return None
    width = max(0.0, getattr(tint.width_mm, side) - outward_mm)
    return tint.model_copy(update={"width_mm": tint.width_mm.model_copy(update={side: rounded(width, 2)})})


def _move_end(layer: _Layer, step: Step) -> _Layer:
    line, length = layer.bead.outline, layer.bead.outline.length_mm
    first, last = (step.s_mm, length) if step.end == "start" else (0.0, step.s_mm)
    if last - first < MIN_LENGTH_MM or first < -20 or last > length + 20:
        raise InvalidValue("s_mm", step.s_mm, said("allowed-an-end-at-most-20-mm", least=f"{MIN_LENGTH_MM:g}"))
    s = np.append(np.arange(first, last - 1e-6, SAMPLE_MM), last)
    inside = np.clip(s, 0, length)
    along = np.gradient(line.centre_mm, line.s_mm, axis=0)
    centre, heading = (
        np.stack([np.interp(inside, line.s_mm, v[:, k]) for k in (0, 1)], -1) for v in (line.centre_mm, along)
    )
    left, right = (np.interp(inside, line.s_mm, n) for n in line.offsets_mm)
    outline = Outline.around(s - first, centre + (s - inside)[:, None] * heading, left, right)
    fronts = layer.fronts_mm - first
    return _Layer(
        replace(
            layer.bead,
            outline=outline,
            unsure_mm=tuple(
                (max(0.0, a - first), min(last - first, b - first))
                for a, b in layer.bead.unsure_mm
                if b > first and a < last
            ),
        ),
        tuple(_at(f, f.s_mm - first, f.n_mm) for f in layer.faults if first <= f.s_mm <= last),
        _tint_between(layer.tint, first, last),
        fronts[(fronts >= 0) & (fronts <= last - first)],
    )


def _at(fault: Defect, s_mm: float, n_mm: float) -> Defect:
    """The same fault, told from another start."""
    return fault.model_copy(update={"s_mm": rounded(s_mm, 2), "n_mm": n_mm})


def _tint_between(tint: TintFigures | None, first: float, last: float) -> TintFigures | None:
    if tint is None:
        return None
    places = np.clip(np.arange(math.ceil(last - first)) + round(first), 0, len(tint.along) - 1)
    return tint.model_copy(update={"along": [tint.along[k] for k in places]})


def _start_at_other_end(layer: _Layer, step: Step) -> _Layer:
    line, length = layer.bead.outline, layer.bead.outline.length_mm
    left, right = line.offsets_mm
    outline = Outline.around((length - line.s_mm)[::-1], line.centre_mm[::-1], -right[::-1], -left[::-1])
    tint = layer.tint
    if tint is not None:
        sides = Sides(left=tint.width_mm.right, right=tint.width_mm.left)
        tint = tint.model_copy(update={"along": tint.along[::-1], "width_mm": sides})
    return _Layer(
        replace(
            layer.bead,
            outline=outline,
            # The crescents stay where they are: what lay ahead now lies behind.
            ripple=layer.bead.ripple and replace(layer.bead.ripple, curve_mm=-layer.bead.ripple.curve_mm),
            unsure_mm=tuple((length - b, length - a) for a, b in reversed(layer.bead.unsure_mm)),
        ),
        tuple(_at(f, length - f.s_mm, -f.n_mm) for f in layer.faults),
        tint,
        (length - layer.fronts_mm)[::-1],
    )


def _add_fault(layer: _Layer, step: Step) -> _Layer:
    line, s = layer.bead.outline, _within(layer, step.s_mm)
    centre, across = (
        np.array([np.interp(s, line.s_mm, v[:, k]) for k in (0, 1)])
        for v in (line.centre_mm, across_of(line.centre_mm, line.s_mm))
    )
    x, y = centre + step.n_mm * across
    fault = Defect(
        kind=step.kind, s_mm=step.s_mm, n_mm=step.n_mm, size_mm=step.size_mm, x_mm=rounded(x, 2), y_mm=rounded(y, 2),
        confidence=1.0,
    )  # fmt: skip
    return replace(layer, faults=(*layer.faults, fault))


def _remove_fault(layer: _Layer, step: Step) -> _Layer:
    def away(fault: Defect) -> float:
        return math.hypot(fault.s_mm - step.s_mm, fault.n_mm - step.n_mm)

    of_kind = [f for f in layer.faults if f.kind == step.kind]
    nearest = min(of_kind, key=away, default=None)
    if nearest is None or away(nearest) > SAME_PLACE_MM:
        there = "; ".join(f"{f.kind} at {f.s_mm:g}, {f.n_mm:g}" for f in layer.faults) or "none"
        raise InvalidValue(
            "kind", f"{step.kind} at {step.s_mm:g}, {step.n_mm:g}", said("allowed-a-fault-that-is-there", there=there)
        )
    return replace(layer, faults=tuple(f for f in layer.faults if f is not nearest))


def _add_front(layer: _Layer, step: Step) -> _Layer:
    s = _within(layer, step.s_mm)
    if len(layer.fronts_mm) and np.abs(layer.fronts_mm - s).min() < 0.2:
        raise InvalidValue("s_mm", s, said("allowed-a-place-at-least-0-2"))
    return replace(layer, fronts_mm=np.sort(np.append(layer.fronts_mm, s)))


def _remove_front(layer: _Layer, step: Step) -> _Layer:
    s = _within(layer, step.s_mm)
    if not len(layer.fronts_mm) or np.abs(layer.fronts_mm - s).min() > SAME_PLACE_MM:
        raise InvalidValue("s_mm", s, said("allowed-a-place-within-mm-of-a", same_place_mm=f"{SAME_PLACE_MM:g}"))
    return replace(layer, fronts_mm=np.delete(layer.fronts_mm, int(np.abs(layer.fronts_mm - s).argmin())))


def _no_ripples(layer: _Layer, step: Step) -> _Layer:
    return replace(layer, fronts_mm=np.zeros(0))


def _within(layer: _Layer, s: float) -> float:
    length = layer.bead.outline.length_mm
    if not 0 <= s <= length:
        raise InvalidValue("s_mm", s, said("allowed-0-to-mm-the-length-of", length=f"{length:.1f}"))
    return s


_APPLY = {
    "move_toe": _move_toe,
    "move_end": _move_end,
    "start_at_other_end": _start_at_other_end,
    "add_fault": _add_fault,
    "remove_fault": _remove_fault,
    "add_front": _add_front,
    "remove_front": _remove_front,
    "no_ripples": _no_ripples,
}
