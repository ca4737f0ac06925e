"""Shielding gas: cup, flow, Reynolds number, purge, consumption."""

import math
from dataclasses import dataclass

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.hands import WIDE_CUP
from judicum.core.setup.record import Band, Cup, Purge

MM_PER_CUP_NUMBER = 25.4 / 16
ARGON_KG_M3 = 1.66
ARGON_PA_S = 2.23e-5
SHARES = {"gas_lens": (0.85, 1.1, 1.45), "collet_body": (1.0, 1.35, 1.75), "double_mesh": (0.66, 0.9, 1.17)}
"""Flow in L/min over the cup number: low, aim, high. A collet body needs more for the same cover; a second mesh calms
wide cups so far that they are run below the number as well as above."""
EXTRA_PER_5_MM = 0.12
SECOND_MESH_FROM = 14
MIN_POSTFLOW_S = 6.0
"""s. Until the end is cold, on metals whose hot surface oxidises."""
MIN_POSTFLOW_DULL_S = 4.0
"""s. The same on other metals."""
MAX_POSTFLOW_S = 15.0

REYNOLDS_WARN = 2000.0
REYNOLDS_TURBULENT = 2300.0
REYNOLDS_WARN_COLLET = 1400.0

PURGE_L_MIN = Band(2.2, 3.0, 4.0)
"""L/min of the purge while welding: fed without lifting the puddle."""
PURGE_LONG_L_MIN = Band(4.0, 5.0, 7.0)
"""L/min where the bore is longer than LONG_BORE_MM."""
LONG_BORE_MM = 600.0
PURGE_VOLUMES = 6


def inside_mm(cup: float) -> float:
    """Inside diameter of a cup number (sixteenths of an inch), mm.

    >>> inside_mm(8)
    12.7
    """
    return cup * MM_PER_CUP_NUMBER


def reynolds(flow_l_min: float, cup: float) -> float:
    """Reynolds number of argon at the cup's exit: 4 ρ Q / (π D μ) [src: incropera].

    >>> round(reynolds(8, 8)), round(reynolds(16.5, 6))
    (995, 2736)
    """
    flow_m3_s = flow_l_min / 60_000
    return 4 * ARGON_KG_M3 * flow_m3_s / (math.pi * inside_mm(cup) / 1000 * ARGON_PA_S)


def flow_band_l_min(cup: float, gas_part: str, stickout_mm: float = 0.0) -> tuple[float, float, float]:
    """Flow for a cup: low, aim, high in L/min; 12 % more for each 5 mm of stick-out past 10 mm.

    >>> tuple(round(v, 2) for v in flow_band_l_min(8, "gas_lens"))
    (6.8, 8.8, 11.6)
    """
    shares = SHARES[gas_part]
    more = 1 + EXTRA_PER_5_MM * max(0.0, stickout_mm - 10) / 5
    return shares[0] * cup * more, shares[1] * cup * more, shares[2] * cup * more


CUP_BY_NEED = {
    "collet_body": 8,
    "double_mesh": 16,
    "tube": 12,
    "delicate": 12,
    "fillet": 10,
    "sheet": 8,
    "hot_short": 7,
}
"""Usual cup number: as wide as the need for cover, as narrow as the joint's reach."""


def usual_cup(coupon: Coupon) -> float:
    """Usual cup number for a coupon."""
    if coupon.metal.hot_short:
        return CUP_BY_NEED["hot_short"]
    if coupon.gas_part in CUP_BY_NEED:
        return CUP_BY_NEED[coupon.gas_part]
    if coupon.metal.delicate or coupon.finish != "warm":
        return CUP_BY_NEED["delicate"]
    if coupon.on_tube:
        return CUP_BY_NEED["tube"]
    return CUP_BY_NEED["fillet" if coupon.kind.fillet else "sheet"]


def cup(coupon: Coupon) -> Cup:
    """Cup number with its range and inside diameter, mm."""
    usual = usual_cup(coupon)
    number = coupon.cup or usual
    return Cup(number, round(inside_mm(number), 1), low=max(3, usual - 4), high=min(24, usual + 4))


def min_postflow_s(current_a: float, oxidises: bool = True) -> float:
    """Least post-flow: 1 s per 10 A, never under 6 s on metals that oxidise hot.

    >>> min_postflow_s(85), min_postflow_s(40)
    (8.5, 6.0)
    """
    return max(MIN_POSTFLOW_S if oxidises else MIN_POSTFLOW_DULL_S, current_a / 10)


@dataclass(frozen=True)
class Timing:
    """Pre-flow, post-flow and down-slope, s."""

    preflow_s: Band
    postflow_s: Band
    downslope_s: Band


def timing(coupon: Coupon, current_a: float, cup_number: float) -> Timing:
    """Pre-flow, post-flow and down-slope, s."""
    wide = cup_number >= WIDE_CUP or coupon.kind.long_preflow
    low = min_postflow_s(current_a, coupon.metal.oxidises)
    pre = Band(0.5, 1.2, 2.0) if wide else Band(0.3, 0.5, 1.5)
    aim = max(low + 2, 10.0 if wide else 8.0)
    post = Band(round(low, 1), round(aim, 1), round(max(aim + 4, MAX_POSTFLOW_S), 1))
    return Timing(preflow_s=pre, postflow_s=post, downslope_s=Band(3.0, 4.0, 5.0))


def gas_per_run_l(flow_l_min: float, preflow_s: float, arc_s: float, postflow_s: float) -> float:
    """Gas of one run, L.

    >>> gas_per_run_l(12, 0.5, 48, 10)
    11.7
    """
    return flow_l_min * (preflow_s + arc_s + postflow_s) / 60


def bore_volume_l(bore_mm: float, length_mm: float) -> float:
    """Volume of a bore, L.

    >>> round(bore_volume_l(45, 300), 3)
    0.477
    """
    return math.pi / 4 * bore_mm**2 * length_mm / 1e6


def purge_wait_s(volume_l: float, volumes: float, flow_l_min: float) -> float:
    """Wait until a bore has been flushed that many times, s.

    >>> round(purge_wait_s(bore_volume_l(45, 300), 6, 3))
    57
    """
    return volume_l * volumes / flow_l_min * 60


def wants_purge(coupon: Coupon) -> bool:
    """Whether the root is purged: as asked, else always on tube of a metal that sugars."""
    if coupon.purge is not None:
        return coupon.purge
    return coupon.kind.root_shows and coupon.metal.oxidises


def purge(coupon: Coupon) -> Purge | None:
    """Purge flow (L/min) and, where the bore is known, its volume (L) and the wait (s)."""
    if not wants_purge(coupon):
        return None
    length = coupon.bore_length_mm or 300.0
    flow = PURGE_LONG_L_MIN if length > LONG_BORE_MM else PURGE_L_MIN
    if coupon.tube_od_mm is None:
        return Purge(flow, PURGE_VOLUMES)
    volume = bore_volume_l(max(coupon.tube_od_mm - 2 * coupon.thinner_mm, 1.0), length)
    return Purge(flow, PURGE_VOLUMES, round(volume, 3), round(purge_wait_s(volume, PURGE_VOLUMES, flow.aim)))
