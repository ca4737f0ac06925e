"""How each attempt's photo is drawn: the student's steadiness at that time, and the habits of their story."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from judicum.camera import Scene, View, take_photo, weld
from judicum.camera.habits import HABITS, Habit

DRAWN_AS = {"bead_on_plate": "bead_on_plate", "butt": "butt", "lap": "lap", "tee": "tee", "tube_sleeve": "tube"}
"""Joints as the camera knows them; others look like a butt."""
STEADY = ("width_cv", "pitch_cv", "wander_mm", "bead", "zone")


@dataclass(frozen=True)
class Weld:
    """One attempt to be drawn: who, at which assignment, which attempt, in which week, and how far through the course (0 to 1)."""

    student: int
    assignment: int
    number: int
    week: float
    share: float
    target_width_mm: float
    joint: str
    fused: bool = False

    @property
    def seed(self) -> int:
        return 1000 * (self.student + 1) + 10 * self.assignment + self.number


def habits_of(plan: Weld, person: Mapping[str, Any]) -> list[tuple[str, Habit, float]]:
    """The habits that are in force at an attempt, by code, each with how bad it is then."""
    found = []
    for part in person["story"]:
        first, last = part["weeks"]
        if first <= plan.week < last:
            share = (plan.week - first) / (last - first)
            mild, worst = part["bad"][1], part["bad"][0]
            found.append((part["habit"], HABITS[part["habit"]], float(worst + share * (mild - worst))))
    return found


def draw(plan: Weld, person: Mapping[str, Any], again: bool = False) -> bytes:
    """The JPEG file of one attempt; the same plan gives the same file. `again` is a second photo, held still."""
    return take_photo(scene_of(plan, person, again)).jpeg


def scene_of(plan: Weld, person: Mapping[str, Any], again: bool = False) -> Scene:
    """What the photo of one attempt shows."""
    rng = np.random.default_rng(plan.seed)
    before, after = person["steady"]
    now = {
        key: (a + plan.share * (b - a)) * float(rng.normal(1, 0.08))
        for key, a, b in zip(STEADY, before, after, strict=True)
    }
    bead = weld(
        rng,
        length_mm=float(rng.uniform(78, 90)),
        width_mm=plan.target_width_mm * float(rng.normal(1.0, 0.04)),
        width_cv=now["width_cv"],
        pitch_mm=float(rng.normal(2.2, 0.1)),
        pitch_cv=now["pitch_cv"],
        wander_mm=now["wander_mm"],
        bead_level=int(np.clip(round(now["bead"]), 0, 6)),
        zone_level=int(np.clip(round(now["zone"]), 1, 6)),
        rippled=not plan.fused,
    )
    for _, habit, bad in habits_of(plan, person):
        # A bead without ripples has none to be uneven.
        if habit.bead is not None and (len(bead.fronts_mm) or habit is not HABITS["cadence_uneven"]):
            bead = habit.bead(rng, bead, bad)
    view = View(
        tilt_deg=float(rng.uniform(1, 12)),
        tilt_towards_deg=float(rng.uniform(0, 360)),
        turn_deg=float(rng.normal(0, 5)),
        light=tuple(float(v) for v in np.array([1.0, rng.uniform(0.9, 1.0), rng.uniform(0.78, 1.0)])),  # type: ignore[arg-type]
    )
    if shaky(plan, person) and not again:
        view = replace(view, blur_px=9.0)
    scene = Scene(
        bead,
        start_mm=(float(rng.uniform(36, 44)), float(rng.uniform(52, 58))),
        angle_deg=float(rng.normal(0, 1.5)),
        grain_deg=float(rng.uniform(-40, 40)),
        grain=float(rng.uniform(0.2, 0.5)),
        joint=DRAWN_AS.get(plan.joint, "butt"),
        view=view,
        seed=plan.seed,
    )
    return replace(scene, beside=_trials(rng, scene, person, plan))


def shaky(plan: Weld, person: Mapping[str, Any]) -> bool:
    """Whether the phone was moved while the photo was taken: once, at the first attempt from that week on."""
    since = person.get("shaky")
    return since is not None and since <= plan.week < since + 1


def _trials(rng: np.random.Generator, scene: Scene, person: Mapping[str, Any], plan: Weld) -> tuple[Scene, ...]:
    """Shorter beads beside the one that counts, where somebody tries the current out on the same plate."""
    if not person.get("tries_beside") or plan.assignment:
        return ()
    beads = [
        weld(
            rng, length_mm=length, width_mm=plan.target_width_mm * share, width_cv=0.08, pitch_mm=2.4, pitch_cv=0.2, wander_mm=0.2,
            bead_level=level, zone_level=level + 2,
        )
        for length, share, level in ((34.0, 0.75, 1), (41.0, 1.2, 3))
    ]  # fmt: skip
    x, y = scene.start_mm
    places = ((x + 6, y + 14), (x + 12, y - 14))
    return tuple(replace(scene, bead=bead, start_mm=place) for bead, place in zip(beads, places, strict=True))
