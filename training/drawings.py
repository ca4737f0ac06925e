"""Crude drawings of beads, of far greater breadth than any workshop shows, with their labels.

A drawing is made straight on the card plane (or on a band along the bead). What is under, on and
beside a bead varies independently, beyond what is plausible, so that a real photo is one more variation.
"""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.film import film_lab, lab_to_linear
from training.decoys import decoys
from training.faults import faults
from training.labels import EXTRAS, FACE, FRONT, OTHER, TINTED
from training.light import Lamps, develop, lit
from training.texture import Rng, along_noise, clouds, grain, half_plane, strokes

STEP_MM = 0.1
FRONT_SIGMA_MM = 0.11
SURROUNDED = 0.55
"""Share of the drawings in which card, bench, rods or clamps are seen."""


@dataclass
class Drawing:
    """A drawn picture (rows, columns, 3) uint8, its surfaces (rows, columns) and extras (EXTRAS, rows, columns) 0 to 1."""

    picture: Pixels
    surface: Pixels
    extras: Floats


def draw(rng: Rng, shape: tuple[int, int], px_per_mm: float, most_turn_deg: float, with_bead: float = 0.9) -> Drawing:
    """One drawing of `shape` (rows, columns); the bead lies within `most_turn_deg` of the rows' direction."""
    rows, columns = shape
    x, y = np.meshgrid((np.arange(columns) + 0.5) / px_per_mm, (np.arange(rows) + 0.5) / px_per_mm)
    x, y = x.astype(np.float32), y.astype(np.float32)
    lamps = Lamps.any(rng)
    colour, height, gloss = _plate(rng, x, y, px_per_mm)
    surface = np.zeros(shape, np.uint8)
    extras = np.zeros((EXTRAS, rows, columns), np.float32)
    angle = np.radians(rng.uniform(-most_turn_deg, most_turn_deg))
    middle = np.array([rng.uniform(0.3, 0.7) * x.max(), y.max() / 2 + rng.normal(0, 0.12) * y.max()])
    joint_at = middle + rng.normal(0, 0.6, 2)
    if rng.random() < 0.6:
        colour = _joint(rng, x, y, joint_at, angle + rng.normal(0, 0.03), colour)
    if rng.random() < 0.25:
        colour = _shadow(rng, x, y, colour)
    if rng.random() < 0.2:  # the edge of a second plate
        step = rng.uniform(-1.5, 1.5) * half_plane(
            rng, x, y, joint_at, angle + rng.normal(0, 0.03), rng.uniform(0.05, 0.4)
        )
        height = height + step.astype(np.float32)
    beads = 0 if rng.random() > with_bead else 1 if rng.random() < 0.85 else int(rng.integers(2, 4))
    if not beads and rng.random() < 0.7:
        colour = _stripe(rng, x, y, middle, angle, colour)
    for k in range(beads):
        aside = k * rng.uniform(8, 16) * rng.choice([-1, 1]) * np.array([-np.sin(angle), np.cos(angle)])
        colour, height, gloss = _bead(
            rng, x, y, px_per_mm, middle + aside, angle, (colour, height, gloss), surface, extras
        )
    if rng.random() < 0.35:
        ink = strokes(rng, shape, px_per_mm, int(rng.integers(1, 6)), (0.1, 1.2)) * (surface <= TINTED)
        tone = rng.uniform(0, 0.5, 3) if rng.random() < 0.7 else rng.uniform(0.5, 1.6, 3)
        colour = colour * (1 - ink[..., None]) + tone * ink[..., None]
    light = lit(height, px_per_mm, gloss, lamps)
    picture: Floats = colour * light[..., None] + lamps.shine * gloss[..., None] * lamps.glare(rng, x, y)[..., None]
    if rng.random() < SURROUNDED:
        picture = _surroundings(rng, x, y, px_per_mm, picture, surface, extras)
    return Drawing(develop(rng, picture, px_per_mm), surface, extras)


def _film(rng: Rng, film: Floats) -> Floats:
    """Linear colour (…, 3) of a film thickness in nm over bare metal of 1."""
    bare = lab_to_linear(film_lab(np.zeros(1)))[0]
    table = (lab_to_linear(film_lab(np.arange(0.0, 76.0))) / bare).astype(np.float32)
    table = table * (1 - (w := rng.uniform(0, 0.35))) + w
    return table[np.clip(np.round(film), 0, 75).astype(np.int32)]


def _plate(rng: Rng, x: Floats, y: Floats, px_per_mm: float) -> tuple[Floats, Floats, Floats]:
    shape = x.shape
    tone = np.exp(rng.uniform(-1.6, -0.15)) * (1 + 0.12 * rng.standard_normal(3) * (rng.random() < 0.4))
    streaks = rng.choice([0.0, 0.05, 0.12, 0.25, 0.5]) * grain(rng, shape, px_per_mm, rng.uniform(0, 180))
    if rng.random() < 0.3:
        streaks += rng.uniform(0.02, 0.25) * grain(rng, shape, px_per_mm, rng.uniform(0, 180))
    mottle = rng.uniform(0, 0.2) * clouds(rng, shape, px_per_mm * rng.uniform(0.5, 20))
    speckle = rng.uniform(0, 0.12) * clouds(rng, shape, px_per_mm * 0.25)
    colour = tone * np.exp(streaks + mottle + speckle)[..., None]
    if rng.random() < 0.5:
        scratch = strokes(rng, shape, px_per_mm, int(rng.integers(1, 25)), (0.03, 0.25))
        colour = colour * np.exp(rng.uniform(-1.6, 1.2) * scratch)[..., None]
    if rng.random() < 0.15:
        rust = np.clip(clouds(rng, shape, px_per_mm * rng.uniform(1, 8)) - rng.uniform(0.6, 1.6), 0, 1)[..., None]
        colour = colour * (1 - rust) + np.array([0.03, 0.08, 0.22]) * rust
    if rng.random() < 0.25:
        for _ in range(int(rng.integers(2, 25))):
            spot = rng.uniform(0, [x.max(), y.max()])
            away = np.hypot(x - spot[0], y - spot[1]) / rng.uniform(0.1, 0.8)
            colour = colour * (1 - (rng.uniform(0.3, 0.95) * np.clip((1.1 - away) / 0.2, 0, 1))[..., None])
    bend = 0.0
    if rng.random() < 0.2:  # a tube
        bend = -((y - y.mean() + rng.uniform(-6, 6)) ** 2) / (2 * rng.uniform(14, 50))
    gloss = np.full(shape, rng.choice([0.0, 0.1, 0.4, 1.0]), np.float32)
    return colour.astype(np.float32), (np.zeros(shape) + bend).astype(np.float32), gloss


def _joint(rng: Rng, x: Floats, y: Floats, at: Floats, angle: float, colour: Floats) -> Floats:
    """Two parts that meet in a line: another tone, a seam, a step's shadow of any strength."""
    side = half_plane(rng, x, y, at, angle, rng.choice([0.03, 0.1, 0.5]))[..., None]
    off = (y - at[1]) * np.cos(angle) - (x - at[0]) * np.sin(angle)
    if rng.random() < 0.6:
        colour = colour * (1 + (np.exp(rng.normal(0, 0.45)) - 1) * side)
    if rng.random() < 0.8:
        seam = np.exp(-((off / rng.uniform(0.05, 0.5)) ** 2))[..., None]
        colour = colour * (1 + (rng.choice([-0.9, -0.6, -0.3, 0.5]) * seam))
    if rng.random() < 0.5:
        far = np.clip(rng.choice([-1, 1]) * off, 0, None)
        colour = colour * (1 - rng.uniform(0.2, 0.85) * np.exp(-far / rng.uniform(0.2, 4.0)) * (far > 0))[..., None]
    return colour


def _shadow(rng: Rng, x: Floats, y: Floats, colour: Floats) -> Floats:
    at = rng.uniform(0, [x.max(), y.max()])
    cast = half_plane(rng, x, y, at, rng.uniform(0, np.pi), rng.choice([0.1, 0.5, 3.0]))
    return colour * (1 - rng.uniform(0.2, 0.6) * cast)[..., None]


def _stripe(rng: Rng, x: Floats, y: Floats, at: Floats, angle: float, colour: Floats) -> Floats:
    """Heat tint where there is no bead."""
    off = (y - at[1]) * np.cos(angle) - (x - at[0]) * np.sin(angle)
    film = rng.uniform(8, 74) * np.exp(-((np.abs(off) / rng.uniform(0.8, 5)) ** rng.uniform(1, 3)))
    return colour * _film(rng, film)


def _bead(
    rng: Rng, x: Floats, y: Floats, px_per_mm: float, middle: Floats, angle: float,
    under: tuple[Floats, Floats, Floats], surface: Pixels, extras: Floats,
) -> tuple[Floats, Floats, Floats]:  # fmt: skip
    """Lay one bead over what is there; writes its labels into `surface` and `extras`."""
    colour, height, gloss = under
    shape = x.shape
    width = float(np.exp(rng.uniform(np.log(1.7), np.log(11.0))))
    long = float(rng.uniform(12, 130))
    place = middle + np.array([np.cos(angle), np.sin(angle)]) * rng.uniform(-0.3, 0.3) * long
    s = ((x - place[0]) * np.cos(angle) + (y - place[1]) * np.sin(angle) + long / 2).astype(np.float32)
    n = ((y - place[1]) * np.cos(angle) - (x - place[0]) * np.sin(angle)).astype(np.float32)
    at = np.arange(0.0, long, STEP_MM)
    centre = rng.uniform(0, 0.5) * along_noise(rng, len(at), STEP_MM, rng.uniform(5, 25))
    centre = centre + rng.choice([0, 0, 0, 0.003]) * (at - long / 2) ** 2 * rng.choice([-1, 1])
    even = rng.choice([0.01, 0.03, 0.06, 0.12])
    left, right = (
        width / 2 * np.clip(1 + even * (along_noise(rng, len(at), STEP_MM, rng.uniform(2, 9))), 0.4, 1.8)
        for _ in range(2)
    )
    grow = 1 + rng.normal(0, 0.12) * (at / long - 0.5)
    left, right = left * grow, right * grow
    whole = np.ones_like(at)
    if rng.random() < 0.3:
        for _ in range(int(rng.integers(1, 3))):
            rim = np.clip(
                (rng.uniform(1.0, 4.0) - np.abs(at - rng.uniform(0, long))) / rng.uniform(0.5, 1.5) + 0.5, 0, 1
            )
            whole = whole * (1 + rim * rng.choice([0.6, 0.45, -0.5, -0.75, -1.0]))
    left, right = left * whole, right * whole
    inner = np.clip(s, 0, at[-1])
    mid, low, high = (np.interp(inner, at, v).astype(np.float32) for v in (centre, left, right))
    off = n - mid
    half = np.where(off < 0, low, high)
    cap = width / 2 * rng.uniform(0.35, 1.7)
    power = rng.uniform(1.6, 3.0)
    tip = np.clip(np.maximum(cap - s, s - (long - cap)) / cap, 0, None)
    reach = half * np.clip(1 - tip**power, 0, 1) ** (1 / power)
    beyond = np.where(
        tip > 0,
        ((np.abs(off) / np.maximum(half, 0.05)) ** power + tip**power) ** (1 / power) * half - half,
        np.abs(off) - reach,
    )
    beyond = np.where(half < 0.12, np.maximum(beyond, 0.3), beyond).astype(np.float32)
    inside = np.clip(0.5 - beyond * px_per_mm, 0, 1).astype(np.float32)
    across = np.clip(np.abs(off) / np.maximum(half, 0.05), 0, 1)
    # Film beside the bead, left and right, and on its face: independent of one another.
    zone = rng.choice([0.0, 1.0], p=[0.12, 0.88]) * rng.uniform(4, 74)
    fade = rng.uniform(0.4, 7.0) * np.exp(rng.normal(0, 0.25, 2))
    spread = np.where(off < 0, fade[0], fade[1]) * np.exp(0.18 * clouds(rng, shape, px_per_mm * 5))
    film = zone * np.exp(-1.6 * (np.clip(beyond, 0, None) / spread) ** rng.uniform(1.0, 2.2))
    face_film = (
        rng.uniform(0, 74) * (rng.random() < 0.8) * np.exp(rng.uniform(0, 0.2) * clouds(rng, shape, px_per_mm * 3))
    )
    if rng.random() < 0.3:
        face_film = face_film + rng.normal(0, 12) * (s / long)
    if rng.random() < 0.2:
        dust = np.exp(-((np.clip(beyond, 0, None) / rng.uniform(0.5, 4)) ** 2)) * np.exp(
            0.4 * clouds(rng, shape, px_per_mm)
        )
        colour = colour * (1 - (rng.uniform(0.1, 0.6) * np.clip(dust, 0, 1.2))[..., None])
    colour = colour * _film(rng, film) if rng.random() < 0.95 else colour
    tone = np.exp(rng.uniform(-1.5, -0.1)) * (1 + 0.08 * rng.standard_normal(3))
    face = (
        tone
        * np.exp(rng.uniform(0, 0.15) * clouds(rng, shape, px_per_mm * rng.uniform(0.2, 1.5)))[..., None]
        * _film(rng, np.clip(face_film, 0, 74))
    )
    surface[(film > 9) & (surface == OTHER)] = TINTED
    # Profile from sunken to humped, ripples of any shape and depth.
    profile = rng.uniform(-0.1, 0.45) * width * np.sqrt(np.clip(1 - across ** rng.choice([2, 2, 4, 8]), 0, 1))
    profile = profile * np.clip((1 - np.clip(tip, 0, 1) ** power), 0, 1) ** 0.5
    rippled = _ripples(rng, s, off, across, half, long, width, at, px_per_mm, shape)
    if rippled is not None:
        lift, notch, heat = rippled
        profile = profile + lift * inside
        face = face * (1 - notch)[..., None]
        extras[FRONT] = np.maximum(extras[FRONT] * (1 - inside), heat * inside)
    # The bead fills what lies under it.
    filled = cv2.GaussianBlur(height, (0, 0), width * px_per_mm / 4) if np.ptp(height) > 0 else height
    height = height * (1 - inside) + (filled + profile) * inside
    gloss = gloss * (1 - inside) + inside * rng.choice([0.0, 0.1, 0.3, 0.6, 1.0])
    # Lines at the toe: dark undercut edge, light roll.
    for _ in range(int(rng.integers(0, 3))):
        line = np.exp(-(((beyond - rng.normal(0, 0.1)) / rng.uniform(0.05, 0.25)) ** 2))
        amount = rng.uniform(-0.85, 0.5)
        face, colour = face * (1 + amount * line)[..., None], colour * (1 + amount * line)[..., None]
    colour = colour * (1 - inside[..., None]) + face * inside[..., None]
    solid = inside > 0.5
    surface[solid] = FACE
    colour = decoys(rng, s, off, half, beyond, long, width, px_per_mm, colour)
    colour, gloss = faults(rng, s, off, half, beyond, solid, long, width, px_per_mm, colour, gloss, surface, extras)
    return colour.astype(np.float32), height.astype(np.float32), gloss.astype(np.float32)


def _ripples(
    rng: Rng, s: Floats, off: Floats, across: Floats, half: Floats, long: float, width: float, at: Floats,
    px_per_mm: float, shape: tuple[int, int],
) -> tuple[Floats, Floats, Floats] | None:  # fmt: skip
    if rng.random() < 0.25:
        return None
    pitch = float(np.exp(rng.uniform(np.log(0.6), np.log(4.2))))
    pitch = max(pitch, 4.5 / px_per_mm)
    uneven = rng.choice([0.03, 0.1, 0.2, 0.35])
    gaps = np.clip(pitch * (1 + uneven * rng.standard_normal(int(long / pitch * 2.5) + 8)), 0.4 * pitch, None)
    fronts = np.cumsum(gaps) - pitch
    fronts = fronts[fronts < long + 2 * pitch]
    if len(fronts) < 4:
        return None
    way = rng.choice([-1.0, 1.0], p=[0.12, 0.88])
    bow = rng.uniform(0.1, 1.3) * width / 2
    lead = s + way * bow * across ** rng.uniform(1.5, 3.0) + rng.uniform(0, 0.08) * clouds(rng, shape, px_per_mm * 0.9)
    lead = lead + rng.uniform(-0.2, 0.2) * off
    index = np.clip(np.searchsorted(fronts, lead.ravel()).reshape(lead.shape), 1, len(fronts) - 1)
    below, above = fronts[index - 1], fronts[index]
    part = np.clip((lead - below) / (above - below), 0, 1)
    deep = rng.choice([0.02, 0.06, 0.12, 0.25]) * min(1.0, pitch / 1.5)
    # Whatever the shape of a scale, its front is where the next one begins: a step or a valley, never a crest.
    shape_of = rng.choice(["saw", "round", "wave"])
    lift = {
        "saw": np.sqrt(part) * (1 - part**6),
        "round": np.sin(np.pi * part),
        "wave": 0.5 - 0.5 * np.cos(2 * np.pi * part),
    }[str(shape_of)]
    near = np.minimum(np.abs(lead - below), np.abs(above - lead))
    heat = np.exp(-0.5 * (near / FRONT_SIGMA_MM) ** 2).astype(np.float32)
    wide = rng.uniform(0.06, 0.28)
    notch = rng.choice([0.0, 0.2, 0.45, 0.7, -0.3], p=[0.3, 0.2, 0.2, 0.2, 0.1]) * np.exp(-((near / wide) ** 2))
    if deep < 0.05 and abs(float(np.abs(notch).max())) < 0.1:
        notch = 0.3 * np.exp(-((near / wide) ** 2))
    heat = heat * (across < 0.97)
    return ((deep * lift).astype(np.float32), notch.astype(np.float32), heat)


def _surroundings(
    rng: Rng, x: Floats, y: Floats, px_per_mm: float, picture: Floats, surface: Pixels, extras: Floats
) -> Floats:
    """The card's paper, the bench past the plate's edge, rods and clamps over it all."""
    shape = x.shape
    free = cv2.dilate(np.asarray(surface >= FACE, np.uint8), np.ones((3, 3), np.uint8)) == 0
    for _ in range(int(rng.integers(1, 4))):
        at = rng.uniform(0, [x.max(), y.max()])
        out = half_plane(rng, x, y, at, rng.uniform(0, 2 * np.pi), 0.03)
        if (out[~free] > 0.5).mean() > 0.15 if (~free).any() else False:
            continue
        kind = rng.choice(["paper", "bench", "dark"])
        if kind == "paper":
            tone = np.full((*shape, 3), rng.uniform(0.5, 1.0))
            for _ in range(int(rng.integers(0, 5))):
                corner = rng.uniform(0, [x.max(), y.max()])
                size = rng.uniform(3, 16)
                on = (x > corner[0]) & (x < corner[0] + size) & (y > corner[1]) & (y < corner[1] + size)
                tone[on] = rng.choice([0.02, 0.1, 0.3, 0.6])
        else:
            tone = _bench(rng, shape, px_per_mm, dark=kind == "dark")
        out = np.where(free, out, 0)[..., None]
        picture = picture * (1 - out) + tone * out
        surface[(out[..., 0] > 0.5) & free] = OTHER
    if rng.random() < 0.4:
        a, turn = rng.uniform(0, [x.max(), y.max()]), rng.uniform(0, np.pi)
        off = (y - a[1]) * np.cos(turn) - (x - a[0]) * np.sin(turn)
        wide = rng.uniform(0.5, 3.0)
        on = np.clip((wide - np.abs(off)) * px_per_mm, 0, 1)
        if (on[~free] > 0.5).mean() < 0.05 if (~free).any() else True:
            on = np.where(free, on, 0)
            bar = (
                rng.uniform(0.1, 0.8, 3)
                * (0.3 + np.exp(-(((off / wide - rng.uniform(-0.5, 0.5)) / 0.3) ** 2)))[..., None]
            )
            picture = picture * (1 - on[..., None]) + bar * on[..., None]
            surface[(on > 0.5) & free] = OTHER
    return picture


def _bench(rng: Rng, shape: tuple[int, int], px_per_mm: float, dark: bool) -> Floats:
    """A bench top: wood with its grain, a mat with lines, rusty steel, stone, rubber."""
    base = np.full(3, 0.03) if dark else np.exp(rng.uniform(-3.2, -0.5)) * (1 + 0.5 * rng.standard_normal(3)).clip(0.2)
    pattern = rng.uniform(0, 0.7) * grain(rng, shape, px_per_mm, rng.uniform(0, 180))
    pattern = pattern + rng.uniform(0, 0.4) * clouds(rng, shape, px_per_mm * rng.uniform(0.3, 12))
    tone: Floats = base * np.exp(pattern)[..., None]
    if rng.random() < 0.3:
        patch = np.clip(3 * (clouds(rng, shape, px_per_mm * rng.uniform(2, 10)) - rng.uniform(0.3, 1.5)), 0, 1)[
            ..., None
        ]
        tone = tone * (1 - patch) + np.exp(rng.uniform(-3.5, -0.7)) * rng.uniform(0.3, 1.0, 3) * patch
    if rng.random() < 0.3:
        every = rng.uniform(4, 20) * px_per_mm
        rows, columns = np.arange(shape[0])[:, None], np.arange(shape[1])[None]
        line = np.minimum((rows + 0.3 * columns) % every, (columns - 0.3 * rows) % every) < max(1, 0.3 * px_per_mm)
        tone = tone * np.where(line, rng.uniform(0.4, 1.8), 1.0)[..., None]
    if rng.random() < 0.4:
        ink = strokes(rng, shape, px_per_mm, int(rng.integers(1, 10)), (0.1, 1.5))[..., None]
        tone = tone * (1 - ink) + np.exp(rng.uniform(-4, 0)) * ink
    return tone
