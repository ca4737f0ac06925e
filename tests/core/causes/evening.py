"""Evening classes as symptoms and logs, for judging how causes are weighed: `python -m tests.core.causes.observer SEED…`.

Two habits at once in a third of attempts, a third of the people copy the card into their log, fields are left out, symptoms missed and
invented, habits that end after they were named. What a habit shows stands here by hand, from the order in which the trade names causes
for a fault, not from the weights of `core.causes.table`.
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from functools import cache
from typing import Any

import numpy as np

from judicum.core.causes import explain
from judicum.core.setup import plan_card, run_from_card
from tests.core.causes.cases import BUTT, bead, case, fault, grey

COUPONS = (
    BUTT,
    {"metal": "304L", "joint": "lap", "thickness_mm": 2.0},
    {"metal": "304L", "joint": "tee", "thickness_mm": 2.0},
    {"metal": "304L", "joint": "bead_on_plate", "thickness_mm": 1.5},
    {"metal": "304L", "joint": "tube_butt", "thickness_mm": 1.5, "tube_od_mm": 48.0, "purge": True},
)
RNG = np.random.default_rng


@dataclass(frozen=True)
class Habit:
    """What a habit shows with which chance, what an honest log then says (a factor of the card's figure, or a figure), and what is
    noticed or skipped."""

    shows: dict[str, float]
    log: dict[str, float] = field(default_factory=dict)
    looks: dict[str, tuple[Any, float]] = field(default_factory=dict)
    skip: str | None = None
    restarts: bool = False
    wire: bool = False


HABITS: dict[str, Habit] = {
    "postflow_short": Habit({"grey_at_end": 0.85, "electrode_dull": 0.6}, {"postflow_s": 0.4}),
    "torch_pulled_early": Habit({"grey_at_end": 0.85, "electrode_dull": 0.25}),
    "downslope_short": Habit({"crater": 0.7, "pinhole": 0.5}, {"downslope_s": 0.2}),
    "preflow_short": Habit({"grey_at_start": 0.85}, {"preflow_s": 0.2}),
    "hose_puff": Habit({"grey_at_start": 0.75, "pores": 0.25}, looks={"puff_at_start": (True, 0.7)}),
    "flow_low": Habit({"grey_all_along": 0.7, "pores": 0.4, "electrode_dull": 0.5}, {"gas_l_min": 0.55}),
    "flow_high": Habit(
        {"toes_wavy": 0.5, "puddle_dances": 0.5, "grey_all_along": 0.3, "pores": 0.3}, {"gas_l_min": 1.9}
    ),
    "stickout_long": Habit({"grey_all_along": 0.6, "pores": 0.5}, {"stickout_mm": 2.6}),
    "draught": Habit({"grey_in_patches": 0.7, "pores": 0.5}, looks={"draught": (True, 0.6)}),
    "dirty_cup": Habit({"grey_all_along": 0.6, "arc_wanders": 0.35}, skip="cup_clean"),
    "dirty_metal": Habit({"pores": 0.6, "inclusions": 0.4, "grey_in_patches": 0.4}, skip="blank_wiped"),
    "filler_left_gas": Habit({"grey_in_patches": 0.75}, looks={"rod_end": ("oxidised", 0.6)}, wire=True),
    "current_high": Habit(
        {"tint_dark": 0.7, "bead_wide": 0.75, "undercut": 0.3, "burn_through": 0.2}, {"current_a": 1.45}
    ),
    "current_low": Habit({"bead_narrow": 0.75, "ropey_face": 0.5, "back_not_through": 0.3}, {"current_a": 0.62}),
    "travel_slow": Habit({"tint_dark": 0.65, "bead_wide": 0.7, "width_grows": 0.3}, {"travel_mm_s": 0.55}),
    "travel_fast": Habit({"bead_narrow": 0.65, "sunken_face": 0.5, "undercut": 0.35}, {"travel_mm_s": 1.6}),
    "part_hot": Habit(
        {"tint_grows_along": 0.65, "puddle_dances": 0.45, "tint_dark": 0.3}, looks={"part_hot": (True, 0.6)}
    ),
    "no_taper": Habit({"width_grows": 0.75, "tint_grows_along": 0.55}),
    "filler_starved": Habit({"undercut": 0.5, "sunken_face": 0.6, "gap": 0.25}, wire=True),
    "arc_long": Habit({"bead_wide": 0.55, "undercut": 0.45, "rod_balled": 0.4}, {"arc_length_mm": 4.0}),
    "torch_leans": Habit({"tint_lopsided": 0.8, "undercut": 0.3}, {"work_angle_deg": 0.65}),
    "torch_flat": Habit({"rod_balled": 0.6, "grey_in_patches": 0.3, "bulge": 0.3}, {"travel_angle_deg": 3.6}),
    "point_bad": Habit({"arc_wanders": 0.6, "toes_wavy": 0.5}, skip="electrode_ground"),
    "electrode_dipped": Habit({"inclusions": 0.75, "arc_wanders": 0.45}, looks={"electrode_after": ("dipped", 0.6)}),
    "brush_carbon": Habit({"inclusions": 0.75}, skip="own_brush"),
    "cadence_uneven": Habit({"ripples_random": 0.85, "width_uneven": 0.3}, wire=True),
    "pedal_pumping": Habit({"ripples_periodic": 0.8}),
    "not_propped": Habit({"toes_wavy": 0.7, "width_uneven": 0.6, "ripples_random": 0.4}),
    "tie_in_poor": Habit({"bulge_at_restart": 0.85}, restarts=True),
    "fit_up_gap": Habit({"burn_through": 0.45, "gap": 0.6}, skip="fit_up"),
    "dwell": Habit({"burn_through": 0.6, "bulge": 0.5}),
    "purge_poor": Habit({"back_sugared": 0.85}, {"purge_l_min": 2.2}, skip="purge_waited"),
    "tacks_few": Habit({"distorted": 0.8}, skip="tacked"),
}
TUBE_ONLY = ("purge_poor",)
NOT_ON_PLATE = ("fit_up_gap", "tacks_few")
SHOWN_AGAIN = 1.6
"""Chances of a habit's symptoms are those of so many looks at it."""
MISSED, INVENTED = 0.06, 0.012
INVENTABLE = (
    "pores",
    "undercut",
    "toes_wavy",
    "bulge",
    "tint_lopsided",
    "grey_in_patches",
    "width_uneven",
    "inclusions",
)
LEFT_OUT, COPIES, TWO, SOUND = 0.25, 1 / 3, 1 / 3, 0.12
NAMED, ENDS = 0.8, 0.4
SKIPS, NO_LIST = 0.7, 0.2
LOG_OFF, LOG_SPREAD = 0.06, 0.08
TOLD_ONLY_OFF = ("arc_length_mm", "purge_l_min")
"""Figures that a log holds only where a habit moved them."""
READ_IN = {
    "electrode_dull": "electrode_after",
    "rod_balled": "rod_end",
    "arc_wanders": "arc",
    "puddle_dances": "arc",
    "sunken_face": "face",
    "ropey_face": "face",
    "back_sugared": "back",
    "back_not_through": "back",
    "distorted": "distortion_mm",
}
"""What is told by a field that may be left out."""
HIDES = {
    "arc_wanders": ("puddle_dances",),
    "sunken_face": ("ropey_face",),
    "back_sugared": ("back_not_through",),
    "bead_wide": ("bead_narrow",),
    "width_grows": ("width_uneven",),
    "ripples_random": ("ripples_periodic",),
}
"""Which symptoms are not seen beside which."""


@dataclass(frozen=True, eq=False)
class Evening:
    """One attempt with what was before it, and its habits in truth."""

    given: dict[str, Any]
    habits: tuple[str, ...]
    copied: bool
    seen: frozenset[str]
    named: str | None
    before: "tuple[Evening, ...]"


def fits(name: str, coupon: dict[str, Any]) -> bool:
    tube = coupon["joint"].startswith("tube")
    return (tube or name not in TUBE_ONLY) and not (coupon["joint"] == "bead_on_plate" and name in NOT_ON_PLATE)


def _measured(shown: set[str], rng: np.random.Generator) -> tuple[dict[str, Any], dict[str, Any], dict[str, Any]]:
    """A measurement, what is noticed and what is found by hand, of a bead that shows these."""
    more: dict[str, Any] = {}
    levels = [5 if "tint_dark" in shown else 2] * 80
    if "tint_grows_along" in shown:
        levels = [lv + k for lv, k in zip(levels, [0] * 20 + [1] * 20 + [2] * 20 + [3] * 20, strict=True)]
    places = {"grey_all_along": (0, 80), "grey_at_end": (68, 80), "grey_at_start": (0, 7)}
    stretches = [span for code, span in places.items() if code in shown]
    stretches += [(20, 26), (48, 54)] if "grey_in_patches" in shown else []
    more["along"] = [7 if dull == 7 else lv for dull, lv in zip(grey(*stretches), levels, strict=True)]
    mean = 6.0 if "bead_wide" in shown else 2.6 if "bead_narrow" in shown else 4.0
    more["mean"] = mean
    if "width_grows" in shown:
        more["width"] = np.linspace(0.87, 1.13, 81) * mean + rng.normal(0, 0.02 * mean, 81)
    elif "width_uneven" in shown:
        more["width"] = mean * (1 + 0.16 * rng.normal(size=81))
    if "ripples_random" in shown:
        more["gaps"] = 2.1 * (1 + np.clip(0.3 * rng.normal(size=36), -0.7, 0.9))
    elif "ripples_periodic" in shown:
        more["gaps"] = 2.1 * (1 + 0.3 * np.sin(2 * np.pi * np.arange(36) / 6))
    if "toes_wavy" in shown:
        more["wavy"] = (0.14 * mean, 0.12 * mean)
    if "tint_lopsided" in shown:
        more["sides"] = (1.0, 3.0)
    kinds = {"undercut": ("undercut", 40, {"size_mm": 6}), "burn_through": ("burn_through", 40, {"size_mm": 4}), "gap": ("gap", 55, {"size_mm": 5}), "bulge": ("bulge", 45, {"size_mm": 4}), "bulge_at_restart": ("bulge", 31, {"size_mm": 4}), "pores": ("pore", 25, {}), "inclusions": ("inclusion", 33, {}), "crater": ("crater", 79, {}), "pinhole": ("crater", 78, {"pinhole": True})}  # fmt: skip
    more["defects"] = [fault(kind, at, **size) for code, (kind, at, size) in kinds.items() if code in shown]
    looks: dict[str, Any] = {"restarts_mm": [31.0]} if "bulge_at_restart" in shown else {}
    looks |= {"electrode_after": "dull" if "electrode_dull" in shown else "tinted", "rod_end": "balled" if "rod_balled" in shown else "clean"}  # fmt: skip
    looks["arc"] = "wandering" if "arc_wanders" in shown else "spiralling" if "puddle_dances" in shown else "steady"
    face = "sunken" if "sunken_face" in shown else "ropey" if "ropey_face" in shown else "flat"
    backs = {"back_sugared": "sugared", "back_not_through": "not_through", "back_hangs": "hangs_through"}
    by_hand = {"face": face, "back": next((b for code, b in backs.items() if code in shown), "tinted"), "distortion_mm": 4.0 if "distorted" in shown else 0.5}  # fmt: skip
    return bead(**more), looks, by_hand


@cache
def _card(coupon: tuple[tuple[str, Any], ...]) -> dict[str, Any]:
    return run_from_card(plan_card(dict(coupon))).as_columns()


def card_of(coupon: dict[str, Any]) -> dict[str, Any]:
    """What the card says of a coupon."""
    return _card(tuple(coupon.items()))


def logged(key: str, factor: float, card: dict[str, Any]) -> tuple[float, float]:
    """What an honest log says of a habit: its mean and its spread."""
    if key in TOLD_ONLY_OFF:
        return factor, 0.0
    mean = (card[key] or 1.0) * factor
    return mean, LOG_SPREAD * mean


def _attempt(
    habits: Sequence[str], coupon: dict[str, Any], copies: bool, rng: np.random.Generator
) -> tuple[dict[str, Any], frozenset[str]]:
    shown = {
        code
        for name in habits
        for code, chance in HABITS[name].shows.items()
        if rng.random() < 1 - (1 - chance) ** SHOWN_AGAIN
    }
    shown = {code for code in sorted(shown) if rng.random() >= MISSED} | {
        c for c in INVENTABLE if rng.random() < INVENTED
    }
    measurement, looks, by_hand = _measured(shown, rng)
    card = card_of(coupon)
    run = {key: card[key] for key in ("current_a", "gas_l_min", "cup", "gas_part", "stickout_mm", "preflow_s", "postflow_s", "downslope_s", "travel_mm_s", "work_angle_deg", "travel_angle_deg", "filler_mm")}  # fmt: skip
    skipped = [habit.skip for name in habits if (habit := HABITS[name]).skip and rng.random() < SKIPS]
    if not copies:
        run = {k: v * float(rng.normal(1, LOG_OFF)) if isinstance(v, float) and k not in ("cup", "filler_mm") else v for k, v in run.items()}  # fmt: skip
        for name in habits:
            for key, factor in HABITS[name].log.items():
                run[key] = factor if key in TOLD_ONLY_OFF else (card[key] or 1.0) * factor * float(rng.normal(1, LOG_SPREAD))  # fmt: skip
    run = {k: v for k, v in run.items() if rng.random() >= LEFT_OUT}
    for name in habits:
        for key, (value, chance) in HABITS[name].looks.items():
            if rng.random() < chance:
                looks[key] = value
    looks = {k: v for k, v in looks.items() if k == "restarts_mm" or rng.random() >= LEFT_OUT}
    by_hand = {k: v for k, v in by_hand.items() if rng.random() >= LEFT_OUT}
    return case(measurement, coupon=coupon, runs=[run], looks=looks, by_hand=by_hand, skipped=None if rng.random() < NO_LIST else skipped), frozenset(shown)  # fmt: skip


def evenings(seed: int, people: int = 60, each: int = 8) -> Iterator[Evening]:
    """Attempts of so many people, each of whom has habits of their own."""
    rng = RNG(seed)
    names = list(HABITS)
    for _ in range(people):
        copies = rng.random() < COPIES
        own = list(rng.choice(names, size=2, replace=False))
        before: list[Evening] = []
        for _ in range(each):
            coupon = COUPONS[int(rng.integers(len(COUPONS)))]
            fitting = [name for name in own if fits(name, coupon)]
            count = 0 if rng.random() < SOUND else 2 if rng.random() < TWO else 1
            habits = tuple(str(h) for h in rng.permutation(fitting)[:count])
            given, seen = _attempt(habits, coupon, copies, rng)
            earlier = [
                {**{k: v for k, v in one.given.items() if k != "earlier"}, "confirmed": one.named} for one in before
            ]
            named = habits[0] if habits and rng.random() < NAMED else None
            before.append(Evening({**given, "earlier": earlier}, habits, copies, seen, named, tuple(before)))
            yield before[-1]
            if named and rng.random() < ENDS:
                own[own.index(named)] = str(rng.choice([n for n in names if n not in own]))


@dataclass(frozen=True)
class Judged:
    """What came of it."""

    top: float
    three: float
    both: float
    brier: float
    calibration: float
    sound: float
    gain: float
    copied_out: float

    def row(self) -> str:
        return " | ".join(f"{value:.2f}" if abs(value) >= 0.1 or value == 0 else f"{value:.3f}" for value in vars(self).values())  # fmt: skip


def explained(one: Evening, alone: bool) -> dict[str, float]:
    """Shares of causes by the engine, likeliest first; none where nothing was seen. Without earlier attempts if `alone`."""
    answer = explain({**one.given, "earlier": []} if alone else one.given)
    return {c.code: c.share for c in answer.causes} if answer.symptoms else {}


def judge(found: Sequence[Evening], engine: Callable[[Evening, bool], dict[str, float]] = explained) -> Judged:
    """Judge an engine on evenings; those that show nothing count for no cause."""
    top, three, both, gain, out, sound = [], [], [], [], [], []
    predicted: list[tuple[float, float]] = []
    brier = []
    for one in found:
        shares = engine(one, False)
        codes = list(shares)
        if not one.habits:
            sound.append(not codes or shares[codes[0]] < 0.6)
        if not codes or not one.habits:
            continue
        truth = {h: 1 / len(one.habits) for h in one.habits}
        brier.append(sum((shares.get(c, 0.0) - truth.get(c, 0.0)) ** 2 for c in {*shares, *truth}))
        predicted += [(share, truth.get(code, 0.0)) for code, share in shares.items()]
        if len(one.habits) == 1:
            top.append(codes[:1] == [one.habits[0]])
            three.append(one.habits[0] in codes[:3])
            gain.append(top[-1] - (list(engine(one, True))[:1] == [one.habits[0]]))
            if one.copied:
                out.append(one.habits[0] not in codes[:3])
        else:
            both.append(set(one.habits) <= set(codes[:3]))
    pairs = np.array(predicted)
    bins = np.clip((pairs[:, 0] * 10).astype(int), 0, 9)
    off = sum((bins == k).mean() * abs(pairs[bins == k].mean(axis=0) @ np.array([1.0, -1.0])) for k in range(10) if (bins == k).any())  # fmt: skip
    means = [float(np.mean(values)) if values else 0.0 for values in (top, three, both, brier, sound, gain, out)]
    return Judged(means[0], means[1], means[2], means[3], float(off), means[4], means[5], means[6])


HEAD = "| seed | on top | among three | both of two | Brier | off by, share | sound | gain | copied out |\n|---|---|---|---|---|---|---|---|---|"
