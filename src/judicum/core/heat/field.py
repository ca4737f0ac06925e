"""Temperature around an arc that moves along a plate of finite thickness and width, and how it falls once the arc is out.

Quasi-steady, with properties that do not change with temperature and faces that lose nothing: within the metal's own melting it says
too much, far from the bead after a long time too. Symbols: Q heat that reaches the work, W; v travel, mm/s; k conductivity, W/(mm K);
α diffusivity, mm²/s; d thickness, mm; x ahead of the arc, y beside its line, mm; all of it on the face.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from scipy.special import k0e

from judicum.core.arrays import Floats
from judicum.core.heat.input import ARC_EFFICIENCY, arc_volts
from judicum.core.metals import Metal

ROOM_C = 25.0
FADED = 30.0
"""A source that is farther than this many 2 α / v behind its plate adds less than a thousandth."""
THIN = 0.2
"""Thickness over 2 α / v under which a plate is as hot below as above: the thin plate's formula then holds but for a thickness's reach."""
NEAR_MM = 0.05
"""mm. Nearer to the arc's own place the formula goes beyond all bounds."""
BEHIND_SHARE = 60.0
"""Lengths 2 α / v behind the arc to which times are looked for."""
STEPS = 400
MELTED_TO_MM = 40.0
"""mm beside the arc to which melting is looked for."""
MOMENTS_S = np.geomspace(1e-3, 400.0, 800)
"""s before the end of a run in which its heat was laid down: denser towards the end."""


@dataclass(frozen=True)
class Arc:
    """A moving arc on a plate: Q in W, v in mm/s, the plate's thickness and the distance from the bead's middle to the nearer edge, mm
    (None: far away)."""

    power_w: float
    travel_mm_s: float
    thickness_mm: float
    metal: Metal
    edge_mm: float | None = None

    @classmethod
    def of(cls, current_a: float, travel_mm_s: float, thickness_mm: float, metal: Metal, limbs: int = 2) -> "Arc":
        """The arc of a current at its usual voltage, of whose heat ARC_EFFICIENCY reaches the work [src: en-1011-1]; so many `limbs` carry
        it away: 2 of a plate or butt, 3 of a tee or lap."""
        power = ARC_EFFICIENCY * arc_volts(current_a) * current_a
        return cls(power * 2 / limbs, travel_mm_s, thickness_mm, metal)


def rise_k(arc: Arc, x_mm: Floats, y_mm: float) -> Floats:
    """T - T0 = Q / (2 π k) · Σ exp(-v (x + R) / (2 α)) / R over the source and its images behind both faces (2 n d) and behind the
    edge [src: rosenthal-1946]: the thick plate's for large d; for a thin one Q / (2 π k d) · exp(-v x / (2 α)) · K0(v r / (2 α)).

    Args:
        x_mm: (k,) ahead of the arc; negative behind it.

    Returns:
        (k,) kelvin.
    """
    k, alpha = arc.metal.k_w_mm_k, arc.metal.alpha_mm2_s
    unit, d = 2 * alpha / arc.travel_mm_s, arc.thickness_mm
    beside = [y_mm] if arc.edge_mm is None else [y_mm, 2 * arc.edge_mm - y_mm]
    x = np.asarray(x_mm, float)[:, None]
    total = np.zeros(len(x))
    for y in beside:
        if d < THIN * unit:
            far = np.maximum(np.hypot(x, y), NEAR_MM)[:, 0]
            # k0e is K0 without its own exponential, which alone would be too small to hold.
            total += np.exp(-(x[:, 0] + far) / unit) * k0e(far / unit) / d
        else:
            most = math.ceil(FADED * unit / (2 * d)) + 1
            depth = 2 * d * np.arange(-most, most + 1)
            far = np.maximum(np.sqrt(x**2 + y**2 + depth**2), NEAR_MM)
            total += (np.exp(-(x + far) / unit) / far).sum(1)
    return np.asarray(arc.power_w / (2 * math.pi * k) * total)


def places_behind(arc: Arc) -> Floats:
    """Places from ahead of the arc to where all is over, mm, denser near to it."""
    unit = 2 * arc.metal.alpha_mm2_s / arc.travel_mm_s
    share = np.linspace(0, 1, STEPS) ** 2
    return np.concatenate([np.linspace(2 * unit, 0, 60, endpoint=False), -BEHIND_SHARE * unit * share])


def peak_c(arc: Arc, y_mm: float, start_c: float = ROOM_C) -> float:
    """The highest temperature that a place y beside the bead's middle comes to, °C, on the face."""
    return start_c + float(rise_k(arc, places_behind(arc), y_mm).max())


def seconds_above(arc: Arc, y_mm: float, level_c: float, start_c: float = ROOM_C) -> float:
    """How long a place y beside the bead's middle is above a temperature, s, while the arc goes on past it.

    0 where it never is; as long as is looked for where it stays.
    """
    x = places_behind(arc)
    hot = x[rise_k(arc, x, y_mm) > level_c - start_c]
    return float(hot.max() - hot.min()) / arc.travel_mm_s if len(hot) > 1 else 0.0


def reach(holds: Callable[[float], bool], far: float, within: float) -> float:
    """How far from 0 something holds that stops holding once before `far`; by halving."""
    low, high = 0.0, far
    while high - low > within:
        middle = (low + high) / 2
        low, high = (middle, high) if holds(middle) else (low, middle)
    return (low + high) / 2


def melted_mm(arc: Arc, start_c: float = ROOM_C) -> float:
    """Width of what melts, mm: twice the y whose peak is the metal's melting; by halving, to a hundredth.

    >>> from judicum.core.metals import METALS
    >>> round(melted_mm(Arc.of(55, 2.2, 1.5, METALS["304L"])), 1)
    5.5
    """
    melting = ROOM_C + arc.metal.rise_k
    return 2 * reach(lambda y: peak_c(arc, y, start_c) > melting, MELTED_TO_MM, 0.01)


def end_rise_k(arc: Arc, cooled_s: float, behind_mm: float = 0.0) -> float:
    """What a place so far behind the end of a run is above its start, K, so long after the arc is out.

    Thin plate, for a run of many lengths 2 α / v: T - T0 = Q / (4 π k d) ∫ exp(-(v u - x)² / (4 α (u + t))) / (u + t) du over the moments
    u before the end in which it was welded, x behind it [src: carslaw-jaeger-1959, §10.3].
    """
    k, alpha, v = arc.metal.k_w_mm_k, arc.metal.alpha_mm2_s, arc.travel_mm_s
    since = MOMENTS_S + cooled_s
    added = np.exp(-((v * MOMENTS_S - behind_mm) ** 2) / (4 * alpha * since)) / since
    return float(arc.power_w / (4 * math.pi * k * arc.thickness_mm) * np.trapezoid(added, MOMENTS_S))


def after_s(arc: Arc, level_c: float, start_c: float = ROOM_C) -> float:
    """How long after the arc is out the end of a bead takes to fall to a temperature, s. The part's own warming comes with `start_c`."""
    low, high = 1e-3, 3600.0
    if end_rise_k(arc, low) < level_c - start_c:
        return 0.0
    while high / low > 1.01:
        t = math.sqrt(low * high)
        low, high = (t, high) if end_rise_k(arc, t) > level_c - start_c else (low, t)
    return math.sqrt(low * high)
