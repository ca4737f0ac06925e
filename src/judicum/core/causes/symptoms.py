"""Symptoms: what is seen of an attempt, where along the bead and how strongly, read from its figures.

Bands are those of marking (`core.acceptance`) and of the setup card; where none is given the limits stand here.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import numpy as np

from judicum.core.acceptance import BANDS
from judicum.core.arrays import Flags, Floats
from judicum.core.causes.case import Case
from judicum.core.choices import FINISH_LEVEL
from judicum.core.photo.fault_kinds import hidden_by
from judicum.core.photo.film import GREY_LEVEL
from judicum.core.photo.report import BeadFigures, Defect, Profile, Report, RippleFigures, TintFigures

CODES = (
    "grey_all_along", "grey_at_start", "grey_at_end", "grey_in_patches", "tint_dark", "tint_lopsided", "tint_grows_along",
    "bead_wide", "bead_narrow", "width_uneven", "width_grows", "ripples_random", "ripples_periodic", "ripples_at_restarts",
    "toes_wavy", "undercut", "crater", "pinhole", "pores", "inclusions", "burn_through", "gap", "bulge_at_restart", "bulge",
    "sunken_face", "ropey_face", "legs_unequal", "back_sugared", "back_not_through", "back_hangs", "distorted",
    "electrode_dull", "rod_balled", "arc_wanders", "puddle_dances",
)  # fmt: skip


@dataclass(frozen=True)
class SymptomParameters:
    """From where on a measured figure is a symptom."""

    all_along: float = 0.6
    """Share of the length: from so much grey on it is grey all along."""
    end_share: float = 0.15
    """Share of the length from a tip within which a grey stretch must reach to belong to that end."""
    end_mm: float = 12.0
    """mm: that reach is never more."""
    min_grey_mm: float = 2.0
    """mm: a shorter grey stretch is one place of a ripple or a speck."""
    wavy_share: float = 0.07
    """RMS of a toe over the mean width (docs/causes.md)."""
    lopsided_ratio: float = 1.5
    """Wider over narrower side of the tinted zone."""
    min_side_mm: float = 0.5
    """mm: a zone with both sides under this is none to compare."""
    legs_ratio: float = 1.25
    """Longer over shorter leg of a fillet: what a gauge tells apart on legs of 4 mm."""
    distorted_mm: float = 2.0
    """mm out of flat over a coupon: what a straight edge shows without looking for it."""
    grows_levels: float = 1.5
    """Tint levels from the first to the last tenth, by the line through all of them."""
    grows_share: float = 0.12
    """Growth of the width over its length as a share of the mean."""
    grows_fit: float = 0.6
    """How well a line tells that growth (correlation)."""
    narrow_start_share: float = 0.85
    """Mean width of the first millimetres over the rest's."""
    wide_start_share: float = 1.25
    """Width of a place there over the rest's that is a bulge."""
    start_mm: float = 10.0
    """mm from the first tip that are the start."""
    tip_mm: float = 3.0
    """mm: round tips that are no width."""
    min_places: int = 8
    """Fewer places of a profile tell nothing of its course."""
    near_restart_mm: float = 5.0
    """mm: a lapse nearer to a restart than this is the restart's."""
    chance: float = 0.01
    """Of a period in gaps that have none: Fisher's test of the largest line of a periodogram (Fisher 1929)."""
    min_gaps: int = 10
    """Gaps between ripples under which no period is looked for: five lines of a periodogram."""


SYMPTOM = SymptomParameters()

OUTLINE = ("gap", "bulge", "burn_through")
"""Faults that make the outline of a bead: what toes and width do there is theirs."""


@dataclass(frozen=True)
class Symptom:
    """One symptom: how strong (0 to 1), where along the bead (mm, None: all of it, or nowhere on it), its figures."""

    code: str
    strength: float
    from_mm: float | None = None
    to_mm: float | None = None
    figures: dict[str, float | str] = field(default_factory=dict)


def symptoms_of(case: Case) -> list[Symptom]:
    """Every symptom of an attempt, strongest first."""
    found = [*_by_eye(case)]
    report = case.report
    if report is not None and report.bead is not None:
        found += [
            *_tint(case, report),
            *_width(case, report.bead, report.profile, report.defects or []),
            *_faults(case, report),
        ]
        found += [*_ripples(case, report.ripple), *_toes(report.bead, report.profile, report.defects or [])]
    return sorted(found, key=lambda seen: -seen.strength)


BY_HAND = {
    "sunken_face": "face", "ropey_face": "face", "back_sugared": "back", "back_not_through": "back", "back_hangs": "back",
    "legs_unequal": "leg_upper_mm", "distorted": "distortion_mm",
}  # fmt: skip
"""What a photo cannot show, and the finding by hand that says it."""
NOTICED = {"electrode_dull": "electrode_after", "rod_balled": "rod_end", "arc_wanders": "arc", "puddle_dances": "arc"}
"""What is noticed at the booth, and where that is written down."""


def could_see(case: Case) -> list[str]:
    """Codes of the symptoms that would have been seen if they were there: by photo, by hand, at the booth."""
    measured = case.report is not None and case.report.bead is not None
    return [
        code
        for code in CODES
        if (
            case.by_hand.get(BY_HAND[code]) is not None
            if code in BY_HAND
            else case.looks.get(NOTICED[code]) is not None
            if code in NOTICED
            else measured
        )
    ]


def _from(low: float, value: float, high: float) -> float:
    """Strength: 0.4 where a figure is just outside, 1 from `high` on."""
    return round(float(np.clip(0.4 + 0.6 * (value - low) / max(high - low, 1e-9), 0.4, 1.0)), 2)


def _by_eye(case: Case) -> Iterator[Symptom]:
    hand, looks = case.by_hand, case.looks
    if hand.get("face") in ("sunken", "ropey"):
        yield Symptom(f"{hand['face']}_face", 0.8)
    backs = {"sugared": "back_sugared", "not_through": "back_not_through", "hangs_through": "back_hangs"}
    if hand.get("back") in backs:
        yield Symptom(backs[hand["back"]], 0.9)
    upper, lower = hand.get("leg_upper_mm"), hand.get("leg_lower_mm")
    if upper and lower and (ratio := max(upper, lower) / min(upper, lower)) >= SYMPTOM.legs_ratio:
        figures = {"ratio": round(ratio, 2), "side": "upper" if upper > lower else "lower"}
        yield Symptom("legs_unequal", _from(SYMPTOM.legs_ratio, ratio, 2.0), figures=figures)
    bent = hand.get("distortion_mm")
    if bent is not None and bent >= SYMPTOM.distorted_mm:
        yield Symptom("distorted", _from(SYMPTOM.distorted_mm, bent, 6.0), figures={"distortion_mm": bent})
    if looks.get("electrode_after") == "dull":
        yield Symptom("electrode_dull", 0.7)
    if looks.get("rod_end") == "balled":
        yield Symptom("rod_balled", 0.7)
    arcs = {"wandering": "arc_wanders", "spiralling": "puddle_dances"}
    if looks.get("arc") in arcs:
        yield Symptom(arcs[looks["arc"]], 0.7)


def _tint(case: Case, report: Report) -> Iterator[Symptom]:
    tint, bead = report.tint, report.bead
    if tint is None or bead is None:
        return
    # Where only the whole is told, it is told of every millimetre.
    along = np.asarray(tint.along or [tint.bead.level] * max(1, round(bead.length_mm)), float)
    sugar = [(f.s_mm - f.size_mm / 2, f.s_mm + f.size_mm / 2) for f in report.defects or [] if f.kind == "sugaring"]
    places = (np.arange(len(along)) + 0.5) * bead.length_mm / max(len(along), 1)
    grey = along >= GREY_LEVEL
    for hole in (f for f in report.defects or [] if f.kind == "burn_through"):  # dark, and no grey metal
        grey &= np.abs(places - hole.s_mm) > hole.size_mm / 2 + 2.0
    for first, last in sugar:
        grey |= (places > first) & (places < last)
    yield from _grey(grey, places, bead.length_mm, tint)
    clean = along[~grey]
    level = float(np.median(clean)) if len(clean) else 0.0
    accepted = FINISH_LEVEL[case.coupon.finish]
    if level > accepted and level < GREY_LEVEL:
        yield Symptom(
            "tint_dark", _from(accepted + 1, level, accepted + 3), figures={"level": level, "accepted": accepted}
        )
    wide, narrow = max(tint.width_mm.left, tint.width_mm.right), min(tint.width_mm.left, tint.width_mm.right)
    if wide >= SYMPTOM.min_side_mm and wide >= SYMPTOM.lopsided_ratio * max(narrow, 0.1):
        side = "left" if tint.width_mm.left > tint.width_mm.right else "right"
        ratio = min(wide / max(narrow, 0.1), 10.0)
        yield Symptom(
            "tint_lopsided", _from(SYMPTOM.lopsided_ratio, ratio, 3.0), figures={"ratio": round(ratio, 2), "side": side}
        )
    if len(clean) >= 8 and np.ptp(clean) > 0:
        s = places[~grey] / bead.length_mm
        slope, fit = float(np.polyfit(s, clean, 1)[0]), float(np.corrcoef(s, clean)[0, 1])
        if slope >= SYMPTOM.grows_levels and fit >= 0.5:
            yield Symptom(
                "tint_grows_along",
                _from(SYMPTOM.grows_levels, slope, 4.0),
                0.0,
                bead.length_mm,
                {"levels": round(slope, 1)},
            )


def _grey(
    grey: "np.ndarray[tuple[int], np.dtype[np.bool_]]", places: Floats, length: float, tint: TintFigures
) -> Iterator[Symptom]:
    figures: dict[str, float | str] = {"level": GREY_LEVEL}
    if not len(grey):
        return
    if grey.mean() >= SYMPTOM.all_along:
        yield Symptom("grey_all_along", _from(SYMPTOM.all_along, float(grey.mean()), 1.0), 0.0, length, figures)
        return
    step, reach = length / len(grey), min(SYMPTOM.end_share * length, SYMPTOM.end_mm)
    edges = np.flatnonzero(np.diff(np.concatenate([[0], grey.astype(int), [0]])))
    patches = []
    for first, last in zip(edges[::2] * step, edges[1::2] * step, strict=True):
        if last - first < SYMPTOM.min_grey_mm:
            continue
        strength = _from(SYMPTOM.min_grey_mm, last - first, 12.0)
        if length - last <= reach / 2 and first > length / 2:
            yield Symptom("grey_at_end", strength, round(first, 1), round(last, 1), figures)
        elif first <= reach / 2 and last < length / 2:
            yield Symptom("grey_at_start", strength, round(first, 1), round(last, 1), figures)
        else:
            patches.append((first, last))
    if patches:
        total = sum(last - first for first, last in patches)
        yield Symptom(
            "grey_in_patches",
            _from(SYMPTOM.min_grey_mm, total, 20.0),
            round(patches[0][0], 1),
            round(patches[-1][1], 1),
            figures,
        )


def _width(case: Case, bead: BeadFigures, profile: Profile | None, faults: Sequence[Defect]) -> Iterator[Symptom]:
    width, band = bead.width_mm, case.card.bead.width_mm
    room = 2 * width.uncertainty if width.uncertainty < 0.3 * width.mean else 0.0
    if width.mean > band.high + room:
        figures: dict[str, float | str] = {"mean_mm": width.mean, "high_mm": band.high}
        yield Symptom("bead_wide", _from(1.0, width.mean / band.high, 1.4), figures=figures)
    elif width.mean < band.low - room:
        figures = {"mean_mm": width.mean, "low_mm": band.low}
        yield Symptom("bead_narrow", _from(1.0, band.low / width.mean, 1.4), figures=figures)
    cv = width.cv
    if profile is not None and len(profile.width_mm) >= SYMPTOM.min_places:
        s, w = np.asarray(profile.s_mm, float), np.asarray(profile.width_mm, float)
        start = start_of(s, w)
        if start == "wide" and not any(f.kind == "bulge" and f.s_mm < SYMPTOM.start_mm for f in faults):
            yield Symptom("bulge", 0.6, 0.0, SYMPTOM.start_mm, {"count": 1})
        elif start == "narrow" and width.mean >= band.low - room:
            mean = float(w[s < SYMPTOM.start_mm].mean())
            yield Symptom("bead_narrow", 0.6, 0.0, SYMPTOM.start_mm, {"mean_mm": round(mean, 2)})
        s, w, left_out = _steady(s, w, bead.length_mm, faults, start)
        line = np.polyfit(s, w, 1)
        grown = float(line[0] * (s[-1] - s[0]) / w.mean())
        fit = float(np.corrcoef(s, w)[0, 1]) if np.ptp(w) > 0 else 0.0
        if grown >= SYMPTOM.grows_share and fit >= SYMPTOM.grows_fit:
            yield Symptom(
                "width_grows", _from(SYMPTOM.grows_share, grown, 0.4), 0.0, bead.length_mm, {"share": round(grown, 2)}
            )
            cv = float((w - np.polyval(line, s)).std() / w.mean())
        elif left_out:
            cv = float(w.std() / w.mean())
    limit = BANDS["width_cv"]
    if cv > limit.accepted:
        yield Symptom("width_uneven", _from(limit.accepted, cv, limit.worst), figures={"cv": round(cv, 3)})


def start_of(s: Floats, width: Floats) -> str | None:
    """Whether the first millimetres are `wide` or `narrow` beside the rest; None where they are neither or cannot be told."""
    first, rest = width[s < SYMPTOM.start_mm], width[s >= SYMPTOM.start_mm]
    if len(first) < 3 or len(rest) < SYMPTOM.min_places:
        return None
    usual = _usual_at_start(s, width, first)
    if (first > max(SYMPTOM.wide_start_share * usual, usual + 3 * float(rest.std()))).sum() >= 2:
        return "wide"
    return "narrow" if first.mean() < SYMPTOM.narrow_start_share * usual else None


def _usual_at_start(s: Floats, width: Floats, first: Floats) -> float:
    """Width that the start would have by the rest: its median, or where the rest surely grows what its line says of the start."""
    later = s >= SYMPTOM.start_mm
    usual = float(np.median(width[later]))
    if np.ptp(width[later]) > 0 and float(np.corrcoef(s[later], width[later])[0, 1]) >= SYMPTOM.grows_fit:
        line = np.polyfit(s[later], width[later], 1)
        if line[0] > 0:
            usual = float(np.polyval(line, s[: len(first)].mean()))
    return usual


def _steady(
    s: Floats, width: Floats, length: float, faults: Sequence[Defect], start: str | None
) -> tuple[Floats, Floats, bool]:
    """Places and widths without the tips and without what is told of already: faults of the outline, a start unlike the rest.

    The last is whether any such thing was left out.
    """
    outline = [f for f in faults if f.kind in OUTLINE]
    clear = _clear_of(outline, s, 0.0, length)
    if start is not None:
        clear &= s >= SYMPTOM.start_mm
    if clear.sum() < SYMPTOM.min_places:
        return s, width, False
    return s[clear], width[clear], bool(outline) or start is not None


def _clear_of(faults: Sequence[Defect], s: Floats, first: float, last: float) -> Flags:
    """Which places lie off the tips of a bead from `first` to `last`, mm, and off these faults."""
    clear = (s > first + SYMPTOM.tip_mm) & (s < last - SYMPTOM.tip_mm)
    for fault in faults:
        clear &= np.abs(s - fault.s_mm) > fault.size_mm / 2 + 1.0
    return np.asarray(clear)


def wavy_share(bead: BeadFigures) -> float:
    """RMS of the worse toe over the mean width."""
    return max(bead.toe_waviness_mm.left, bead.toe_waviness_mm.right) / max(bead.width_mm.mean, 0.1)


def _toes(bead: BeadFigures, profile: Profile | None, faults: Sequence[Defect]) -> Iterator[Symptom]:
    wavy, limit = wavy_share(bead), SYMPTOM.wavy_share
    if any(f.kind in OUTLINE for f in faults):
        beside = _wavy_beside(profile, faults)
        wavy, limit = (wavy, 2.5 * limit) if beside is None else (beside / bead.width_mm.mean, limit)
    if wavy >= limit:
        yield Symptom("toes_wavy", _from(SYMPTOM.wavy_share, wavy, 0.2), figures={"share": round(wavy, 3)})


def _wavy_beside(profile: Profile | None, faults: Sequence[Defect]) -> float | None:
    """RMS of the worse toe about its own straight line, mm, where no fault makes the outline; None where too little is left."""
    if profile is None or len(profile.width_mm) < SYMPTOM.min_places or len(profile.centre_mm) != len(profile.width_mm):
        return None
    s, width = np.asarray(profile.s_mm, float), np.asarray(profile.width_mm, float)
    centre = np.asarray(profile.centre_mm, float)
    clear = _clear_of([f for f in faults if f.kind in OUTLINE], s, s[0], s[-1])
    if clear.sum() < SYMPTOM.min_places:
        return None
    normal = np.linalg.svd(centre - centre.mean(0), full_matrices=False)[2][1]
    across = (centre - centre.mean(0)) @ normal
    toes = (across[clear] + side * width[clear] / 2 for side in (-1, 1))
    return max(float((toe - np.polyval(np.polyfit(s[clear], toe, 1), s[clear])).std()) for toe in toes)


def _ripples(case: Case, ripple: RippleFigures | None) -> Iterator[Symptom]:
    band = BANDS["pitch_cv"]
    if ripple is None or ripple.cv is None:
        return
    if len(ripple.positions_mm) < 4:
        if ripple.cv > band.accepted:
            yield Symptom("ripples_random", _from(band.accepted, ripple.cv, band.worst), figures={"cv": ripple.cv})
        return
    at = np.asarray(ripple.positions_mm, float)
    gaps, middle = np.diff(at), (at[1:] + at[:-1]) / 2
    shown = np.ones(len(gaps), bool)
    # What hides ripples makes no gap between them.
    for first, last in hidden_by((case.report.defects if case.report else None) or []):
        shown &= (at[1:] < first) | (at[:-1] > last)
    if shown.sum() >= 3:
        gaps, middle = gaps[shown], middle[shown]
    cv = float(gaps.std() / max(gaps.mean(), 1e-6))
    # Where nothing is hidden the figure that was told counts too: it knows of lapses.
    uneven = cv if len(gaps) < len(at) - 1 else max(cv, ripple.cv)
    figures: dict[str, float | str] = {"cv": round(uneven, 3)}
    calm = np.ones(len(gaps), bool)
    for place in case.restarts_mm:
        calm &= np.abs(middle - place) > SYMPTOM.near_restart_mm
    away = gaps[calm]
    rest = float(away.std() / max(away.mean(), 1e-6)) if len(away) >= 4 else cv
    strength = _from(band.accepted, uneven, band.worst)
    if uneven <= band.accepted:
        return
    if case.restarts_mm and rest <= min(band.accepted, 0.75 * cv):
        yield Symptom("ripples_at_restarts", strength, figures=figures)
        return
    period = period_of(away if len(away) >= SYMPTOM.min_gaps else gaps)
    if period is not None:
        yield Symptom("ripples_periodic", strength, figures={**figures, "gaps": round(period, 1)})
    else:
        yield Symptom("ripples_random", strength, figures=figures)


def period_of(values: Floats) -> float | None:
    """How many of a row of values make a period that chance does not, None where there is none.

    The largest line of the periodogram against all of them (Fisher, R. A. 1929: Tests of significance in harmonic
    analysis): p = m (1 − g)^(m−1), its first term, for the largest of m lines with a share g. A line of under two and a half
    values is an alternation, one of the whole row a drift.

    >>> period_of(np.tile([2.0, 2.0, 2.6], 8))
    3.0
    """
    if len(values) < SYMPTOM.min_gaps:
        return None
    steps = np.arange(len(values))
    flat = values - np.polyval(np.polyfit(steps, values, 1), steps)
    power = np.abs(np.fft.rfft(flat))[1:] ** 2
    if power.sum() <= 0:
        return None
    lines, k = len(power), int(np.argmax(power))
    share = float(power[k] / power.sum())
    chance = min(1.0, lines * (1 - share) ** (lines - 1))
    period = len(values) / (k + 1)
    return period if chance < SYMPTOM.chance and 2.5 <= period <= len(values) / 1.9 else None


def _faults(case: Case, report: Report) -> Iterator[Symptom]:
    kinds = {"undercut": "undercut", "crater": "crater", "pore": "pores", "inclusion": "inclusions", "burn_through": "burn_through", "gap": "gap"}  # fmt: skip
    faults = report.defects or []
    for kind, code in kinds.items():
        mine = [f for f in faults if f.kind == kind]
        if not mine:
            continue
        first, last = min(f.s_mm - f.size_mm / 2 for f in mine), max(f.s_mm + f.size_mm / 2 for f in mine)
        figures: dict[str, float | str] = {"count": len(mine), "size_mm": max(f.size_mm for f in mine)}
        if kind == "undercut":
            sides = {"left" if f.n_mm < 0 else "right" for f in mine}
            figures["side"] = sides.pop() if len(sides) == 1 else "both"
        sure = max(f.confidence for f in mine)
        strength = round(min(1.0, 0.35 + 0.45 * sure + 0.1 * (len(mine) - 1)), 2)
        yield Symptom(code, strength, round(max(first, 0.0), 1), round(last, 1), figures)
    holes = [f for f in faults if f.kind == "crater" and f.pinhole]
    if holes:
        yield Symptom("pinhole", 0.7, round(holes[0].s_mm, 1), round(holes[-1].s_mm, 1))
    for near, code in ((True, "bulge_at_restart"), (False, "bulge")):
        mine = [f for f in faults if f.kind == "bulge" and _near_restart(case, f.s_mm, f.size_mm) == near]
        if mine:
            yield Symptom(
                code,
                0.6,
                round(mine[0].s_mm - mine[0].size_mm / 2, 1),
                round(mine[-1].s_mm + mine[-1].size_mm / 2, 1),
                {"count": len(mine)},
            )


def _near_restart(case: Case, s_mm: float, size_mm: float) -> bool:
    return any(abs(s_mm - place) <= SYMPTOM.near_restart_mm + size_mm / 2 for place in case.restarts_mm)
