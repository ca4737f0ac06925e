"""Drawn bands: a straight bead in CIELAB, without card, camera or perspective."""

from collections.abc import Callable

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.band import Band
from judicum.core.photo.film import film_lab, lab_to_linear
from judicum.core.photo.unwrap import Line

LINE = Line(np.array([0.0, 0.0]), np.array([1.0, 0.0]))
LENGTH_MM = 60.0
DENSITY = 12.0


def bead_band(
    half_mm: Callable[[Floats], Floats] | float = 2.0,
    *,
    bead_nm: float = 12.0,
    zone_nm: float = 40.0,
    fade_mm: tuple[float, float] = (2.0, 2.0),
    start: float = 10.0,
    end: float = 50.0,
    noise: float = 0.4,
    blur_mm: float = 0.05,
) -> Band:
    """A band with one bead from `start` to `end`, rounded at its ends, and a film that fades from its toes."""
    s = np.arange(0.0, LENGTH_MM, 1 / DENSITY)
    n = np.arange(-14.0, 14.0, 1 / DENSITY)
    half = half_mm(s) if callable(half_mm) else np.full_like(s, half_mm)
    cap = float(half.mean())
    tip = np.clip(np.maximum(start + cap - s, s - (end - cap)) / cap, 0, None)
    distance = np.where(tip > 0, np.hypot(tip * half, n[:, None]) - half, np.abs(n)[:, None] - half)
    inside = np.clip(0.5 - distance / (2 * blur_mm), 0, 1)
    fade = np.where(n < 0, fade_mm[0], fade_mm[1])[:, None]
    film = bead_nm * inside + zone_nm * np.exp(-np.clip(distance, 0, None) / fade) * (1 - inside)
    lab = film_lab(film) + noise * np.random.default_rng(2).standard_normal((*film.shape, 1))
    return lit_band(s, n, lab_to_linear(lab))


def lit_band(s: Floats, n: Floats, linear: Floats) -> Band:
    """A band of linear light (rows, columns, 3), seen everywhere."""
    light = linear.astype(np.float32)
    return Band(LINE, s, n, light, np.ones(light.shape[:2], bool))
