"""`./judicum bench-causes`: welders with one hidden habit each, drawn, measured and explained; how often the habit is found.

End to end: the bead is drawn as the habit leaves it, photographed by the simulated camera, measured by the engine and
explained with what such a welder would have logged. A quarter of the logs has a figure off its range that did nothing, some
keep no list of preparation, some noticed nothing.
"""

import os
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from typing import Any

import cv2
import numpy as np

from judicum.camera import Scene, View, take_photo, weld
from judicum.camera.habits import HABITS, Habit
from judicum.camera.logbook import run_of
from judicum.core.causes import explain
from judicum.core.photo.measure import measure_photo
from judicum.core.setup import plan_card

NONE = "none"
"""A welder without a habit: the bead must be called sound."""
SOUND_SHARE = 0.2
"""Good beads among all, so that inventing a cause costs."""
SEEN_BY_WELDER = 0.8
"""How often what the habit shows at the booth was noted."""
LIST_KEPT = 0.8
"""How often a list of preparation was kept."""
RED_HERRING = 0.25
"""How often another figure was off its range."""
COUPONS: dict[str, dict[str, Any]] = {
    "butt": {"metal": "304L", "joint": "butt", "thickness_mm": 1.5},
    "tee": {"metal": "304L", "joint": "tee", "thickness_mm": 2.0},
    "tube": {"metal": "304L", "joint": "tube_butt", "thickness_mm": 1.6, "tube_od_mm": 48.3, "form": "tube"},
    "two": {"metal": "304L", "joint": "lap", "thickness_mm": 1.5, "second_thickness_mm": 3.0},
}
HERRINGS = ("preflow_s", "downslope_s", "postflow_s", "stickout_mm", "travel_mm_s", "gas_l_min")


@dataclass(frozen=True)
class Diagnosis:
    """What was found of one welder: the hidden habit, the causes in their order, the symptoms."""

    habit: str
    causes: tuple[str, ...]
    seen: tuple[str, ...]
    refused: bool


def case_of(code: str, seed: int) -> tuple[Scene, dict[str, Any]]:
    """A welder with a hidden habit (or NONE): the scene to be photographed, and the case without its measurement."""
    rng = np.random.default_rng(seed)
    habit, bad = HABITS.get(code, Habit()), float(rng.uniform(0.2, 1.0))
    coupon = COUPONS[habit.coupon]
    card = plan_card(coupon)
    run = run_of(rng, card, [(habit, bad)])
    if rng.uniform() < RED_HERRING:
        key = str(rng.choice([k for k in HERRINGS if k not in habit.run]))
        run[key] = round(float(getattr(card, key).low) * 0.8, 2)
    case: dict[str, Any] = {"coupon": coupon, "runs": [run], "by_hand": dict(habit.by_hand)}
    if rng.uniform() < SEEN_BY_WELDER:
        case["looks"] = dict(habit.looks)
    if rng.uniform() < LIST_KEPT:
        case["skipped"] = [*habit.skipped, *(["practised_on_scrap"] if rng.uniform() < 0.3 else [])]
    width = float(card.bead.width_mm.aim) * float(rng.normal(1, 0.03))
    bead = weld(
        rng,
        length_mm=float(rng.uniform(72, 92)),
        width_mm=width,
        width_cv=float(rng.uniform(0.02, 0.045)),
        pitch_mm=float(rng.normal(2.2, 0.1)),
        pitch_cv=float(rng.uniform(0.04, 0.10)),
        wander_mm=0.08,
        bead_level=int(rng.integers(1, 3)),
        zone_level=3,
    )
    if habit.bead is not None:
        bead = habit.bead(rng, bead, bad)
    scene = Scene(
        bead,
        start_mm=(float(rng.uniform(36, 44)), float(rng.uniform(50, 58))),
        angle_deg=float(rng.normal(0, 1.5)),
        grain_deg=float(rng.uniform(-40, 40)),
        grain=float(rng.uniform(0.2, 0.5)),
        view=View(tilt_deg=float(rng.uniform(1, 12)), tilt_towards_deg=float(rng.uniform(0, 360))),
        seed=seed,
    )
    return scene, case


def find(job: tuple[str, int]) -> Diagnosis:
    """One welder from the habit to what is made of it."""
    cv2.setNumThreads(1)
    scene, case = case_of(*job)
    report = measure_photo(take_photo(scene).jpeg, "bead.jpg").report
    found = explain({**case, "measurement": report.as_json()})
    causes = tuple(one.code for one in found.causes)
    return Diagnosis(job[0], causes, tuple(s.code for s in found.symptoms), report.refusal is not None)


def bench(each: int = 3, seed: int = 0) -> str:
    """Explain `each` welders of every habit and a share of sound ones; the report as Markdown."""
    codes = [code for code in HABITS for _ in range(each)]
    codes += [NONE] * round(len(codes) * SOUND_SHARE)
    jobs = [(code, 100_000 * (seed + 1) + k) for k, code in enumerate(codes)]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        done = list(pool.map(find, jobs, chunksize=2))
    return report_of(done)


def report_of(done: list[Diagnosis]) -> str:
    """How often the habit was on top and among three; a line of confusion for each habit."""
    with_habit = [one for one in done if one.habit != NONE]
    sound = [one for one in done if one.habit == NONE]
    top = sum(one.causes[:1] == (one.habit,) for one in with_habit)
    three = sum(one.habit in one.causes[:3] for one in with_habit)
    invented = sum(bool(one.causes) for one in sound)
    lines = [
        f"{len(with_habit)} welders with a habit: on top {top / max(len(with_habit), 1):.2f}, "
        f"among three {three / max(len(with_habit), 1):.2f}. "
        f"{len(sound)} without one: a cause invented for {invented}. Photos refused: {sum(one.refused for one in done)}.",
        "",
        "| habit | on top | among three | taken for | symptoms seen |",
        "|---|---|---|---|---|",
    ]
    for habit in dict.fromkeys(one.habit for one in done):
        mine = [one for one in done if one.habit == habit]
        tops = Counter(one.causes[0] if one.causes else "sound" for one in mine)
        seen = Counter(code for one in mine for code in one.seen)
        others = ", ".join(f"{code} {n}" for code, n in tops.most_common() if code != habit)
        right = tops["sound"] if habit == NONE else tops[habit]
        near = right if habit == NONE else sum(habit in one.causes[:3] for one in mine)
        symptoms = ", ".join(f"{code} {n}" for code, n in seen.most_common(4))
        lines.append(f"| `{habit}` | {right} of {len(mine)} | {near} | {others or '–'} | {symptoms or '–'} |")
    return "\n".join(lines)
