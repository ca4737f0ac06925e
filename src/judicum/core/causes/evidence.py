"""Evidence: each test of the table looks at one attempt and says how strongly it holds, with the figures behind it."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field

import numpy as np

from judicum.core.causes.case import Case
from judicum.core.causes.symptoms import SYMPTOM, Symptom, period_of, wavy_share
from judicum.core.heat import arc_volts, heat_per_length_kj_mm
from judicum.core.photo.film import GREY_LEVEL
from judicum.core.setup.gas import wants_purge
from judicum.core.setup.record import Used

EDGE = 0.4
"""A figure just inside of its range speaks with so much of its weight against a setting that is off."""
END = 0.25
"""The same at the end in question."""
NEAR = 0.08
"""A figure this share of its limit outside still counts as in its range: gauges, timers and memory are no better."""
FAR = 0.35
"""A figure this share of its limit outside speaks with its whole weight and half as much again…"""
FAR_FROM_AIM = 1.5
"""…and so does one this many times as far from the aim as its limit is: where a range is wide its limits are hardly known, and a current
of half as much again as the card's stands only an eighth outside."""
EVIDENCE_LOW = 0.3
EVIDENCE_HIGH = 1.5
"""One that is just outside speaks with little."""
LONG_RUN_MM = 60.0
"""mm: a run longer than this heats a coupon through."""
SHORT_RUN_MM = 30.0
"""mm: a shorter one does not."""
FAST_PULSES = 10.0
"""Pulses a second above which a fused look says little of the depth."""
FEW_DABS_SHARE = 1.35
"""Dab pitch over the card's longest, from which the seam was fed too little."""
MIN_WAIT_S = 20.0
"""Purging shorter than this has not changed the air of a short tube ten times."""


CLEAN_START_MM = 10.0
"""mm from the start: what is clean for longer is no matter of how the arc was started."""
PAST_COVER = 1.2
"""Over the card's longest run, from which the bead's end leaves the gas while it is hot."""
MIN_COOLED_S = 60.0
"""s between two runs under which a coupon is surely not hand-warm."""
HIGH_HEAT = 1.6
"""Over the card's heat per length, from which the metal passed what it should have, however clean it looks."""


@dataclass(frozen=True)
class EvidenceFound:
    """One piece of evidence that holds: strength (about 0 to 1.5) and how it is told."""

    what: str
    strength: float
    figures: dict[str, float] = field(default_factory=dict)
    value: str | None = None


def _outside(case: Case, key: str, sides: str) -> EvidenceFound | None:
    """A figure outside of its range in any run; the furthest counts."""
    worst: EvidenceFound | None = None
    for value, low, high in case.figures(key):
        limit = low if value < low and "below" in sides else high if value > high and "above" in sides else value
        share = abs(value - limit) / max(abs(limit), 1e-6)
        if share <= NEAR:
            continue
        strength = _growing(share, NEAR, FAR)
        aim = case.cards_aim(key)
        if aim is not None and aim != limit:
            strength = max(strength, _growing((value - aim) / (limit - aim), 1.0, FAR_FROM_AIM))
        if worst is None or strength > worst.strength:
            worst = EvidenceFound(key, round(strength, 3), {"used": round(value, 3), "low": low, "high": high})
    return worst


def _growing(value: float, near: float, far: float) -> float:
    return float(np.interp(value, [near, far], [EVIDENCE_LOW, EVIDENCE_HIGH]))


def _within(case: Case, key: str, end: str = "") -> EvidenceFound | None:
    """All of a figure in its range; near its edge (where one is named: near that `end` of it) it says little, and copied off the card nothing."""
    found = case.figures(key)
    if (
        key in case.copied
        or not found
        or not all(low * (1 - NEAR) <= value <= high * (1 + NEAR) for value, low, high in found)
    ):
        return None
    value, low, high = found[0]
    aim = case.cards_aim(key)
    if end and aim is not None and low < aim < high:
        limit = low if end == "low" else high
        strength = min(1.0, END + (1 - END) * (value - limit) / (aim - limit))
    else:
        strength = min(1.0, EDGE + max(0.0, min(value - low, high - value) / max((high - low) / 2, 1e-6)))
    if strength <= 0:
        return None
    return EvidenceFound(key, round(strength, 3), {"used": round(value, 3), "low": low, "high": high})


def _skipped(case: Case, step: str) -> EvidenceFound | None:
    return EvidenceFound(step, 1.0, value="skipped") if case.skipped is not None and step in case.skipped else None


def _ticked(case: Case, step: str) -> EvidenceFound | None:
    return EvidenceFound(step, 1.0, value="done") if case.skipped is not None and step not in case.skipped else None


def _observed(case: Case, key: str, value: str) -> EvidenceFound | None:
    held = case.looks.get(key)
    held_text = str(held).lower() if isinstance(held, bool) else held
    return EvidenceFound(key, 1.0, value=value) if held_text == value else None


def _yes(true: object, what: str, **figures: float) -> EvidenceFound | None:
    return EvidenceFound(what, 1.0, figures) if true else None


def _purge(case: Case, how: str) -> EvidenceFound | None:
    flows = [run.purge_l_min for run in case.runs]
    on = any(flow for flow in flows if flow) or (case.coupon.purge is True and not any(flow == 0 for flow in flows))
    if how == "used":
        return _yes(on, "purge")
    off = (
        any(flow == 0 for flow in flows)
        or case.coupon.purge is False
        or (not on and wants_purge(case.coupon))
        or not on
    )
    return _yes(off and not on, "no_purge")


def _few_dabs(case: Case) -> EvidenceFound | None:
    if (far := _outside(case, "dab_pitch_mm", "above")) is not None:
        return far
    if (slow := _outside(case, "dabs_per_s", "below")) is not None:
        return slow
    pitch, length = case.card.dab_pitch_mm, case.length_mm
    dabs = [run.dabs for run in case.runs]
    known = [d for d in dabs if d]
    if pitch and length and known and len(known) == len(dabs):
        mean = length / sum(known)
        return _yes(mean > FEW_DABS_SHARE * pitch.high, "dabs", used=round(mean, 2), high=pitch.high)
    ripple = case.report.ripple if case.report else None
    if pitch and ripple:
        return _yes(ripple.pitch_mm > FEW_DABS_SHARE * pitch.high, "pitch_mm", used=ripple.pitch_mm, high=pitch.high)
    return None


def _width_periodic(case: Case) -> EvidenceFound | None:
    profile = case.report.profile if case.report else None
    if profile is None or len(profile.width_mm) < 20:
        return None
    return _yes(period_of(np.asarray(profile.width_mm, float)) is not None, "width_periodic")


def _no_period(case: Case, seen: Sequence[Symptom]) -> EvidenceFound | None:
    ripple = case.report.ripple if case.report else None
    known = ripple is not None and len(ripple.positions_mm) > 12
    return _yes(known and not any(s.code == "ripples_periodic" for s in seen), "no_period")


def _straight_toes(case: Case) -> EvidenceFound | None:
    bead = case.report.bead if case.report else None
    if bead is None:
        return None
    share = wavy_share(bead)
    return _yes(share < SYMPTOM.wavy_share, "straight_toes", share=round(share, 3))


def _one_sided(seen: Sequence[Symptom], one: bool) -> EvidenceFound | None:
    sides = {
        str(s.figures["side"])
        for s in seen
        if s.code in ("undercut", "tint_lopsided", "legs_unequal") and "side" in s.figures
    }
    if not sides:
        return None
    return _yes(("both" in sides) != one, "one_side" if one else "both_sides")


def _only_at_start(seen: Sequence[Symptom], code: str) -> EvidenceFound | None:
    mine = [s for s in seen if s.code == code]
    held = mine and all(s.to_mm is not None and s.to_mm <= 1.5 * SYMPTOM.start_mm for s in mine)
    return _yes(held, f"{code}_at_start")


def _one_spot(seen: Sequence[Symptom]) -> EvidenceFound | None:
    spots = [s for s in seen if s.code in ("burn_through", "bulge")]
    return _yes(spots and all(s.figures.get("count", 1) == 1 for s in spots), "one_spot")


def _grey_later(case: Case) -> EvidenceFound | None:
    """A start that stayed clean for longer than a start takes, and grey from somewhere on to the end."""
    tint, length = case.report.tint if case.report else None, case.length_mm
    if tint is None or not tint.along or not length:
        return None
    grey = np.asarray(tint.along) >= GREY_LEVEL
    clean_mm = float(np.argmax(grey)) * length / len(grey)
    return _yes(grey[-1] and clean_mm > CLEAN_START_MM, "grey_later")


def _wait_short(case: Case) -> EvidenceFound | None:
    waits = [run.purge_wait_s for run in case.runs if run.purge_wait_s is not None]
    return _yes(waits and min(waits) < MIN_WAIT_S, "purge_wait_s", used=min(waits, default=0.0), low=MIN_WAIT_S)


def _fast_pulse(case: Case) -> EvidenceFound | None:
    pulses = [p for p in (*(run.pulse for run in case.runs), case.coupon.pulse) if p is not None]
    rates = [float(p.per_second) for p in pulses if p.per_second]
    return _yes(rates and max(rates) > FAST_PULSES, "per_second", used=max(rates, default=0.0), high=FAST_PULSES)


def _all_within(case: Case) -> EvidenceFound | None:
    keys = ("gas_l_min", "stickout_mm", "postflow_s", "preflow_s")
    known = [key for key in keys if case.figures(key)]
    return _yes(len(known) >= 2 and all(_within(case, key) for key in known), "settings_in_range")


def _logged(case: Case, key: str, value: str) -> EvidenceFound | None:
    held = [getattr(run, key) for run in case.runs if getattr(run, key) is not None]
    return EvidenceFound(key, 1.0, value=value) if value in held else None


def _past_cover(case: Case) -> EvidenceFound | None:
    """Runs round a tube longer than what the cup covers."""
    reach = case.card.cover.longest_run_mm if case.card.cover else None
    if reach is None or not case.length_mm:
        return None
    run_mm = case.length_mm / max(len(case.runs), len(case.restarts_mm) + 1)
    return _yes(run_mm > PAST_COVER * reach, "run_length", used=round(run_mm, 1), high=reach)


def _cooled_little(case: Case) -> EvidenceFound | None:
    waits = [run.cooled_s for run in case.runs if run.cooled_s is not None]
    return _yes(waits and min(waits) < MIN_COOLED_S, "cooled_s", used=min(waits, default=0.0), low=MIN_COOLED_S)


def _few_tacks(case: Case) -> EvidenceFound | None:
    asked = case.card.tacks.count if case.card.tacks else 0
    made = [run.tacks for run in case.runs if run.tacks is not None]
    return _yes(made and max(made) < asked, "tacks", used=max(made, default=0), low=asked)


def _heat_high(case: Case) -> EvidenceFound | None:
    """Heat per length from the logged amps and the real travel, whatever the colour says."""
    amps = [run.current_a for run in case.runs if run.current_a is not None]
    travel = case.figures("travel_mm_s")
    if not amps or not travel:
        return None
    heat = max(heat_per_length_kj_mm(arc_volts(a), a, travel[0][0]) for a in amps)
    asked = case.card.heat_kj_mm.arc
    return _yes(heat > HIGH_HEAT * asked, "heat_kj_mm", used=round(heat, 3), high=round(HIGH_HEAT * asked, 3))


def _runs(case: Case) -> Sequence[Used]:
    """What was set, or one run of which nothing was noted."""
    return case.runs or (Used(),)


Test = Callable[..., EvidenceFound | None]
TESTS: dict[str, Test] = {
    "below": lambda case, seen, key: _outside(case, key, "below"),
    "above": lambda case, seen, key: _outside(case, key, "above"),
    "outside": lambda case, seen, key: _outside(case, key, "below above"),
    "within": lambda case, seen, key: _within(case, key),
    "not_low": lambda case, seen, key: _within(case, key, "low"),
    "not_high": lambda case, seen, key: _within(case, key, "high"),
    "skipped": lambda case, seen, step: _skipped(case, step),
    "ticked": lambda case, seen, step: _ticked(case, step),
    "observed": lambda case, seen, key, value: _observed(case, key, value),
    "by_hand": lambda case, seen, key, value: _yes(case.by_hand.get(key) == value, key),
    "seen": lambda case, seen, code: _yes(any(s.code == code for s in seen), code),
    "both_seen": lambda case, seen, *codes: _yes(set(codes) <= {s.code for s in seen}, "together"),
    "collet_body": lambda case, seen: _yes(
        case.coupon.metal.oxidises
        and any((run.gas_part or case.coupon.gas_part) == "collet_body" for run in _runs(case)),
        "gas_part",
    ),
    "filler": lambda case, seen: _yes(case.card.filler is not None, "filler"),
    "fit_up": lambda case, seen: _yes(case.coupon.kind.fit_up, "joint"),
    "restarts": lambda case, seen: _yes(case.restarts_mm or len(case.runs) > 1, "restarts_mm"),
    "several_runs": lambda case, seen: _yes(len(case.runs) > 1, "runs"),
    "two_thicknesses": lambda case, seen: _yes(
        case.coupon.second_thickness_mm not in (None, case.coupon.thickness_mm), "second_thickness_mm"
    ),
    "all_within": lambda case, seen: _all_within(case),
    "full_pedal": lambda case, seen: _yes(case.coupon.pedal_school == "target", "pedal_school"),
    "ride_pedal": lambda case, seen: _yes(case.coupon.pedal_school == "ride", "pedal_school"),
    "long_run": lambda case, seen: _yes((case.length_mm or 0) / max(len(case.runs), 1) >= LONG_RUN_MM, "length_mm"),
    "short_run": lambda case, seen: _yes(
        case.length_mm and case.length_mm / max(len(case.runs), 1) < SHORT_RUN_MM, "length_mm"
    ),
    "few_dabs": lambda case, seen: _few_dabs(case),
    "one_sided": lambda case, seen: _one_sided(seen, True),
    "both_sides": lambda case, seen: _one_sided(seen, False),
    "width_periodic": lambda case, seen: _width_periodic(case),
    "no_period": lambda case, seen: _no_period(case, seen),
    "straight_toes": lambda case, seen: _straight_toes(case),
    "only_at_start": lambda case, seen, code: _only_at_start(seen, code),
    "grey_later": lambda case, seen: _grey_later(case),
    "one_spot": lambda case, seen: _one_spot(seen),
    "purge": lambda case, seen, how: _purge(case, how),
    "no_vent": lambda case, seen: _yes(any(run.purge_vent is False for run in case.runs), "purge_vent"),
    "wait_short": lambda case, seen: _wait_short(case),
    "fast_pulse": lambda case, seen: _fast_pulse(case),
    "logged": lambda case, seen, key, value: _logged(case, key, value),
    "past_cover": lambda case, seen: _past_cover(case),
    "thin_fillet": lambda case, seen: _yes(case.card.look_at_back, "thin_fillet"),
    "vertical": lambda case, seen: _yes(case.coupon.position == "vertical_up", "position"),
    "horizontal": lambda case, seen: _yes(case.coupon.position == "horizontal", "position"),
    "horizontal_wire": lambda case, seen: _yes(
        case.coupon.position == "horizontal" and case.card.filler is not None, "position"
    ),
    "out_of_position": lambda case, seen: _yes(case.coupon.position != "flat", "position"),
    "dull_before": lambda case, seen: _yes(case.dull_before, "dull_before"),
    "cooled_little": lambda case, seen: _cooled_little(case),
    "few_tacks": lambda case, seen: _few_tacks(case),
    "heat_high": lambda case, seen: _heat_high(case),
}
