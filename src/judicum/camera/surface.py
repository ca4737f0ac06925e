"""The coupon seen from straight above, in linear light: plate, film, bead and its faults."""

from dataclasses import dataclass, replace
from typing import cast

import cv2
import numpy as np

from judicum.camera.faults import along_toe, groove_profile, with_faults
from judicum.camera.scene import Bead, Scene
from judicum.camera.surroundings import joint_light, with_decoys
from judicum.core.arrays import Flags, Floats
from judicum.core.photo.film import film_lab, lab_to_linear

Lights = tuple[tuple[tuple[float, float, float], float], ...]
LIGHTS: Lights = (((-0.35, -0.75, 0.62), 0.62), ((0.6, 0.25, 0.9), 0.38))
"""Directions towards the lamps (x right, y down, z to the viewer) and their share of the light."""
LAMP_UP = 0.7
"""How far a single lamp stands above the plate: sine of some 35 degrees."""
GROOVE_MM = 0.14
"""mm. Depth of an undercut that is shaped."""
RIM_MM = 2.0
"""Further from the outline a bead neither rises nor darkens the plate."""


@dataclass(frozen=True)
class Laid:
    """A bead laid on a grid (rows, columns): film (nm), height over the plate and distance to the outline, negative
    inside (mm), cover 0 to 1 and the dark line of each front 0 to 1."""

    film: Floats
    height: Floats
    beyond: Floats
    inside: Floats
    notch: Floats


def coupon(scene: Scene, x: Floats, y: Floats, px_per_mm: float) -> Floats:
    """Linear-light colour (rows, columns, 3: blue, green, red) of the coupon at card positions x, y in mm."""
    rng = np.random.default_rng(scene.seed)
    grain = _grain(rng, x.shape, px_per_mm, scene.grain_deg) * scene.grain
    shine = clouds(rng, x.shape, px_per_mm * 16)
    metal = np.exp(0.14 * grain + 0.05 * shine).astype(np.float32)
    s, n = bead_frame(scene, x, y)
    film = np.zeros_like(x)
    shade = np.ones_like(x)
    inside = np.zeros_like(x)
    beyond = np.full_like(x, 9.0)
    if scene.bead is not None:
        laid = lay(rng, scene.bead, s, n, px_per_mm)
        film, inside, beyond = laid.film, laid.inside, laid.beyond
        lights: Lights = LIGHTS
        if scene.view.lamp_deg is not None:
            turn = np.radians(scene.view.lamp_deg)
            lights = (((float(np.cos(turn)), float(np.sin(turn)), LAMP_UP), 1.0),)
            laid = replace(laid, height=laid.height - _grooves(scene.bead, s, n))
        shade = _shade(laid, px_per_mm, lights)
        metal = metal * (1 - inside) + np.exp(0.04 * clouds(rng, x.shape, px_per_mm * 0.25)).astype(np.float32) * inside
    elif scene.stripe_nm:
        film = stripe(scene, n)
    shade = shade * joint_light(scene, s, n, inside, beyond)
    picture: Floats = tinted(film) * (metal * shade)[..., None]
    picture = with_decoys(scene, picture, s, n, px_per_mm, beyond > 1.0)
    if scene.bead is not None:
        shaped = ("undercut",) if scene.view.lamp_deg is not None else ()
        painted = replace(scene.bead, faults=tuple(one for one in scene.bead.faults if one.kind not in shaped))
        picture = with_faults(rng, picture, painted, s, n, inside)
    return picture.astype(np.float32)


def stripe(scene: Scene, n: Floats) -> Floats:
    """Film (nm) of a tinted stripe where there is no bead; n in mm across it."""
    return np.asarray(scene.stripe_nm * np.exp(-((n / 2.5) ** 2)))


def tinted(film_nm: Floats) -> Floats:
    """Linear-light colour (..., 3: blue, green, red) of metal under a film."""
    table = lab_to_linear(film_lab(np.arange(0.0, 76.0))).astype(np.float32)
    return np.asarray(table[np.clip(np.round(film_nm), 0, 75).astype(np.int32)])


def coupon_with_all(scene: Scene, x: Floats, y: Floats, px_per_mm: float) -> Floats:
    """The coupon with the beads beside the scene's own: each place looks as the bead nearest to it makes it look."""
    picture = coupon(scene, x, y, px_per_mm)
    if not scene.beside:
        return picture
    nearest = np.abs(bead_frame(scene, x, y)[1])
    for other in scene.beside:
        away = np.abs(bead_frame(other, x, y)[1])
        same_scene = replace(scene, bead=other.bead, start_mm=other.start_mm, angle_deg=other.angle_deg)
        picture = np.where((away < nearest)[..., None], coupon(same_scene, x, y, px_per_mm), picture)
        nearest = np.minimum(nearest, away)
    return picture


def bead_frame(scene: Scene, x: Floats, y: Floats) -> tuple[Floats, Floats]:
    angle = np.radians(scene.angle_deg)
    dx, dy = x - scene.start_mm[0], y - scene.start_mm[1]
    return (dx * np.cos(angle) + dy * np.sin(angle)).astype(np.float32), (
        dy * np.cos(angle) - dx * np.sin(angle)
    ).astype(np.float32)


def lay(rng: np.random.Generator, bead: Bead, s: Floats, n: Floats, px_per_mm: float) -> Laid:
    """The bead on a grid of its own frame: s along and n across, mm."""
    clipped = np.clip(s, 0, bead.length_mm)
    centre = np.interp(clipped, bead.s_mm, bead.centre_mm).astype(np.float32)
    half = np.interp(clipped, bead.s_mm, bead.half_mm).astype(np.float32)
    cap = float(bead.half_mm.mean())
    towards_tip = np.clip(np.maximum(cap - s, s - (bead.length_mm - cap)) / cap, 0, None)
    reach = half * np.sqrt(np.clip(1 - towards_tip**2, 0, 1))
    off = n - centre
    # Signed distance to the outline, negative inside; good near the toes, where it matters.
    beyond = np.where(towards_tip > 0, np.hypot(towards_tip * half, off) - half, np.abs(off) - reach)
    inside = np.clip(0.5 - beyond * px_per_mm, 0, 1).astype(np.float32)
    height, notch = np.zeros_like(s), np.zeros(s.shape)
    ragged = 0.05 * clouds(rng, s.shape, px_per_mm * 0.8) if len(bead.fronts_mm) else height
    # With room for all that the blur reaches.
    box = _around((np.abs(off) <= half + 1 / px_per_mm) & (towards_tip <= 1), 3 + int(0.25 * px_per_mm))
    if box is not None:
        risen, notch[box] = _relief(bead, *(each[box] for each in (s, off, half, towards_tip, inside, ragged)))
        height[box] = cv2.GaussianBlur(risen, (0, 0), 0.05 * px_per_mm)
    side = np.where(off < 0, bead.fade_mm[0], bead.fade_mm[1])
    uneven = 1 + 0.12 * clouds(rng, s.shape, px_per_mm * 6)
    zone = bead.zone_nm * np.exp(-1.6 * (np.clip(beyond, 0, None) / (side * uneven)) ** 1.4)  # as truth.zone_film
    rise = bead.film_rise_nm * (clipped / max(bead.length_mm, 1e-3) - 0.5)
    face = np.clip(bead.film_nm + rise, 0.0, None) * (1 + 0.06 * clouds(rng, s.shape, px_per_mm * 3))
    mixed = 1 / (1 + np.exp(np.clip((beyond - bead.film_ends_mm) / bead.film_soft_mm, -30, 30)))
    film = face * mixed + zone * (1 - mixed)
    return Laid(film.astype(np.float32), height, beyond.astype(np.float32), inside, notch)


def _relief(
    bead: Bead, s: Floats, off: Floats, half: Floats, towards_tip: Floats, inside: Floats, ragged: Floats
) -> tuple[Floats, Floats]:
    """Height of a bead over the plate, mm, and the dark line of each front, where it lies: as in `lay`, and by how much the
    fronts are ragged, mm."""
    height = (
        bead.crown_mm
        * np.clip(1 - (off / np.maximum(half, 1e-3)) ** 2, 0, 1) ** bead.flank
        * np.sqrt(np.clip(1 - towards_tip**2, 0, 1))
    )
    notch = np.zeros_like(s)
    if len(bead.fronts_mm):
        lead = s + bead.curve_mm * (off / half) ** 2 + ragged
        index = np.clip(np.searchsorted(bead.fronts_mm, lead.ravel()).reshape(lead.shape), 1, len(bead.fronts_mm) - 1)
        low, high = bead.fronts_mm[index - 1], bead.fronts_mm[index]
        part = np.clip((lead - low) / (high - low), 0, 1)
        height = height + inside * bead.ripple_mm * 2.2 * part**bead.rise * (1 - part**bead.fall)
        nearest = np.minimum(np.abs(lead - low), np.abs(high - lead))
        notch = 0.35 * np.exp(-((nearest / 0.10) ** 2)) * inside * min(1.0, bead.ripple_mm / 0.05)
    return height.astype(np.float32), notch


def _around(there: Flags, margin: int) -> tuple[slice, slice] | None:
    """The box (rows, columns) of all that is there, with a margin; None where nothing is."""
    sides = [np.flatnonzero(there.any(axis)) for axis in (1, 0)]
    if not len(sides[0]):
        return None
    rows, columns = (slice(max(0, int(at[0]) - margin), int(at[-1]) + 1 + margin) for at in sides)
    return rows, columns


def _grooves(bead: Bead, s: Floats, n: Floats) -> Floats:
    """Depth of the undercuts, mm."""
    depth: Floats = np.zeros_like(s)
    for fault in (one for one in bead.faults if one.kind == "undercut"):
        beyond, ends = along_toe(bead, fault, s, n)
        depth = np.maximum(depth, GROOVE_MM * groove_profile(beyond) * ends)
    return depth.astype(np.float32)


def _shade(laid: Laid, px_per_mm: float, lights: Lights) -> Floats:
    """Brightness of the lit bead, dark along its toes and fronts; that of flat metal away from it."""
    shade = np.full(laid.height.shape, _lit(np.zeros((2, 2), np.float32), px_per_mm, lights)[0, 0])
    box = _around(laid.beyond < RIM_MM, 3)  # and what a slope is taken over
    if box is not None:
        rim = np.where(laid.beyond[box] < 0, 0.55, 0.25) * np.exp(-((laid.beyond[box] / 0.13) ** 2))
        shade[box] = _lit(laid.height[box], px_per_mm, lights) * (1 - rim) * (1 - laid.notch[box])
    return shade


def _lit(height: Floats, px_per_mm: float, lights: Lights) -> Floats:
    slope_y, slope_x = np.gradient(height * px_per_mm)
    normal = np.stack([-slope_x, -slope_y, np.ones_like(height)], -1)
    normal /= np.linalg.norm(normal, axis=-1, keepdims=True)
    total = np.zeros_like(height)
    flat = 0.0
    for direction, share in lights:
        towards = np.array(direction) / np.linalg.norm(direction)
        halfway = towards + np.array([0, 0, 1])
        halfway /= np.linalg.norm(halfway)
        total += share * (np.clip(normal @ towards, 0, None) + 0.9 * np.clip(normal @ halfway, 0, None) ** 60)
        flat += share * (towards[2] + 0.9 * halfway[2] ** 60)
    return (0.25 + 0.75 * total / flat).astype(np.float32)


def _grain(rng: np.random.Generator, shape: tuple[int, ...], px_per_mm: float, angle_deg: float) -> Floats:
    side = int(np.hypot(shape[0], shape[1])) + 4
    noise = rng.standard_normal((side, side // 6 + 2)).astype(np.float32)
    streaks = cv2.resize(
        cv2.GaussianBlur(noise, (0, 0), 3.0 * px_per_mm / 6, sigmaY=0.45), (side, side), interpolation=cv2.INTER_LINEAR
    )
    turn = cv2.getRotationMatrix2D((side / 2, side / 2), -angle_deg, 1.0)
    turned = cv2.warpAffine(streaks, turn, (side, side), borderMode=cv2.BORDER_REFLECT)
    top, left = (side - shape[0]) // 2, (side - shape[1]) // 2
    cut = cast(Floats, turned[top : top + shape[0], left : left + shape[1]])
    return cut / cut.std()


def clouds(rng: np.random.Generator, shape: tuple[int, ...], size_px: float) -> Floats:
    """Smooth noise, standard deviation 1, features about `size_px` across."""
    step = max(1.0, size_px / 3)
    small = rng.standard_normal((int(shape[0] / step) + 3, int(shape[1] / step) + 3)).astype(np.float32)
    soft = cv2.GaussianBlur(small, (0, 0), size_px / step / 2)
    big = cv2.resize(soft, (shape[1], shape[0]), interpolation=cv2.INTER_CUBIC)
    return (big - big.mean()) / big.std()
