"""A part that grows hot along a run and from run to run, and how far a pulse is felt in it."""

import math
from dataclasses import dataclass

import numpy as np
from scipy.special import kv

from judicum.core.arrays import Floats
from judicum.core.heat.field import FADED, MELTED_TO_MM, ROOM_C, THIN, Arc, places_behind, reach, rise_k
from judicum.core.heat.input import ARC_EFFICIENCY, arc_volts
from judicum.core.metals import Metal

LOSS_W_MM2_K = 2.5e-5
"""W/(mm² K). Still air and radiation from metal of 100 to 400 °C take 15 to 35 W/(m² K) [src: incropera]; a jig takes more."""


@dataclass(frozen=True)
class Blank:
    """A part of one metal that is warm all through: its volume, mm³, and the surface that loses heat, mm²."""

    metal: Metal
    volume_mm3: float
    surface_mm2: float

    @classmethod
    def sheet(cls, metal: Metal, length_mm: float, width_mm: float, thickness_mm: float) -> "Blank":
        """A flat blank, both faces in air."""
        return cls(metal, length_mm * width_mm * thickness_mm, 2 * length_mm * width_mm)

    @property
    def capacity_j_k(self) -> float:
        """Heat for one kelvin: ρ c V = k / α · V."""
        return self.metal.k_w_mm_k / self.metal.alpha_mm2_s * self.volume_mm3

    @property
    def tau_s(self) -> float:
        """Time in which what it is above the room falls to a third (1 / e)."""
        return self.capacity_j_k / (LOSS_W_MM2_K * self.surface_mm2)

    def after(self, celsius: float, power_w: float, seconds: float) -> float:
        """Temperature after so long under a power: C dT/dt = P − h A (T − T₀), with P = 0 while it cools [src: incropera]."""
        steady = ROOM_C + power_w / (LOSS_W_MM2_K * self.surface_mm2)
        return steady + (celsius - steady) * math.exp(-seconds / self.tau_s)

    def cools_s(self, celsius: float, level_c: float) -> float:
        """Seconds until it is down to a temperature above the room's."""
        return max(0.0, self.tau_s * math.log((celsius - ROOM_C) / (level_c - ROOM_C))) if celsius > level_c else 0.0


def run_by_run(
    blank: Blank, power_w: float, arc_s: float, cooled_s: float, runs: int, start_c: float = ROOM_C
) -> list[tuple[float, float]]:
    """Temperature of the whole part when each run starts and when it ends, °C."""
    out, now = [], start_c
    for _ in range(runs):
        end = blank.after(now, power_w, arc_s)
        out.append((now, end))
        now = blank.after(end, 0.0, cooled_s)
    return out


def pulse_power_w(mean_a: float, peak_a: float, background_a: float, on_share: float) -> float:
    """First harmonic of the heat of a rectangular pulse, W: 2 / π · sin(π · on) of its step, at the mean's voltage."""
    step = ARC_EFFICIENCY * arc_volts(mean_a) * (peak_a - background_a)
    return 2 / math.pi * math.sin(math.pi * on_share) * step


def swing_k(arc: Arc, power_w: float, per_second: float, far_mm: Floats) -> Floats:
    """How much a pulse's heat moves the temperature up and down so far from it, K, any shape.

    P / (2 π k) · |Σ exp(−(1 + i) R √(ω / 2 α)) / R| over the source and its images behind both faces: a periodic source in a plate
    [src: carslaw-jaeger-1959, §10.4]; the arc's own travel within one pulse is left out.
    """
    damp, d = math.sqrt(math.pi * per_second / arc.metal.alpha_mm2_s), arc.thickness_mm
    far = np.maximum(np.asarray(far_mm, float), 0.05)
    if damp * d < THIN:
        waves = np.asarray(kv(0, (1 + 1j) * damp * far)) / d
    else:
        depth = 2 * d * np.arange(-math.ceil(FADED / (2 * damp * d)), math.ceil(FADED / (2 * damp * d)) + 1)
        through = np.sqrt(far[..., None] ** 2 + depth**2)
        waves = (np.exp(-(1 + 1j) * damp * through) / through).sum(-1)
    return np.asarray(power_w / (2 * math.pi * arc.metal.k_w_mm_k) * np.abs(waves))


def melted_between_mm(arc: Arc, power_w: float, per_second: float, start_c: float = ROOM_C) -> tuple[float, float]:
    """Width that is melted on a pulse's background and on its peak, mm, around the mean's, to a hundredth."""
    x, melting = places_behind(arc), ROOM_C + arc.metal.rise_k

    def width(sign: int) -> float:
        def melts(y: float) -> bool:
            swing = sign * swing_k(arc, power_w, per_second, np.hypot(x, y))
            return bool(start_c + (rise_k(arc, x, y) + swing).max() > melting)

        return 2 * reach(melts, MELTED_TO_MM, 0.01)

    return width(-1), width(1)
