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
    return take_photo(scene).jpeg
