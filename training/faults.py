"""Faults drawn on a bead, with their labels."""

import numpy as np

from judicum.core.arrays import Floats, Pixels
from training.labels import CRATER, FRONT, GRANULAR, GROOVE, HOLE, PORE, SPECK
from training.texture import Rng, clouds


def _spot(s: Floats, off: Floats, rng: Rng, where_s: float, where_n: float, size: float) -> Floats:
    """Distance from a ragged disc's rim in radii: under 1 inside."""
    ds, dn = s - where_s, off - where_n
    angle = np.arctan2(dn, ds)
    ragged = 1 + rng.uniform(0, 0.15) * np.sin(3 * angle + rng.uniform(0, 6)) + 0.05 * np.sin(7 * angle)
    return np.hypot(ds, dn * rng.uniform(0.8, 1.2)) / (size / 2 * ragged)


def splinter(rng: Rng, ds: Floats, dn: Floats) -> Floats:
    """Distance from the middle of a piece with straight edges, three to six of them, in its own size: under 1 inside."""
    sides = int(rng.integers(3, 7))
    turns = np.sort(
        rng.uniform(0, 2 * np.pi) + (np.arange(sides) + rng.uniform(-0.25, 0.25, sides)) * 2 * np.pi / sides
    )
    flat, lean = rng.uniform(0.4, 1.0), rng.uniform(0, np.pi)
    a = ds * np.cos(lean) + dn * np.sin(lean)
    b = (dn * np.cos(lean) - ds * np.sin(lean)) / flat
    return np.max([(a * np.cos(turn) + b * np.sin(turn)) / 0.8 for turn in turns], axis=0)


def faults(
    rng: Rng, s: Floats, off: Floats, half: Floats, beyond: Floats, solid: Pixels, long: float, width: float,
    px_per_mm: float, colour: Floats, gloss: Floats, surface: Pixels, extras: Floats,
) -> tuple[Floats, Floats]:  # fmt: skip
    """Faults of any kind by chance on a bead, whose colour and gloss come back with them.

    Args:
        s, off, half, beyond: along the bead, from its middle, half its width there, past its toe, mm; `solid` its face.
        surface, extras: labels, which are written into.
    """
    shape = s.shape
    edge = 0.8 / px_per_mm

    def lay(cover: Floats, tone: Floats | float) -> None:
        nonlocal colour
        cover = np.clip(cover, 0, 1)[..., None]
        colour = colour * (1 - cover) + tone * cover

    def place() -> tuple[float, float]:
        return float(rng.uniform(1, long - 1)), float(rng.uniform(-0.32, 0.32) * width)

    if rng.random() < 0.18:  # grey, dull, granular: a patch or all of it
        far = rng.uniform(2, 9) if rng.random() < 0.85 else 3 * long
        away = np.hypot((s - rng.uniform(0, long)) / far, off / (half * rng.uniform(0.9, 1.6) + 0.01))
        away = away + rng.uniform(0, 0.2) * clouds(rng, shape, px_per_mm * 0.5)
        cover = np.clip((1 - away) / 0.15, 0, 1)
        coarse = np.exp(rng.uniform(0.15, 0.7) * clouds(rng, shape, px_per_mm * rng.uniform(0.12, 0.5)))
        tone = np.exp(rng.uniform(-2.4, -0.9)) * coarse[..., None]
        lay(cover, tone)
        gloss = gloss * (1 - cover)
        grey = (cover > 0.5) & solid
        surface[grey] = GRANULAR
        extras[FRONT][cover > 0.3] = 0
    if rng.random() < 0.15:
        size = rng.uniform(0.45, 1.1) * width
        where_s, where_n = place()
        away = _spot(s, off, rng, where_s, where_n * 0.5, size)
        rim = np.exp(-(((away - 1.1) / 0.12) ** 2))
        colour = colour * (1 + rng.uniform(-0.5, 0.7) * rim)[..., None]
        lit = rng.random() < 0.5
        below = rng.choice([0.1, 0.2, 0.3, 0.5] if lit else [0.01, 0.05, 0.3, 0.8]) * rng.uniform(
            0.4, 1.2, 1 if lit else 3
        )
        if rng.random() < 0.5:
            below = below * np.exp(0.3 * clouds(rng, shape, px_per_mm))[..., None]
        if lit:  # the lit bench, seen past the dark wall of the sheet: wider on the side that leans to the camera
            wall, turn = rng.uniform(0.05, 0.35), rng.uniform(0, 2 * np.pi)
            seen = _spot(
                s, off, rng, where_s + 0.6 * wall * np.cos(turn), where_n * 0.5 + 0.6 * wall * np.sin(turn), size
            )
            walled = np.clip((1 - wall - seen) * size / 2 / edge + 0.5, 0, 1)[..., None]
            below = rng.uniform(0.003, 0.03) * (1 - walled) + below * walled
        lay((1 - away) * size / 2 / edge + 0.5, below)
        hole = (away < 1) & (beyond < 0.6)
        surface[hole] = HOLE
        extras[FRONT][away < 1.15] = 0
        gloss = np.where(away < 1, 0, gloss)
    if rng.random() < 0.25:
        for _ in range(int(rng.integers(1, 5))):
            size = rng.uniform(0.3, 1.3)
            away = _spot(s, off, rng, *place(), size)
            rim = np.exp(-(((away - 1.2) / 0.25) ** 2)) * rng.uniform(-0.4, 0.7)
            colour = colour * (1 + rim)[..., None]
            lay((1 - away) * size / 2 / edge + 0.5, float(np.exp(rng.uniform(-5, -2.6))))
            extras[PORE][(away < 1) & solid] = 1
            extras[FRONT][away < 1] = 0
    if rng.random() < 0.3:
        for _ in range(int(rng.integers(1, 4))):
            where_s, where_n = place()
            size = rng.uniform(0.4, 1.5)
            away = splinter(rng, s - where_s, off - where_n) / (size / 2)
            tone = np.exp(rng.uniform(-3.2, 0.5)) * (1 + 0.3 * rng.standard_normal(3) * (rng.random() < 0.3))
            tone = np.clip(tone, 0.01, None) * np.ones((*shape, 3))
            if rng.random() < 0.6:  # a facet that catches the light, a bright rim
                turn = rng.uniform(0, 2 * np.pi)
                tilt = ((s - where_s) * np.cos(turn) + (off - where_n) * np.sin(turn)) / size
                tone = tone * np.exp(rng.uniform(0.2, 1.2) * np.clip(tilt, -1, 1))[..., None]
                tone = tone * np.exp(rng.uniform(-0.3, 0.9) * (away > 0.75))[..., None]
            lay((1 - away) * size / 2 / edge + 0.5, tone)
            extras[SPECK][(away < 1) & solid] = 1
    if rng.random() < 0.25:
        size = rng.uniform(0.35, 0.9) * width
        end = rng.choice([0.0, long])
        where_s = end + (size / 2 + rng.uniform(0.1, 0.5) * width) * (1 if end == 0 else -1)
        away = _spot(s, off, rng, where_s, rng.normal(0, 0.06) * width, size)
        turn = rng.uniform(0, 2 * np.pi)
        slope = np.clip(away, 0, 1) * np.cos(np.arctan2(off, s - where_s) - turn)
        if rng.random() < 0.5:  # a dish with rings in it, or a knob in its middle
            slope = slope + rng.uniform(0.2, 0.8) * np.cos(np.pi * rng.uniform(1.5, 5) * away) * np.clip(away, 0.2, 1)
        bowl = np.clip((1.05 - away) / 0.2, 0, 1)
        colour = colour * (1 - bowl * (rng.uniform(0.0, 0.5) - rng.uniform(0.2, 0.6) * slope))[..., None]
        colour = colour * (1 + rng.uniform(-0.7, 0.3) * np.exp(-(((away - 1) / 0.12) ** 2)))[..., None]
        if rng.random() < 0.4:
            lay((0.3 - np.hypot(s - where_s, off)) / edge + 0.5, 0.012)
        extras[CRATER][(away < 1) & solid] = 1
        extras[FRONT][away < 1] = 0
    if rng.random() < 0.2:
        side, far, size = rng.choice([-1.0, 1.0]), rng.uniform(0, long), rng.uniform(3, 18)
        ends = np.clip((size / 2 - np.abs(s - far)) / 1.0, 0, 1) * (side * off > 0)
        wide = rng.uniform(0.12, 0.4)
        # At the toe, or past a strip of sheet that stayed: a lens that narrows to its ends, its edges catching the light.
        strip_mm = wide * 0.6 if rng.random() < 0.5 else rng.uniform(0.1, 0.7)
        narrow = wide * np.sqrt(np.clip(1 - (2 * np.abs(s - far) / size) ** 2, 0.04, 1)) if rng.random() < 0.5 else wide
        groove = np.exp(-(((beyond - strip_mm) / narrow) ** 2)) * ends
        colour = colour * (1 - rng.uniform(0.5, 0.95) * groove)[..., None]
        if rng.random() < 0.5:
            rims = np.exp(-(((np.abs(beyond - strip_mm) - 1.2 * narrow) / 0.08) ** 2)) * ends
            colour = colour * (1 + rng.uniform(0.3, 2.5) * rims)[..., None]
        extras[GROOVE][(groove > 0.5)] = 1
    return colour, gloss
