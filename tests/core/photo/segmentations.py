"""Close looks as the network would give them: a bead with its fronts and faults, drawn straight into the answer."""

import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.locate import Patch
from judicum.core.photo.segment import PX_PER_MM, Segmentation
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import Line

LINE = Line(np.array([30.0, 40.0]), np.array([1.0, 0.0]))
LENGTH_MM, HALF_MM = 50.0, 2.5
S = np.arange(-4.0, LENGTH_MM + 4.0, 1 / PX_PER_MM)
N = np.arange(-6.5, 6.5, 1 / PX_PER_MM)
ALONG, ACROSS = np.meshgrid(S, N)


def disc(s_mm: float, n_mm: float, size_mm: float) -> Floats:
    """1 within a circle, 0 elsewhere."""
    return (np.hypot(ALONG - s_mm, ACROSS - n_mm) < size_mm / 2).astype(float)


def box(s_mm: tuple[float, float], n_mm: tuple[float, float]) -> Floats:
    """1 within a rectangle, 0 elsewhere."""
    inside = (s_mm[0] < ALONG) & (s_mm[1] > ALONG) & (n_mm[0] < ACROSS) & (n_mm[1] > ACROSS)
    return inside.astype(float)


def segmented(
    half_mm: Floats | float = HALF_MM, centre_mm: Floats | float = 0.0, soft_mm: float = 0.05, **parts: Floats
) -> Segmentation:
    """A bead from 0 to LENGTH_MM, rounded at its ends; `soft_mm` is how gradually the network goes from face to plate."""
    half = np.broadcast_to(half_mm, S.shape)
    tip = np.clip(np.maximum(HALF_MM - S, S - (LENGTH_MM - HALF_MM)) / HALF_MM, 0, None)
    reach = half * np.sqrt(np.clip(1 - tip**2, 0, 1)) - (tip > 1)
    face = np.clip((reach[None, :] - np.abs(ACROSS - centre_mm)) / soft_mm, -8, 8)
    nothing = np.zeros(face.shape)
    names = ("granular", "hole", "pore", "speck", "crater", "groove")
    seen = parts.get("seen", np.full((*face.shape, 3), 120, np.uint8))
    face = parts.get("face", face)
    return Segmentation(
        LINE,
        S,
        N,
        seen,
        np.stack([face, parts.get("second", face)]),
        face,
        *(parts.get(name, nothing) for name in names),
    )


def patch(width_mm: float = 2 * HALF_MM, long_mm: float = LENGTH_MM) -> Patch:
    """What the first network sees of that bead."""
    return Patch(LINE, 0.0, long_mm, width_mm, 4.0)


def toes(half_mm: float = HALF_MM) -> Toes:
    """The toes of that bead."""
    s = np.arange(0.0, LENGTH_MM, 0.25)
    half = np.full(len(s), half_mm)
    return Toes(LINE, s, -half, half, 0.0, LENGTH_MM)


def crescents(fronts_mm: Floats, curve_mm: float = 1.5, depth: float = 45.0, noise: float = 2.0) -> Pixels:
    """A picture of a face with dark ripple fronts at places of the centreline, their middle `curve_mm` ahead of their ends."""
    lead = ALONG + curve_mm * (ACROSS / HALF_MM) ** 2
    near = np.abs(lead[..., None] - fronts_mm).min(-1)
    light = 130 - depth * np.exp(-0.5 * (near / 0.13) ** 2) * (np.abs(ACROSS) < HALF_MM)
    light = light + noise * np.random.default_rng(5).standard_normal(light.shape)
    return np.clip(light[..., None] * np.array([0.9, 0.97, 1.0]), 0, 255).astype(np.uint8)
