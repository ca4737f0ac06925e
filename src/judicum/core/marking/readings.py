"""Reading each criterion's figure off the evidence of one attempt."""

from collections import Counter
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from judicum.core.acceptance import GREY_SHARE
from judicum.core.choices import FINISH_LEVEL
from judicum.core.marking.findings import asked_for
from judicum.core.photo.fault_kinds import FAULT_KINDS, PINHOLE_COST
from judicum.core.photo.film import GREY_LEVEL
from judicum.core.photo.report import Defect, Report
from judicum.core.setup import Checked
from judicum.core.setup.coupon import Coupon

OFF_CARD_COST = 2.0
"""Points of ten for each figure off the card."""
STOP_COST = 3.0
"""Points of ten for each warning that stops."""
NARROWEST_SIDE_MM = 0.5
"""Of a zone whose sides are compared."""
END_MM = 8.0
"""mm from a tip: a fault nearer than this belongs to it."""
RESTART_MM = 5.0
"""mm from a restart: a fault nearer than this belongs to it."""
THROAT_SHARE = 0.7
"""Throat of an equal-legged flat fillet over its leg (1/√2, rounded as workshops do)."""


@dataclass(frozen=True)
class Evidence:
    """All that a mark can stand on: the measurement that counts, the coupon and what was asked, the log, findings by hand.

    `prepared` are the steps ticked of those `wanted`; `time_limit_s` the scheme's.
    """

    report: Report
    coupon: Coupon
    finish: str
    target_width_mm: float | None
    length_mm: float | None = None
    checked: Checked | None = None
    prepared: tuple[int, int] | None = None
    restarts_mm: tuple[float, ...] = ()
    by_hand: Mapping[str, Any] = field(default_factory=dict)
    time_limit_s: float | None = None


@dataclass(frozen=True)
class Reading:
    """A criterion's figure (or option), None where there is nothing to read it from, and how it came about.

    `applies` is False where the coupon, not the evidence, makes the line empty. `figures` by a key with its unit in the name.
    """

    figure: float | str | None
    reason: str
    figures: dict[str, float | None] = field(default_factory=dict)
    counts: dict[str, int] = field(default_factory=dict)
    off: tuple[str, ...] = ()
    applies: bool = True


NOTHING = Reading(None, "nothing_measured")
Reader = Callable[[Evidence], Reading]


def _width_evenness(e: Evidence) -> Reading:
    if e.report.bead is None:
        return NOTHING
    width = e.report.bead.width_mm
    return Reading(width.cv, "width_cv", {"width_cv": width.cv, "width_mean_mm": width.mean})


def _width_on_target(e: Evidence) -> Reading:
    if not e.target_width_mm:
        return Reading(None, "no_width_asked", applies=False)
    if e.report.bead is None:
        return NOTHING
    mean = e.report.bead.width_mm.mean
    figures: dict[str, float | None] = {"width_mean_mm": mean, "target_width_mm": e.target_width_mm}
    return Reading(abs(mean - e.target_width_mm) / e.target_width_mm, "width_on_target", figures)


def _width_drift(e: Evidence) -> Reading:
    profile = e.report.profile
    if e.report.bead is None or profile is None or len(profile.s_mm) < 8:
        return NOTHING
    s, width = np.asarray(profile.s_mm, float), np.asarray(profile.width_mm, float)
    grown = float(np.polyfit(s, width, 1)[0] * (s[-1] - s[0]) / width.mean())
    return Reading(abs(grown), "width_drift", {"drift_share": grown})


def _ripple_evenness(e: Evidence) -> Reading:
    ripple = e.report.ripple
    if e.report.bead is None:
        return NOTHING
    if ripple is None or ripple.cv is None:
        return Reading(None, "no_ripples_to_judge", applies=False)
    figures = {"pitch_cv": ripple.cv, "pitch_mm": ripple.pitch_mm, "lapses": float(len(ripple.lapses_mm))}
    return Reading(ripple.cv, "pitch_cv", dict(figures))


def _straight_toes(e: Evidence) -> Reading:
    if e.report.bead is None:
        return NOTHING
    waviness = e.report.bead.toe_waviness_mm
    worse = max(waviness.left, waviness.right) / e.report.bead.width_mm.mean
    return Reading(worse, "toe_waviness", {"left_mm": waviness.left, "right_mm": waviness.right})


def _tint(e: Evidence) -> Reading:
    tint = e.report.tint
    if not e.coupon.metal.tints:
        return Reading(None, "metal_without_tint", applies=False)
    if tint is None:
        return NOTHING
    level, most = tint.bead.level, FINISH_LEVEL[e.finish]
    figures: dict[str, float | None] = {"bead_level": level, "accepted_level": most}
    if sugar := [f.size_mm for f in e.report.defects or [] if FAULT_KINDS[f.kind].rejects]:
        return Reading(float(GREY_LEVEL), "sugar_is_a_reject", figures | {"length_mm": round(sum(sugar), 1)})
    if is_grey(e.report):
        return Reading(float(GREY_LEVEL), "grey_is_a_reject", figures | {"grey_share": tint.share.get("grey", 0.0)})
    return Reading(float(max(0, level - most)), "within_finish" if level <= most else "darker_than_finish", figures)


def is_grey(report: Report) -> bool:
    """Whether the bead is grey, or more of it than is let pass."""
    tint = report.tint
    return tint is not None and (tint.bead.level >= GREY_LEVEL or tint.share.get("grey", 0.0) > GREY_SHARE)


def _tint_zone(e: Evidence) -> Reading:
    tint, bead = e.report.tint, e.report.bead
    if not e.coupon.metal.tints:
        return Reading(None, "metal_without_tint", applies=False)
    if tint is None or bead is None:
        return NOTHING
    mean = (tint.width_mm.left + tint.width_mm.right) / 2
    figures: dict[str, float | None] = {
        "haz_level": tint.haz.level,
        "left_mm": tint.width_mm.left,
        "right_mm": tint.width_mm.right,
    }
    return Reading(mean / bead.width_mm.mean, "tint_zone", figures)


def _tint_sides(e: Evidence) -> Reading:
    tint = e.report.tint
    if not e.coupon.metal.tints:
        return Reading(None, "metal_without_tint", applies=False)
    if tint is None:
        return NOTHING
    left, right = tint.width_mm.left, tint.width_mm.right
    ratio = max(left, right, NARROWEST_SIDE_MM) / max(min(left, right), NARROWEST_SIDE_MM)
    return Reading(ratio, "tint_sides", {"left_mm": left, "right_mm": right})


def cost_of(faults: list[Defect]) -> float:
    """What faults take off, points of ten."""
    return float(sum(FAULT_KINDS[f.kind].cost + PINHOLE_COST * bool(f.pinhole) for f in faults))


def _faults(e: Evidence) -> Reading:
    if e.report.bead is None:
        return NOTHING
    faults = e.report.defects or []
    cost = cost_of(faults)
    return Reading(cost, "faults" if faults else "no_faults", {"cost": cost}, dict(Counter(f.kind for f in faults)))


def _ends(e: Evidence) -> Reading:
    bead = e.report.bead
    if bead is None:
        return NOTHING
    places = [0.0, bead.length_mm, *e.restarts_mm]
    reach = [END_MM, END_MM, *(RESTART_MM for _ in e.restarts_mm)]
    near = [
        f for f in e.report.defects or []
        if any(abs(f.s_mm - at) <= far + f.size_mm / 2 for at, far in zip(places, reach, strict=True))
    ]  # fmt: skip
    return Reading(cost_of(near), "ends" if near else "ends_clean", {}, dict(Counter(f.kind for f in near)))


def _length_welded(e: Evidence) -> Reading:
    if not e.length_mm:
        return Reading(None, "no_length_asked", applies=False)
    if e.report.bead is None:
        return NOTHING
    welded = e.report.bead.length_mm
    return Reading(welded / e.length_mm, "length_welded", {"length_mm": welded, "asked_mm": e.length_mm})


def _setup_followed(e: Evidence) -> Reading:
    """Points off for what lies off the card, and for each warning that stops."""
    if e.checked is None:
        return Reading(None, "not_logged")
    outside = {d.key: d.outside for d in e.checked.deviations}
    stops = tuple(w.code for w in e.checked.warnings if w.severity == "stop")
    off = (*outside, *stops)
    points = OFF_CARD_COST * len(outside) + STOP_COST * len(stops)
    return Reading(points, "off_the_card" if off else "as_the_card", dict(outside), off=off)


def _preparation(e: Evidence) -> Reading:
    if e.prepared is None or not e.prepared[1]:
        return Reading(None, "no_list_kept", applies=False)
    done, wanted = e.prepared
    return Reading(done / wanted, "prepared", {"done": float(done), "wanted": float(wanted)})


def _hand(*keys: str) -> Callable[[Callable[[Evidence], Reading]], Reader]:
    """A reading that needs findings by hand: it does not apply where the coupon does not call for them."""

    def wrap(read: Callable[[Evidence], Reading]) -> Reader:
        def reader(e: Evidence) -> Reading:
            if not set(keys) <= set(asked_for(e.coupon)):
                return Reading(None, "not_asked_of_this_coupon", applies=False)
            if any(e.by_hand.get(key) is None for key in keys):
                return Reading(None, "to_be_found_by_hand")
            return read(e)

        return reader

    return wrap


def _legs(e: Evidence) -> tuple[float, float]:
    return float(e.by_hand["leg_upper_mm"]), float(e.by_hand["leg_lower_mm"])


@_hand("leg_upper_mm", "leg_lower_mm")
def _legs_equal(e: Evidence) -> Reading:
    upper, lower = _legs(e)
    ratio = max(upper, lower) / max(min(upper, lower), 0.1)
    return Reading(ratio, "legs", {"upper_mm": upper, "lower_mm": lower})


@_hand("leg_upper_mm", "leg_lower_mm")
def _leg_size(e: Evidence) -> Reading:
    asked = e.coupon.leg_mm
    if not asked:
        return Reading(None, "no_leg_asked", applies=False)
    mean = sum(_legs(e)) / 2
    return Reading(abs(mean - asked) / asked, "leg_size", {"leg_mm": mean, "asked_mm": asked})


@_hand("throat_mm", "leg_upper_mm", "leg_lower_mm")
def _throat(e: Evidence) -> Reading:
    throat, shorter = float(e.by_hand["throat_mm"]), min(_legs(e))
    return Reading(throat / max(THROAT_SHARE * shorter, 0.1), "throat", {"throat_mm": throat, "leg_mm": shorter})


@_hand("face")
def _face(e: Evidence) -> Reading:
    return Reading(e.by_hand["face"], "found_by_hand")


@_hand("back")
def _back(e: Evidence) -> Reading:
    return Reading(e.by_hand["back"], "found_by_hand")


@_hand("bend")
def _bend(e: Evidence) -> Reading:
    return Reading(e.by_hand["bend"], "found_by_hand")


@_hand("distortion_mm")
def _distortion(e: Evidence) -> Reading:
    lift = float(e.by_hand["distortion_mm"])
    return Reading(lift, "distortion", {"lift_mm": lift})


@_hand("distortion_deg")
def _turned(e: Evidence) -> Reading:
    turned = float(e.by_hand["distortion_deg"])
    return Reading(turned, "turned", {"turned_deg": turned})


@_hand("time_taken_s")
def _time_taken(e: Evidence) -> Reading:
    if not e.time_limit_s:
        return Reading(None, "no_time_allowed", applies=False)
    taken = float(e.by_hand["time_taken_s"])
    return Reading(taken / e.time_limit_s, "time_taken", {"taken_s": taken, "allowed_s": e.time_limit_s})


READERS: dict[str, Reader] = {
    "width_evenness": _width_evenness,
    "width_on_target": _width_on_target,
    "width_drift": _width_drift,
    "ripple_evenness": _ripple_evenness,
    "straight_toes": _straight_toes,
    "tint": _tint,
    "tint_zone": _tint_zone,
    "tint_sides": _tint_sides,
    "faults": _faults,
    "ends": _ends,
    "length_welded": _length_welded,
    "setup_followed": _setup_followed,
    "preparation": _preparation,
    "legs_equal": _legs_equal,
    "leg_size": _leg_size,
    "throat": _throat,
    "face": _face,
    "back": _back,
    "distortion": _distortion,
    "turned": _turned,
    "bend": _bend,
    "time_taken": _time_taken,
}
"""`overall` is read from the other lines' scores (`score.suggest`)."""


def read_all(evidence: Evidence) -> dict[str, Reading]:
    """Every criterion's reading, whichever a scheme asks for: a mark keeps them all, so that another scheme can be tried on it."""
    return {key: read(evidence) for key, read in READERS.items()}


def knocked_out(evidence: Evidence) -> tuple[str, ...]:
    """Which of `criteria.KNOCK_OUTS` the evidence holds, whichever a scheme minds."""
    found = {f.kind for f in evidence.report.defects or []}
    if is_grey(evidence.report):
        found.add("grey")
    hand = evidence.by_hand
    if hand.get("back") in ("sugared", "not_through"):
        found.add(f"back_{hand['back']}")
    if hand.get("bend") == "broke":
        found.add("bend_broke")
    taken, limit = hand.get("time_taken_s"), evidence.time_limit_s
    if taken and limit and taken > limit:
        found.add("not_in_time")
    return tuple(sorted(found))
