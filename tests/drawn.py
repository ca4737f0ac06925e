"""Drawn photos that many tests share; drawn once a session."""

from functools import cache
from typing import Any

import cv2
import numpy as np

from judicum.camera import Fault, Photo, Scene, View, take_photo, weld


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
    size: tuple[int, int] = (2000, 1500),
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
    return take_photo(Scene(bead, start, angle_deg, grain_deg=12, grain=0.35, view=view, seed=seed))


@cache
def bare_photo() -> Photo:
    """A plate in the window card with no bead on it."""
    return take_photo(Scene(None, view=View(tilt_deg=5), seed=9))


@cache
def beads_photo() -> tuple[bytes, list[dict[str, Any]]]:
    """Three beads one under the other on one plate, as a JPEG, with each one's truth from the top down."""
    view = View(size=(2400, 1800), tilt_deg=0.0, noise=0.005)
    drawn = []
    for k, (y, length, width) in enumerate(((40.0, 52.0, 3.6), (54.5, 84.0, 5.0), (69.0, 40.0, 4.2))):
        bead = weld(
            np.random.default_rng(30 + k), length_mm=length, width_mm=width, width_cv=0.03, pitch_mm=1.9, pitch_cv=0.08, wander_mm=0.1,
            bead_level=1 + k, zone_level=3,
        )  # fmt: skip
        photo = take_photo(Scene(bead, (46.0, y), 0.0, grain_deg=0, grain=0.3, view=view, seed=9))
        assert photo.truth is not None
        drawn.append((cv2.imdecode(np.frombuffer(photo.jpeg, np.uint8), cv2.IMREAD_COLOR), photo))
    # The view is straight from above, so a row of the picture is a line of the card: each bead's rows from its own photo.
    cuts = cv2.perspectiveTransform(np.array([[[80.0, 47.3], [80.0, 61.7]]]), drawn[0][1].to_px)[0][:, 1].astype(int)
    rows = [slice(0, cuts[0]), slice(cuts[0], cuts[1]), slice(cuts[1], None)]
    whole = np.concatenate([picture[part] for (picture, _), part in zip(drawn, rows, strict=True)])
    return cv2.imencode(".jpg", whole, [cv2.IMWRITE_JPEG_QUALITY, 92])[1].tobytes(), [p.truth for _, p in drawn]
