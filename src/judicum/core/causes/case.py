"""One attempt as causes are looked for in it: read and checked from JSON values."""

from collections.abc import Mapping
from contextlib import suppress
from dataclasses import dataclass, field, replace
from math import inf
from typing import Any

from pydantic import ValidationError

from judicum.core.causes.copied import copied_keys
from judicum.core.causes.table import CAUSES
from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, InvalidValues, one_of, said, some_of
from judicum.core.photo.report import Report
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.card import card_of
from judicum.core.setup.check import flow_of, ranges, read_used
from judicum.core.setup.coupon import Coupon, read_coupon
from judicum.core.setup.record import Card, Used
from judicum.core.setup.travel import real_travel_mm_s

KEYS = ("coupon", "runs", "skipped", "looks", "by_hand", "measurement", "earlier", "confirmed_in_course")
SKIPPABLE = (
    "blank_abraded", "blank_wiped", "rod_wiped", "own_brush", "electrode_ground", "cup_clean", "fit_up", "fit_up_tight",
    "tacked", "purge_waited", "practised_on_scrap",
)  # fmt: skip
CHOSEN = {key: CHOICES[key].codes for key in ("electrode_after", "rod_end", "arc", "face", "back")}
LOOKS = ("electrode_after", "rod_end", "arc", "puff_at_start", "draught", "part_hot", "current_swings", "restarts_mm")
BY_HAND = {key: QUANTITIES[key].high for key in ("leg_upper_mm", "leg_lower_mm", "distortion_mm")}
"""Figures found by hand and the most that makes sense, mm."""
MAX_RESTART_MM = 2000.0
NO_TINT = {"level": 0, "name": "silver"}
REST: dict[str, dict[str, Any]] = {
    "profile": {"s_mm": [], "width_mm": [], "centre_mm": []},
    "ripple": {"count": 0, "pitch_mm": 0.0, "cv": None, "positions_mm": [], "lapses_mm": []},
    "tint": {"bead": NO_TINT, "haz": NO_TINT, "width_mm": {"left": 0.0, "right": 0.0}, "along": [], "share": {}},
}
FAULT = {"n_mm": 0.0, "x_mm": 0.0, "y_mm": 0.0, "size_mm": 1.0, "confidence": 0.8}
"""What parts of a measurement are where they are left out: nothing seen."""


MAX_EARLIER = 6
"""Attempts back that still say something."""


@dataclass(frozen=True)
class Earlier:
    """An attempt before: as a case, where it was told whole, and the cause that was confirmed."""

    case: "Case | None"
    confirmed: str | None


@dataclass(frozen=True)
class Case:
    """One attempt: `runs` as they were set (core.setup), `bands` the range of each figure for each of them."""

    coupon: Coupon
    card: Card
    runs: tuple[Used, ...] = ()
    bands: tuple[dict[str, tuple[float, float]], ...] = ()
    skipped: frozenset[str] | None = None
    looks: dict[str, Any] = field(default_factory=dict)
    by_hand: dict[str, Any] = field(default_factory=dict)
    report: Report | None = None
    copied: frozenset[str] = frozenset()
    """Keys of figures that say nothing: they equal the card, and so does nearly all of the log."""
    confirmed: tuple[str, ...] = ()
    earlier: tuple[Earlier, ...] = ()
    usual: dict[str, int] = field(default_factory=dict)
    rejected: dict[str, int] = field(default_factory=dict)
    """How often the course's instructors took each cause, and how often they set one aside."""
    ruled_out: Mapping[str, frozenset[str]] = field(default_factory=dict)
    """What spoke for each cause when somebody ruled it out of this attempt; empty where nobody wrote that down."""
    dull_before: bool = False
    """Whether the last attempt left the tungsten dull."""

    @property
    def length_mm(self) -> float | None:
        return self.report.bead.length_mm if self.report and self.report.bead else None

    @property
    def restarts_mm(self) -> list[float]:
        return [
            *(self.looks.get("restarts_mm") or []),
            *(at for run in self.runs for at in run.restarts_mm),
        ]

    def figures(self, key: str) -> list[tuple[float, float, float]]:
        """What was set of a key, with its low and high, for every run that tells it; real travel outweighs a typed one."""
        if key == "travel_mm_s" and self.runs:
            real = real_travel_mm_s(self.length_mm, [run.arc_s for run in self.runs])
            if real is not None:
                return [(real, *self.bands[0][key])]
        found = []
        for run, band in zip(self.runs, self.bands, strict=True):
            value = flow_of(run) if key == "gas_l_min" else getattr(run, key, None)
            if value is not None and key in band:
                found.append((float(value), *band[key]))
        return found

    def cards_aim(self, key: str) -> float | None:
        """The card's own figure of a key; None where there is none, or where another cup or part was used for which it is off its range."""
        card = self.card
        if key == "work_angle_deg":
            return float(card.angles_deg.work)
        if key == "travel_angle_deg":
            return float(card.angles_deg.travel)
        if key == "filler_mm":
            return float(card.filler.diameter_mm) if card.filler else None
        band = card.band(key)
        low, high = self.bands[0].get(key, (-inf, inf)) if self.bands else (-inf, inf)
        return band.aim if band and low <= band.aim <= high else None

    def aim(self, key: str) -> float | None:
        """What to aim at: the card's own figure, or the middle of the range of the cup and part that were used."""
        aim = self.cards_aim(key)
        if aim is None and self.card.band(key) and self.bands and key in self.bands[0]:
            return round(sum(self.bands[0][key]) / 2, 1)
        return aim


def read_case(given: object) -> Case:
    """Read a case from JSON values (docs/causes.md).

    Raises:
        InvalidValues: an unknown or missing field, or a value outside what is allowed; names it.
    """
    if not isinstance(given, Mapping):
        raise InvalidValue("input", given, said("allowed-an-object-with-coupon-and-measurement"))
    unknown = sorted(map(str, set(given) - set(KEYS)))
    if unknown:
        raise InvalidValue(unknown[0], given[unknown[0]], one_of(KEYS))
    for key in ("coupon", "measurement"):
        if key not in given:
            raise InvalidValue(key, None, said("allowed-needed"))
    coupon = read_coupon(given["coupon"] if given["coupon"] is not None else {})
    card = card_of(coupon)
    runs = tuple(_run(run, k) for k, run in enumerate(_list(given, "runs")))
    confirmed, earlier = _confirmed(given), _earlier(given)
    return Case(
        coupon,
        card,
        runs,
        tuple(ranges(coupon, card, _usual_stickout(card, run)) for run in runs),
        _skipped(given),
        _looks(given),
        _by_hand(given),
        _report(given["measurement"]),
        copied_keys(card, runs, [(one.case.card, one.case.runs) for one in earlier if one.case]),
        confirmed,
        earlier,
        _usual(given),
        dull_before=_dull_before(given),
    )


def _usual_stickout(card: Card, used: Used) -> Used:
    """The same with a stick-out within its range: a flow that is right for that is not called low because the tungsten is out too far."""
    if used.stickout_mm is None:
        return used
    low, high = card.stickout_mm.low, card.stickout_mm.high
    return replace(used, stickout_mm=min(max(used.stickout_mm, low), high))


def _list(given: Mapping[str, object], key: str) -> list[Any]:
    found = given.get(key)
    if found is None:
        return []
    if not isinstance(found, list) or len(found) > 200:
        raise InvalidValue(key, found, said("allowed-a-list-of-at-most-200"))
    return found


def _object(given: Mapping[str, object], key: str, allowed: tuple[str, ...]) -> dict[str, Any]:
    found = given.get(key)
    if found is None:
        return {}
    if not isinstance(found, Mapping):
        raise InvalidValue(key, found, said("allowed-an-object-with-some-of", names=", ".join(allowed)))
    for name in found:
        if name not in allowed:
            raise InvalidValue(f"{key}.{name}", found[name], one_of(allowed))
    return {name: value for name, value in found.items() if value is not None}


def _run(run: object, number: int) -> Used:
    if not isinstance(run, Mapping):
        raise InvalidValue(f"runs.{number}", run, said("allowed-an-object-with-what-was-set"))
    # No purge at all is a figure here, though none that a flow meter is set to.
    off = run.get("purge_l_min") == 0 and not isinstance(run.get("purge_l_min"), bool)
    used = read_used({k: v for k, v in run.items() if not (off and k == "purge_l_min")})
    return replace(used, purge_l_min=0.0 if off else used.purge_l_min)


def _skipped(given: Mapping[str, object]) -> frozenset[str] | None:
    if given.get("skipped") is None:
        return None
    found = _list(given, "skipped")
    for step in found:
        if step not in SKIPPABLE:
            raise InvalidValue("skipped", step, some_of(SKIPPABLE))
    return frozenset(found)


def _looks(given: Mapping[str, object]) -> dict[str, Any]:
    found = _object(given, "looks", LOOKS)
    for key, value in found.items():
        if key in CHOSEN:
            _one_of(f"looks.{key}", value, CHOSEN[key])
        elif key == "restarts_mm":
            if not isinstance(value, list) or not all(_figure(v, MAX_RESTART_MM) for v in value):
                raise InvalidValue(
                    "looks.restarts_mm", value, said("allowed-a-list-of-places-along-the", most=f"{MAX_RESTART_MM:g}")
                )
        elif not isinstance(value, bool):
            raise InvalidValue(f"looks.{key}", value, said("allowed-true-false-or-null"))
    return found


def _by_hand(given: Mapping[str, object]) -> dict[str, Any]:
    found = _object(given, "by_hand", (*BY_HAND, "face", "back"))
    for key, value in found.items():
        if key in CHOSEN:
            _one_of(f"by_hand.{key}", value, CHOSEN[key])
        elif not _figure(value, BY_HAND[key]):
            raise InvalidValue(f"by_hand.{key}", value, said("allowed-0-to-mm", by_hand=f"{BY_HAND[key]:g}"))
    return found


def _one_of(key: str, value: object, allowed: tuple[str | int, ...]) -> None:
    if value not in allowed:
        raise InvalidValue(key, value, one_of(map(str, allowed)))


def _figure(value: Any, most: float) -> bool:
    return isinstance(value, int | float) and not isinstance(value, bool) and 0 <= value <= most


def _report(given: object) -> Report | None:
    if given is None:
        return None
    if not isinstance(given, Mapping):
        raise InvalidValue("measurement", given, said("allowed-an-object-as-judicum-measure-prints"))
    try:
        return Report.from_json(_filled(given))
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(map(str, ("measurement", *first["loc"])))
        raise InvalidValue(where, first.get("input"), said("allowed-by-pydantic", what=first["msg"].lower())) from error


def _filled(given: Mapping[str, Any]) -> dict[str, Any]:
    """The same with what an older engine, or a hand that wrote only what matters, left out of its parts."""
    found = {key: value for key, value in given.items() if value is not None}
    bead = found.get("bead")
    if isinstance(bead, Mapping):
        width = bead.get("width_mm")
        width = dict(width) if isinstance(width, Mapping) else {"mean": width}
        mean, cv = width.get("mean"), width.get("cv", 0.0)
        if isinstance(mean, int | float) and isinstance(cv, int | float):
            width = {"cv": cv, "sd": cv * mean, "min": mean, "max": mean, "uncertainty": 0.1, **width}
        ends = {"start_mm": [0.0, 0.0], "end_mm": [0.0, 0.0], "straightness_mm": 0.0}
        found["bead"] = {**ends, "toe_waviness_mm": {"left": 0.0, "right": 0.0}, **bead, "width_mm": width}
    for key, parts in REST.items():
        if isinstance(found.get(key), Mapping):
            found[key] = {**parts, **{k: v for k, v in found[key].items() if v is not None}}
    if isinstance(found.get("defects"), list):
        found["defects"] = [{**FAULT, **fault} if isinstance(fault, Mapping) else fault for fault in found["defects"]]
    return found


def _confirmed(given: Mapping[str, object]) -> tuple[str, ...]:
    found = []
    for number, one in enumerate(_list(given, "earlier")):
        if not isinstance(one, Mapping):
            raise InvalidValue(f"earlier.{number}", one, said("allowed-an-object-with-an-earlier-attempt"))
        cause = one.get("confirmed")
        if cause is None:
            continue
        if cause not in CAUSES:
            raise InvalidValue("confirmed", cause, one_of(CAUSES))
        found.append(cause)
    return tuple(found)


def _earlier(given: Mapping[str, object]) -> tuple[Earlier, ...]:
    """The last attempts before that say something, the oldest first; one that is not told whole keeps what was confirmed."""
    found: list[Earlier] = []
    for one in reversed(_list(given, "earlier")):
        case = None
        if one.get("coupon") and one.get("measurement"):
            whole = {key: one[key] for key in KEYS if key in one and key not in ("earlier", "confirmed_in_course")}
            with suppress(InvalidValues):  # what was before is no reason to say nothing of what is now
                case = read_case(whole)
        if case is not None or one.get("confirmed") is not None:
            found.append(Earlier(case, one.get("confirmed")))
        if len(found) == MAX_EARLIER:
            break
    return tuple(reversed(found))


def _dull_before(given: Mapping[str, object]) -> bool:
    """Whether the tungsten was dull after the attempt before."""
    last = _list(given, "earlier")[-1:]
    looks = last[0].get("looks") if last else None
    return isinstance(looks, Mapping) and looks.get("electrode_after") == "dull"


def _usual(given: Mapping[str, object]) -> dict[str, int]:
    found = _object(given, "confirmed_in_course", tuple(CAUSES))
    for key, count in found.items():
        if isinstance(count, bool) or not isinstance(count, int) or not 0 <= count <= 1_000_000:
            raise InvalidValue(f"confirmed_in_course.{key}", count, said("allowed-a-whole-number-from-0"))
    return found
