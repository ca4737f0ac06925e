"""Drawn photos that many tests share; drawn once by a camera as it is, then read from var/drawn."""

import hashlib
import os
import pickle
from dataclasses import replace
from functools import cache
from pathlib import Path
from typing import Any

import numpy as np

import judicum.camera
from judicum.camera import Fault, Photo, Scene, View, take_photo, weld
from judicum.camera.plate import beads_of_amps, plate_scene
from judicum.camera.truth import truth
from judicum.core.photo import film, scale
from judicum.core.trial import Trial

KEPT = Path(__file__).parents[1] / "var" / "drawn"


@cache
def _camera() -> bytes:
    """One hash over all that a drawing comes from: the camera, and the core's colours and card."""
    files = [*sorted(Path(judicum.camera.__path__[0]).glob("*.py")), Path(film.__file__), Path(scale.__file__)]
    return hashlib.sha256(np.__version__.encode() + b"".join(file.read_bytes() for file in files)).digest()


def taken(scene: Scene) -> Photo:
    """The photo of a scene: drawing it takes several times as long as measuring it."""
    kept = KEPT / hashlib.sha256(_camera() + pickle.dumps(scene)).hexdigest()
    if kept.exists():
        found: Photo = pickle.loads(kept.read_bytes())
        return found
    photo = take_photo(scene)
    KEPT.mkdir(parents=True, exist_ok=True)
    part = kept.with_suffix(f".{os.getpid()}")
    part.write_bytes(pickle.dumps(photo))
    part.rename(kept)
    return photo


@cache
def bead_photo(
    seed: int = 3,
    *,
    length_mm: float = 80.0,
    width_mm: float = 4.6,
    width_cv: float = 0.04,
    pitch_mm: float = 2.1,
    pitch_cv: float = 0.08,
    bead_level: int = 1,
    zone_level: int = 4,
    angle_deg: float = -2.0,
    turn_deg: float = 4.0,
    tilt_deg: float = 6.0,
    rippled: bool = True,
    faults: tuple[Fault, ...] = (),
    light: tuple[float, float, float] = (1.0, 0.97, 0.92),
    exposure: float = 0.85,
    blur_px: float = 0.7,
    size: tuple[int, int] = (1600, 1200),
) -> Photo:
    """A bead on a brushed plate in the window card."""
    bead = weld(
        np.random.default_rng(seed),
        length_mm=length_mm,
        width_mm=width_mm,
        width_cv=width_cv,
        pitch_mm=pitch_mm,
        pitch_cv=pitch_cv,
        wander_mm=0.15,
        bead_level=bead_level,
        zone_level=zone_level,
        rippled=rippled,
        faults=faults,
    )
    view = View(
        size=size, turn_deg=turn_deg, tilt_deg=tilt_deg, light=light, exposure=exposure, blur_px=blur_px, noise=0.005
    )
    start = (45.0, 56.0) if abs(angle_deg) < 45 else (84.0, 36.0)
    return taken(Scene(bead, start, angle_deg, grain_deg=12, grain=0.35, view=view, seed=seed))


@cache
def bare_photo() -> Photo:
    """A plate in the window card with no bead on it."""
    return taken(Scene(None, view=View(tilt_deg=5), seed=9))


@cache
def beads_photo() -> tuple[bytes, list[dict[str, Any]]]:
    """Three beads one under the other on one plate, as a JPEG, with each one's truth from the top down."""
    scenes = []
    for k, (y, length, width) in enumerate(((40.0, 52.0, 3.6), (54.5, 84.0, 5.0), (69.0, 40.0, 4.2))):
        bead = weld(
            np.random.default_rng(30 + k), length_mm=length, width_mm=width, width_cv=0.03, pitch_mm=1.9, pitch_cv=0.08, wander_mm=0.1,
            bead_level=1 + k, zone_level=3,
        )  # fmt: skip
        scenes.append(Scene(bead, (46.0, y), 0.0, grain_deg=0, grain=0.3, seed=9))
    view = View(size=(2400, 1800), tilt_deg=4.0, noise=0.005)
    photo = taken(replace(scenes[0], view=view, beside=tuple(scenes[1:])))
    truths = [truth(scene) for scene in scenes]
    return photo.jpeg, [answer for answer in truths if answer is not None]


def trial_photo(trial: Trial, without: tuple[int, ...] = (), seed: int = 70) -> bytes:
    """The plate of a trial of amps through the card's window, as a JPEG (judicum.camera.plate.beads_of_amps)."""
    places = [(line.at_mm, float(line.value)) for line in trial.lines if line.number not in without]
    return taken(plate_scene(beads_of_amps(places), trial.bead_mm, seed)).jpeg
