"""How each attempt's photo is drawn."""

from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from judicum.camera import Fault, Scene, View, take_photo, weld


@dataclass(frozen=True)
class Weld:
    """One attempt to be drawn: who, at which assignment, which attempt, and how far through the course (0 to 1)."""

    student: int
    assignment: int
    number: int
    share: float
    target_width_mm: float
    joint: str

    @property
    def seed(self) -> int:
        return 1000 * (self.student + 1) + 10 * self.assignment + self.number


def draw(plan: Weld, person: dict[str, Any]) -> bytes:
    """The JPEG file of one attempt; the same plan gives the same file."""
    rng = np.random.default_rng(plan.seed)

    def now(key: str) -> float:
        """A trait between its first and last value, with a bad or a good day now and then."""
        straight = person["from"][key] * (1 - plan.share) + person["to"][key] * plan.share
        return float(straight * rng.normal(1, 0.10))

    width = plan.target_width_mm * float(rng.normal(1.0, 0.05))
    faults: tuple[Fault, ...] = ()
    if person.get("faults"):
        kind = "pore" if plan.number % 2 else "sugaring"
        faults = (
            Fault(kind, float(rng.uniform(25, 60)), float(rng.uniform(-0.6, 0.6)), 0.9 if kind == "pore" else 8.0),
        )
    bead = weld(
        rng,
        length_mm=float(rng.uniform(76, 92)),
        width_mm=width,
        width_cv=now("width_cv"),
        pitch_mm=float(rng.normal(2.2, 0.12)),
        pitch_cv=now("pitch_cv"),
        wander_mm=now("wander_mm"),
        bead_level=int(np.clip(round(now("bead")), 0, 6)),
        zone_level=int(np.clip(round(now("zone")), 1, 6)),
        drift=person.get("drift", 0.0),
        lapses=person.get("lapses", 0) if plan.share < 0.7 else 0,
        faults=faults,
    )
    view = View(
        tilt_deg=float(rng.uniform(1, 14)),
        tilt_towards_deg=float(rng.uniform(0, 360)),
        turn_deg=float(rng.normal(0, 5)),
        light=tuple(float(v) for v in np.array([1.0, rng.uniform(0.9, 1.0), rng.uniform(0.78, 1.0)])),  # type: ignore[arg-type]
    )
    if person.get("shaky") and plan.assignment and plan.number > 1:
        view = replace(view, blur_px=9.0)
    scene = Scene(
        bead,
        start_mm=(float(rng.uniform(36, 44)), float(rng.uniform(52, 58))),
        angle_deg=float(rng.normal(0, 1.5)),
        grain_deg=float(rng.uniform(-40, 40)),
        grain=float(rng.uniform(0.2, 0.6)),
        joint=plan.joint,
        view=view,
        seed=plan.seed,
    )
    return take_photo(replace(scene, beside=_trials(rng, scene, person, plan))).jpeg


def _trials(rng: np.random.Generator, scene: Scene, person: dict[str, Any], plan: Weld) -> tuple[Scene, ...]:
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
