"""A practice plate with short beads side by side, photographed through the window card."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

import numpy as np

from judicum.camera.draw import Photo, take_photo
from judicum.camera.scene import Scene, View, weld

CORNER_MM = (25.0, 55.0)
"""mm on the card: the blank's left edge, and the middle of the window."""


@dataclass(frozen=True)
class PlateBead:
    """A bead across the plate: where along it, how wide, and its tint levels on the face and beside it."""

    at_mm: float
    width_mm: float
    bead_level: int
    zone_level: int


def plate_scene(beads: Iterable[PlateBead], bead_mm: float, seed: int = 70) -> Scene:
    """The scene of a plate whose beads are each `bead_mm` long."""
    scenes = []
    for k, one in enumerate(beads):
        drawn = weld(
            np.random.default_rng(seed + k), length_mm=bead_mm, width_mm=one.width_mm, width_cv=0.03, pitch_mm=1.8, pitch_cv=0.08,
            wander_mm=0.1, bead_level=one.bead_level, zone_level=one.zone_level,
        )  # fmt: skip
        start = (CORNER_MM[0] + one.at_mm, CORNER_MM[1] - bead_mm / 2)
        scenes.append(Scene(drawn, start, 90.0, grain_deg=0, grain=0.3, seed=9))
    view = View(size=(2400, 1800), tilt_deg=4.0, noise=0.005)
    return replace(scenes[0], view=view, beside=tuple(scenes[1:]))


def take_plate_photo(beads: Iterable[PlateBead], bead_mm: float, seed: int = 70) -> Photo:
    """Its photo."""
    return take_photo(plate_scene(beads, bead_mm, seed))


def beads_of_amps(places: Iterable[tuple[float, float]]) -> list[PlateBead]:
    """Beads of a steady hand at places (mm) and currents (A): 3.9 mm wide and gold at 53 A, wider and darker with more."""
    found = []
    for at, amps in places:
        ratio = amps / 53
        bead, zone = (int(np.clip(round(level + 6 * np.log(ratio)), least, 6)) for level, least in ((2, 0), (3, 1)))
        found.append(PlateBead(at, 3.9 * ratio**0.9, bead, zone))
    return found
