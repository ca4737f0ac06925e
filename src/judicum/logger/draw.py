"""A weld as a data logger would write it down, from what is known of the run; CSV of the logger's plain format (docs/devices.md)."""

import io
from dataclasses import dataclass

import numpy as np

ARC_V = 10.0
"""V of an argon arc of usual length at low current, …"""
V_PER_A = 0.01
"""…and how much it rises for each ampere."""
LEAD_S = 1.0
"""s that the logger had been running before gas, and runs on after it."""
NOISE_A = 0.8
"""A of the sensor and the hand together, one standard deviation."""
BREATH = 0.01
"""Of the current: the slow wander of a quiet foot."""


@dataclass(frozen=True, kw_only=True)
class LoggedWeld:
    """One run as it was: SI. `pump_hz` and `pump_depth` are of a restless pedal, the pulse's four of the machine."""

    arc_s: float = 30.0
    current_a: float = 60.0
    start_a: float = 30.0
    preflow_s: float = 0.5
    downslope_s: float = 3.0
    postflow_s: float = 8.0
    pump_hz: float = 0.0
    pump_depth: float = 0.0
    pulse_hz: float = 0.0
    background_a: float = 0.0
    on_share: float = 0.5
    rate_hz: float = 50.0
    seed: int = 0


def draw_log(weld: LoggedWeld) -> str:
    """The CSV of a weld: time (s), current (A), voltage (V), gas valve (0/1)."""
    dice = np.random.default_rng(weld.seed)
    begin = LEAD_S + weld.preflow_s
    end = begin + weld.arc_s
    time = np.arange(0.0, end + weld.postflow_s + LEAD_S, 1 / weld.rate_hz)
    at = time - begin
    burns = (time >= begin) & (time <= end)
    current = np.full(len(time), weld.current_a)
    if weld.pulse_hz:
        current = np.where((at * weld.pulse_hz) % 1.0 < weld.on_share, weld.current_a, weld.background_a)
    if weld.pump_hz:
        # A foot keeps no exact time: its phase wanders.
        wander = np.cumsum(dice.normal(0.0, 0.02, len(time))) / np.sqrt(weld.rate_hz)
        current = current * (1 + weld.pump_depth * np.sin(2 * np.pi * (weld.pump_hz * at + wander)))
    current = current * (1 + BREATH * np.sin(2 * np.pi * at / 11.0))
    rise = np.clip(at / 0.8, 0.0, 1.0)
    current = weld.start_a + (current - weld.start_a) * rise
    if weld.downslope_s:
        current = current * np.clip((end - time) / weld.downslope_s, 0.08, 1.0)
    current = np.where(burns, np.maximum(5.0, current + dice.normal(0.0, NOISE_A, len(time))), 0.0)
    voltage = np.where(burns, ARC_V + V_PER_A * current + dice.normal(0.0, 0.15, len(time)), 0.0)
    gas = (time >= LEAD_S) & (time <= end + weld.postflow_s)
    out = io.StringIO()
    out.write("time (s),current (A),voltage (V),gas valve (0/1)\n")
    for row in zip(time, current, voltage, gas, strict=True):
        out.write("{:.4f},{:.2f},{:.2f},{:d}\n".format(*row))
    return out.getvalue()
