"""A photo of a torch held in place over a plate, seen square from the side, with the angle it is held at."""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.decode import encode_jpeg

BENCH = (58, 66, 70)
PLATE = (176, 180, 182)
CUP = (168, 190, 214)
BODY = (46, 44, 48)
TUNGSTEN = (120, 122, 126)
"""BGR, 0 to 255."""


@dataclass(frozen=True)
class TorchPhoto:
    """The picture's file and the truth: the torch from its tip upward and the plate from the joint, [x, y] pixels."""

    jpeg: bytes
    torch: tuple[tuple[float, float], tuple[float, float]]
    plate: tuple[tuple[float, float], tuple[float, float]]


def take_torch_photo(angle_deg: float, size: tuple[int, int] = (1600, 1200), seed: int = 0) -> TorchPhoto:
    """Draw a torch whose axis stands `angle_deg` from the plate, which runs right from the tip (0 to 180)."""
    rng = np.random.default_rng(seed)
    width, height = size
    unit = height / 1200
    tip = np.array([0.45 * width, 0.72 * height])
    along = np.array([np.cos(np.radians(angle_deg)), -np.sin(np.radians(angle_deg))])
    picture = np.empty((height, width, 3), np.float32)
    picture[:] = BENCH
    ground = int(tip[1] + 12 * unit)
    picture[ground : ground + int(34 * unit)] = PLATE
    for part, colour, near, far, half in (
        ("tungsten", TUNGSTEN, 0, 60, 6), ("cup", CUP, 40, 190, 46), ("body", BODY, 190, 420, 34), ("handle", BODY, 420, 560, 40),
    ):  # fmt: skip
        taper = 0.55 if part in ("tungsten", "cup") else 1.0
        shape = _bar(tip, along, near * unit, far * unit, half * taper * unit, half * unit)
        cv2.fillPoly(picture, [np.round(shape * 16).astype(np.int32)], colour, cv2.LINE_AA, 4)
    light = np.linspace(1.12, 0.86, height, dtype=np.float32)[:, None, None]
    noisy = cv2.GaussianBlur(picture * light, (0, 0), 0.9 * unit) + rng.normal(0, 3, picture.shape)
    end = tip + 560 * unit * along
    reach = (0.92 * width, float(tip[1]))
    return TorchPhoto(
        encode_jpeg(np.clip(noisy, 0, 255).astype(np.uint8), 88),
        ((float(tip[0]), float(tip[1])), (float(end[0]), float(end[1]))),
        ((float(tip[0]), float(tip[1])), reach),
    )


def _bar(tip: Floats, along: Floats, near: float, far: float, half_near: float, half_far: float) -> Floats:
    """The corners (4, 2) of a bar along a line from the tip, wider at its far end."""
    across = np.array([-along[1], along[0]])
    return np.array(
        [
            tip + near * along - half_near * across,
            tip + far * along - half_far * across,
            tip + far * along + half_far * across,
            tip + near * along + half_near * across,
        ]
    )
