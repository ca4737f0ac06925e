"""Lamps on a surface, and what a phone makes of the light."""

from dataclasses import dataclass, field
from typing import cast

import cv2
import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.film import linear_to_srgb
from training.texture import Rng, clouds, half_plane

ROOM = 64
HOLLOW_MM = 0.7
"""How far from a wall its foot is in its shade."""


@dataclass(frozen=True)
class Lamps:
    """Directions towards up to three lamps with their strength; `even` is light from everywhere, `shine` the glare's
    strength, `room` (ROOM, ROOM) how bright what a polished slope mirrors is by its slope across and down, `mirrored` how
    much of that a polished surface shows, `shaded` how much darker hollows are."""

    towards: Floats
    strength: Floats
    even: float
    shine: float
    room: Floats = field(default_factory=lambda: np.ones((ROOM, ROOM), np.float32))
    mirrored: float = 0.0
    shaded: float = 0.0

    @classmethod
    def any(cls, rng: Rng) -> "Lamps":
        """Lamps anywhere above the plate."""
        count = int(rng.integers(1, 4))
        turn, up = rng.uniform(0, 2 * np.pi, count), np.radians(rng.uniform(20, 85, count))
        towards = np.stack([np.cos(turn) * np.cos(up), np.sin(turn) * np.cos(up), np.sin(up)], -1)
        return cls(
            towards, rng.dirichlet(np.ones(count)), rng.uniform(0.1, 0.8), rng.choice([0.0, 0.1, 0.4, 0.9]),
            _room(rng), rng.choice([0.0, 0.5, 1.0, 2.0]), rng.choice([0.0, 0.5, 1.5, 3.0]),
        )  # fmt: skip

    def glare(self, rng: Rng, x: Floats, y: Floats) -> Floats:
        """A broad streak or pool of mirrored light on the plate, 0 to 1."""
        at, turn = rng.uniform(0, [x.max(), y.max()]), rng.uniform(0, np.pi)
        along = (x - at[0]) * np.cos(turn) + (y - at[1]) * np.sin(turn)
        aside = (y - at[1]) * np.cos(turn) - (x - at[0]) * np.sin(turn)
        return np.exp(-((along / rng.uniform(5, 60)) ** 2) - (aside / rng.uniform(1.5, 30)) ** 2)


def _room(rng: Rng) -> Floats:
    """Walls, windows and dark corners, bright by chance."""
    room = np.exp(rng.uniform(0.2, 0.9) * clouds(rng, (ROOM, ROOM), rng.uniform(8, 40)))
    for _ in range(int(rng.integers(0, 3))):
        row, column = rng.integers(0, ROOM, 2)
        high, wide = rng.integers(3, 24, 2)
        room[row : row + high, column : column + wide] *= np.float32(rng.choice([0.1, 0.3, 3.0, 6.0]))
    return cv2.GaussianBlur(room.astype(np.float32), (0, 0), rng.choice([0.8, 2.0, 5.0]))


def lit(height_mm: Floats, px_per_mm: float, gloss: Floats, lamps: Lamps) -> Floats:
    """Brightness of a surface of that height under the lamps, 1 where it lies flat."""
    slope_y, slope_x = np.gradient(height_mm * px_per_mm)
    slope_x, slope_y = np.clip(slope_x, -3, 3), np.clip(slope_y, -3, 3)
    upright = 1 / np.sqrt(1 + slope_x**2 + slope_y**2)
    total: Floats = np.full(height_mm.shape, lamps.even, np.float32)
    flat = lamps.even + 0 * gloss
    sharp = 6 + 60 * gloss
    for towards, strength in zip(lamps.towards, lamps.strength, strict=True):
        facing = np.clip((towards[2] - slope_x * towards[0] - slope_y * towards[1]) * upright, 0, None)
        half = towards + np.array([0, 0, 1.0])
        half = half / np.linalg.norm(half)
        mirror = np.clip((half[2] - slope_x * half[0] - slope_y * half[1]) * upright, 0, None) ** sharp
        total = total + strength * (facing + 2.0 * gloss * mirror)
        flat = flat + strength * (towards[2] + 2.0 * gloss * half[2] ** sharp)
    if lamps.mirrored:
        across, down = (((0.5 + 0.5 * slope * upright) * (ROOM - 1)).astype(np.float32) for slope in (slope_x, slope_y))
        seen = cast(Floats, cv2.remap(lamps.room, across, down, cv2.INTER_LINEAR))
        total = total + lamps.mirrored * gloss * seen
        flat = flat + lamps.mirrored * gloss * lamps.room[ROOM // 2, ROOM // 2]
    light = np.clip(total / flat, 0.02, 6)
    if lamps.shaded:
        above = cv2.GaussianBlur(height_mm.astype(np.float32), (0, 0), HOLLOW_MM * px_per_mm) - height_mm
        light = light * np.exp(-lamps.shaded * np.clip(above, 0, 1.0) / HOLLOW_MM)
    return light


def develop(rng: Rng, picture: Floats, px_per_mm: float) -> Pixels:
    """Linear light (rows, columns, 3) to the phone's picture: exposure, colour, blur, noise, sharpening, JPEG."""
    shape = picture.shape[:2]
    slope = 1 + rng.uniform(0, 0.35) * np.linspace(-1, 1, shape[1])[None] * rng.choice([-1, 1])
    slope = slope * (1 + rng.uniform(0, 0.25) * np.linspace(-1, 1, shape[0])[:, None] * rng.choice([-1, 1]))
    tint = np.exp(rng.normal(0, rng.choice([0.02, 0.07, 0.15]), 3))
    middle = float(np.quantile(picture, 0.6))
    picture = picture * slope[..., None] * tint * (np.exp(rng.uniform(-1.7, -0.3)) / max(middle, 1e-3))
    blur = rng.choice([0.04, 0.08, 0.14, 0.22]) * px_per_mm
    picture = cast(Floats, cv2.GaussianBlur(picture.astype(np.float32), (0, 0), max(blur, 0.25)))
    if rng.random() < 0.2:  # the lens does not see all of it sharp
        picture = half_sharp(rng, picture, rng.uniform(0.1, 0.2) * px_per_mm)
    noise = rng.uniform(0.0, 0.03) * np.sqrt(np.clip(picture, 0.005, 1))
    soft = rng.standard_normal(picture.shape).astype(np.float32)
    if rng.random() < 0.4:
        soft = 0.6 * soft + 0.8 * cv2.GaussianBlur(soft, (0, 0), 0.8)
    picture = np.clip(picture + noise * soft, 0, 1)
    seen = linear_to_srgb(picture)
    if rng.random() < 0.4:
        seen = seen + rng.uniform(0.2, 1.0) * (seen - cv2.GaussianBlur(seen, (0, 0), rng.uniform(0.6, 1.5)))
    if rng.random() < 0.3:
        seen = seen * (1 + 0.04 * clouds(rng, shape, px_per_mm * 15)[..., None])
    pixels: Pixels = np.clip(seen * 255 + 0.5, 0, 255).astype(np.uint8)
    if rng.random() < 0.5:
        _, file = cv2.imencode(".jpg", pixels, [cv2.IMWRITE_JPEG_QUALITY, int(rng.integers(55, 96))])
        again = cv2.imdecode(file, cv2.IMREAD_COLOR)
        assert again is not None
        pixels = cast(Pixels, again)
    return pixels


def half_sharp(rng: Rng, picture: Floats, blur_px: float) -> Floats:
    """A picture (rows, columns, 3) that goes from sharp on one side to blurred on the other."""
    soft = cv2.GaussianBlur(picture, (0, 0), blur_px)
    high, wide = (np.linspace(0, 1, k) for k in picture.shape[:2])
    depth = half_plane(
        rng, wide[None], high[:, None], rng.uniform(0, 1, 2), rng.uniform(0, 2 * np.pi), rng.uniform(0.05, 0.4)
    )
    return picture + (soft - picture) * depth[..., None].astype(np.float32)


def as_picture(light: Floats) -> Pixels:
    """The picture of linear light."""
    return np.clip(linear_to_srgb(np.clip(light, 0, 1)) * 255 + 0.5, 0, 255).astype(np.uint8)
