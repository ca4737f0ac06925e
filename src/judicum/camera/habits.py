"""What a welder's habit does: to the bead that is drawn, to what is logged, to what is noticed.

One record a habit, by the code of the cause that an instructor would name. A stand-in for people: the demo's students and the
test set of `./judicum bench-causes` weld with these.
"""

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from typing import Any

import numpy as np

from judicum.camera.scene import Bead, Fault, with_outline
from judicum.core.arrays import Floats

Change = Callable[[np.random.Generator, Bead, float], Bead]
"""A bead as the habit leaves it; the last argument is how bad it is, 0 to 1."""


@dataclass(frozen=True)
class Habit:
    """`run` are figures as shares of what the card aims at (at the mildest, at the worst), or fixed values."""

    bead: Change | None = None
    run: dict[str, tuple[float, float]] = field(default_factory=dict)
    fixed: dict[str, Any] = field(default_factory=dict)
    looks: dict[str, Any] = field(default_factory=dict)
    skipped: tuple[str, ...] = ()
    by_hand: dict[str, Any] = field(default_factory=dict)
    coupon: str = "butt"
    """Coupon it shows on: `butt`, `tee`, `tube` or `two` (a lap of two thicknesses)."""


def _with(bead: Bead, *faults: Fault) -> Bead:
    return replace(bead, faults=(*bead.faults, *faults))


def _grey(first: float, last: float) -> Change:
    """Dull stretches from one share of the length to another."""

    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        length = bead.length_mm
        a, b = first * length, last * length
        if first > 0.5:  # longer the worse, from the end
            a = b - (b - a) * (0.6 + 0.4 * bad)
        elif last < 0.5:
            b = a + (b - a) * (0.6 + 0.4 * bad)
        places = np.arange(a + 3.0, b - 2.0, 4.5) if b - a > 8 else np.array([(a + b) / 2])
        size = 9.0 if b - a > 8 else b - a
        return _with(bead, *(Fault("sugaring", float(at), 0.0, size) for at in places))

    return change


def _patches(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    at = rng.uniform(0.25, 0.35), rng.uniform(0.55, 0.75)
    return _with(bead, *(Fault("sugaring", float(share * bead.length_mm), 0.0, 5 + 4 * bad) for share in at))


def _dull(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    return replace(bead, grey=True)


def _pores(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    count = 2 + round(2 * bad)
    places = np.linspace(0.25, 0.8, count) * bead.length_mm + rng.uniform(-3, 3, count)
    half = float(bead.half_mm.mean())
    return _with(
        bead, *(Fault("pore", float(s), float(rng.uniform(-0.4, 0.4) * half), 0.9 + 0.4 * bad) for s in places)
    )


def _specks(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    places = rng.uniform(0.2, 0.8, 2) * bead.length_mm
    return _with(bead, *(Fault("inclusion", float(s), float(rng.uniform(-0.8, 0.8)), 0.8 + 0.4 * bad) for s in places))


def _one(kind: str, low_mm: float, high_mm: float, share: tuple[float, float] = (0.3, 0.75), **more: Any) -> Change:
    """One fault of a kind at a place between two shares of the length."""

    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        at = float(rng.uniform(*share)) * bead.length_mm
        return _with(
            bead, Fault(kind, at, more.get("n_mm", 0.0), low_mm + bad * (high_mm - low_mm), more.get("pinhole", False))
        )

    return change


def _swell(at_mm: float, bad: float, bead: Bead) -> Bead:
    return with_outline(bead, Fault("bulge", at_mm, 0.0, 3.0 + 1.5 * bad))


def _gap(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    return with_outline(bead, Fault("gap", float(rng.uniform(0.3, 0.7)) * bead.length_mm, 0.0, 5.0 + 3.0 * bad))


def _bulge(first: float, last: float) -> Change:
    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        return _swell(float(rng.uniform(first, last)) * bead.length_mm, bad, bead)

    return change


def _restart(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    return _swell(RESTART_MM, bad, bead)


RESTART_MM = 38.0
"""Where the stand-in ends its first run and begins again."""


def _wider(low: float, high: float) -> Change:
    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        share = low + bad * (high - low)
        return replace(bead, half_mm=bead.half_mm * share, crown_mm=bead.crown_mm * share)

    return change


def _darker(levels: tuple[int, int], width: tuple[float, float] = (1.0, 1.0)) -> Change:
    """A darker film (levels on top of its own), and a width times."""

    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        nm = 8.0 * (levels[0] + bad * (levels[1] - levels[0]))
        share = width[0] + bad * (width[1] - width[0])
        return replace(
            bead,
            film_nm=min(bead.film_nm + nm, 62.0),
            zone_nm=min(bead.zone_nm + nm, 66.0),
            half_mm=bead.half_mm * share,
        )

    return change


def _grows(width: tuple[float, float], film_nm: float) -> Change:
    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        grown = width[0] + bad * (width[1] - width[0])
        half = bead.half_mm * (1 + grown * (bead.s_mm / bead.length_mm - 0.5))
        return replace(bead, half_mm=half, film_rise_nm=film_nm * (0.6 + 0.4 * bad))

    return change


def _leaning(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    left, right = bead.fade_mm
    more = 2.0 + 1.2 * bad
    return replace(bead, fade_mm=(left * more, right * 0.8) if rng.uniform() < 0.5 else (left * 0.8, right * more))


def _gaps_between(bead: Bead, gaps: Floats) -> Bead:
    """Fronts anew from gaps, mm."""
    fronts = np.cumsum(gaps) + 0.35 * 2 * float(bead.half_mm.mean())
    return replace(bead, fronts_mm=fronts[fronts < bead.length_mm - 0.7 * float(bead.half_mm.mean())])


def _pitch(bead: Bead) -> tuple[float, int]:
    gaps = np.diff(bead.fronts_mm)
    return float(gaps.mean()), int(bead.length_mm / gaps.mean() * 2)


def _random_gaps(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    pitch, count = _pitch(bead)
    return _gaps_between(
        bead, np.clip(pitch * (1 + (0.28 + 0.14 * bad) * rng.standard_normal(count)), 0.4 * pitch, None)
    )


def _swinging(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    """Gaps and width in one swing of 15 to 20 mm."""
    pitch, _ = _pitch(bead)
    period = float(rng.uniform(14, 19))
    at, gaps = 0.0, []
    while at < bead.length_mm:
        gap = pitch * (1 + (0.38 + 0.12 * bad) * np.sin(2 * np.pi * at / period) + 0.05 * rng.standard_normal())
        gaps.append(max(0.4 * pitch, gap))
        at += gaps[-1]
    half = bead.half_mm * (1 + (0.10 + 0.06 * bad) * np.sin(2 * np.pi * bead.s_mm / period))
    return _gaps_between(replace(bead, half_mm=half), np.array(gaps))


def _waves(rng: np.random.Generator, s: Floats, periods_mm: tuple[float, ...]) -> Floats:
    """A sum of sines with standard deviation 1."""
    wave = np.zeros_like(s)
    for period in periods_mm:
        wave += rng.normal() * np.sin(2 * np.pi * s / period + rng.uniform(0, 6))
    return wave / wave.std()


def _free_hand(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    """Toes that wander each for itself, an uneven width, uneven gaps."""
    half = bead.half_mm * (1 + (0.14 + 0.06 * bad) * _waves(rng, bead.s_mm, (9, 13, 21, 30)))
    centre = bead.centre_mm + (0.25 + 0.2 * bad) * _waves(rng, bead.s_mm, (8, 12, 18))
    return _random_gaps(rng, replace(bead, half_mm=half, centre_mm=centre), 0.2 * bad)


def _wavy(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    return replace(bead, centre_mm=bead.centre_mm + (0.4 + 0.25 * bad) * _waves(rng, bead.s_mm, (8, 11, 16)))


def _narrow_start(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    dip = (0.30 + 0.15 * bad) / (1 + np.exp((bead.s_mm - 10.0) / 1.2))
    return replace(bead, half_mm=bead.half_mm * (1 - dip))


def _sides(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
    """Undercut along one toe."""
    side = 1.0 if rng.uniform() < 0.5 else -1.0
    at = float(rng.uniform(0.35, 0.65)) * bead.length_mm
    return _with(bead, Fault("undercut", at, side * float(bead.half_mm.mean()), 10 + 8 * bad))


def _both(*changes: Change) -> Change:
    def change(rng: np.random.Generator, bead: Bead, bad: float) -> Bead:
        for one in changes:
            bead = one(rng, bead, bad)
        return bead

    return change


HABITS: dict[str, Habit] = {
    "postflow_short": Habit(_grey(0.87, 0.99), {"postflow_s": (0.6, 0.25)}, looks={"electrode_after": "dull"}),
    "torch_pulled_early": Habit(_grey(0.87, 0.99), looks={"electrode_after": "shiny"}),
    "downslope_short": Habit(_one("crater", 2.0, 3.0, (0.96, 0.97), pinhole=True), {"downslope_s": (0.6, 0.15)}),
    "preflow_short": Habit(_grey(0.01, 0.14), {"preflow_s": (0.4, 0.1)}),
    "hose_puff": Habit(_grey(0.01, 0.14), looks={"puff_at_start": True}),
    "flow_low": Habit(_dull, {"gas_l_min": (0.65, 0.35)}, looks={"electrode_after": "dull"}),
    "flow_high": Habit(_both(_wavy, _pores), {"gas_l_min": (1.8, 2.6)}, looks={"arc": "spiralling"}),
    "collet_body": Habit(_dull, fixed={"gas_part": "collet_body"}),
    "stickout_long": Habit(_both(_patches, _pores), {"stickout_mm": (2.9, 4.0)}),
    "draught": Habit(_both(_patches, _pores), looks={"draught": True}),
    "dirty_cup": Habit(_dull, looks={"arc": "wandering"}, skipped=("cup_clean",)),
    "dirty_metal": Habit(_both(_pores, _specks), skipped=("blank_wiped", "blank_abraded")),
    "filler_dirty": Habit(_pores, skipped=("rod_wiped",)),
    "filler_left_gas": Habit(_patches, looks={"rod_end": "oxidised"}),
    "current_high": Habit(_darker((2, 4), (1.25, 1.5)), {"current_a": (1.4, 1.8)}),
    "current_low": Habit(_wider(0.72, 0.6), {"current_a": (0.7, 0.5)}, by_hand={"face": "ropey"}),
    "travel_slow": Habit(_darker((2, 4), (1.25, 1.45)), {"travel_mm_s": (0.7, 0.5)}),
    "travel_fast": Habit(_both(_wider(0.75, 0.65), _sides), {"travel_mm_s": (1.4, 1.8)}, by_hand={"face": "sunken"}),
    "part_hot": Habit(_grows((0.05, 0.1), 30.0), looks={"part_hot": True}),
    "no_taper": Habit(_grows((0.22, 0.4), 22.0)),
    "filler_big": Habit(_both(_darker((2, 3)), _bulge(0.3, 0.7)), fixed={"filler_mm": 2.4}, looks={"rod_end": "balled"}),
    "filler_starved": Habit(_sides, {"dabs_per_s": (0.7, 0.4)}, by_hand={"face": "sunken"}),
    "arc_long": Habit(_both(_wider(1.25, 1.4), _sides), {"arc_length_mm": (2.0, 3.0)}, looks={"rod_end": "balled"}),
    "torch_leans": Habit(_leaning, {"work_angle_deg": (0.8, 0.65)}),
    "thickness_unequal": Habit(_leaning, coupon="two"),
    "torch_flat": Habit(_patches, {"travel_angle_deg": (2.8, 4.0)}, looks={"rod_end": "balled"}),
    "point_bad": Habit(_wavy, looks={"arc": "wandering"}, skipped=("electrode_ground",)),
    "electrode_dipped": Habit(_specks, looks={"electrode_after": "dipped"}),
    "brush_carbon": Habit(_specks, skipped=("own_brush",)),
    "cadence_uneven": Habit(_random_gaps),
    "pedal_pumping": Habit(_swinging),
    "not_propped": Habit(_free_hand),
    "tie_in_poor": Habit(_restart, looks={"restarts_mm": [RESTART_MM]}),
    "start_unsettled": Habit(_bulge(0.05, 0.07)),
    "cold_start": Habit(_narrow_start, {"start_current_a": (0.5, 0.3)}),
    "fit_up_gap": Habit(_gap, skipped=("fit_up", "fit_up_tight")),
    "dwell": Habit(_one("burn_through", 3.0, 4.5)),
    "purge_missing": Habit(fixed={"purge_l_min": 0.0}, by_hand={"back": "sugared"}, coupon="tube"),
    "purge_poor": Habit(
        None, {"purge_l_min": (1.9, 2.6)}, {"purge_vent": False, "purge_wait_s": 5.0},
        by_hand={"back": "sugared"}, coupon="tube",
    ),
    "tacks_few": Habit(skipped=("tacked",), by_hand={"distortion_mm": 4.0}),
    "pulse_fast_shallow": Habit(
        fixed={"pulse": {"peak_a": 70, "background_a": 20, "on_share": 0.4, "per_second": 100}}, by_hand={"back": "not_through"}
    ),
}  # fmt: skip
NOT_DRAWN = frozenset(
    ("cup_small", "past_cover", "fillet_too_deep", "rod_low", "sag", "dull_start", "start_hot", "overheated_clean")
)
"""Causes that show only out of position, on long runs or after another attempt, which no drawn coupon has; worked cases judge them."""
