"""Shielding gas: cup, flow, Reynolds number, purge, consumption."""

import math
from dataclasses import dataclass

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.hands import WIDE_CUP
from judicum.core.setup.record import Band, Cup, Purge

MM_PER_CUP_NUMBER = 25.4 / 16
ARGON_KG_M3 = 1.66
ARGON_PA_S = 2.23e-5
SHARES = {"gas_lens": (0.745, 0.90, 1.32), "collet_body": (1.0, 1.25, 1.75), "double_mesh": (0.675, 0.90, 1.20)}
"""Flow close in, over AT_10_L_MIN: low, aim, high. A collet body needs more for the same cover; behind a second mesh less will do."""
AT_10_L_MIN = 10.0
"""L/min by which a number 10 is counted: about the cup's number…"""
CUP_EXPONENT = 0.75
"""No unit. …but a narrow cup is given more than its number, a wide one less: its column is calm."""
CLOSE_MM = 8.0
"""mm of stick-out up to which the cup stands close in."""
EXTRA_PER_MM = 0.03
"""Of the flow, for each mm past it: 20 mm out it takes about a third more than close in."""
SECOND_MESH_FROM = 15
"""Cup number from which the cup is wider than the lens, whose column more flow only pushes farther."""
MIN_POSTFLOW_S = 6.0
"""s. Until the end is cold, on metals whose hot surface oxidises."""
MAX_ASKED_POSTFLOW_S = 8.0
"""s. A second for ten amps asks for more than is in use above 80 A."""
POSTFLOW_S = {"oxidises": (8.0, 15.0), "wide": (12.0, 15.0), "carbon": (5.0, 8.0), "guards_electrode": (6.0, 8.0)}
"""s. Aim and longest in use: until the glow is gone and two seconds more; longer where much gas or heat stands over the end."""
MIN_POSTFLOW_DULL_S = 4.0
"""s. The least on metals whose hot surface does not oxidise: it guards the electrode."""

LONG_PREFLOW_CUP = 14
"""Cup number from which air lingers under the cup before the arc."""

REYNOLDS_WARN = 2000.0
REYNOLDS_TURBULENT = 2300.0
REYNOLDS_WARN_COLLET = 1400.0

PURGE_L_MIN = Band(2.2, 3.0, 4.0)
"""L/min of the purge while welding: fed without lifting the puddle."""
PURGE_SLEEVE_L_MIN = Band(2.0, 2.6, 3.5)
"""L/min under a sleeve, where the joint lets nothing out and the tube is only kept full."""
PURGE_LONG_L_MIN = Band(4.0, 5.0, 7.0)
"""L/min where the bore is longer than LONG_BORE_MM."""
LONG_BORE_MM = 600.0
PURGE_TURNTABLE_L_MIN = Band(4.2, 6.0, 7.5)
"""L/min on a turntable, whose seal turns and leaks, also while tacking."""
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
    """Flow for a cup: low, aim, high in L/min; 3 % more for each mm of stick-out past 8 mm.

    >>> [tuple(round(v, 1) for v in flow_band_l_min(*of)) for of in ((8, "gas_lens"), (11, "gas_lens", 20))]
    [(6.3, 7.6, 11.2), (10.9, 13.1, 19.3)]
    """
    shares = SHARES[gas_part]
    of_cup = AT_10_L_MIN * (cup / 10) ** CUP_EXPONENT
    whole = of_cup * (1 + EXTRA_PER_MM * max(0.0, stickout_mm - CLOSE_MM))
    return shares[0] * whole, shares[1] * whole, shares[2] * whole


MAKERS_BAND = (0.85, 1.0, 1.25)
"""Over the flow that a cup's maker names: low, aim, high."""


def flow_for(coupon: Coupon, cup: float, gas_part: str, stickout_mm: float) -> tuple[float, float, float]:
    """Flow for a coupon: low, aim, high in L/min; what the maker of the cup says outranks the rule and the course's method."""
    if coupon.cup_flow_l_min is not None and cup == (coupon.cup or cup):
        low, aim, high = (share * coupon.cup_flow_l_min for share in MAKERS_BAND)
        return low, aim, high
    share = FLOW_OF_SCHOOL[coupon.flow_school]
    low, aim, high = flow_band_l_min(cup, gas_part, stickout_mm)
    return low * share, aim * share, high * share


CUP_BY_NEED = {
    "collet_body": 8,
    "double_mesh": 16,
    "tube": 14,
    "delicate": 14,
    "fillet": 10,
    "sheet": 8,
    "hot_short": 7,
    "walked_root": 7,
    "walked_over": 12,
}
"""Usual cup number: as wide as the need for cover, as narrow as the joint's reach."""


CUP_OF_SCHOOL = {"middling": (10, 12), "small": (6, 8)}
"""Narrowest and widest cup of a course that keeps to them: a bigger one only eats gas, or does not get into the corner."""
FLOW_OF_SCHOOL = {"number": 1.0, "half": 0.6, "more": 1.15, "less": 0.88}
"""Of the usual flow: half the number behind a good lens, more to keep colour off, less for a steady puddle on profiles."""


def usual_cup(coupon: Coupon) -> float:
    """Usual cup number for a coupon, by the course's method."""
    usual = _cup_by_need(coupon)
    narrow, wide = CUP_OF_SCHOOL.get(coupon.cup_school, (usual, usual))
    return min(max(usual, narrow), wide)


def _cup_by_need(coupon: Coupon) -> float:
    if coupon.metal.hot_short:
        return CUP_BY_NEED["hot_short"]
    if coupon.technique == "walk_cup" and coupon.kind.fillet:  # rocked between the walls, then walked over the face
        return CUP_BY_NEED["walked_root" if coupon.run_pass == 1 else "walked_over"]
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
    """Least post-flow: 1 s per 10 A from 6 to 8 s on metals that oxidise hot, 4 s on others.

    >>> min_postflow_s(70), min_postflow_s(40), min_postflow_s(140)
    (7.0, 6.0, 8.0)
    """
    if not oxidises:
        return MIN_POSTFLOW_DULL_S
    return min(max(MIN_POSTFLOW_S, current_a / 10), MAX_ASKED_POSTFLOW_S)


@dataclass(frozen=True)
class Timing:
    """Pre-flow, post-flow and down-slope, s."""

    preflow_s: Band
    postflow_s: Band
    downslope_s: Band


def timing(coupon: Coupon, current_a: float, cup_number: float) -> Timing:
    """Pre-flow, post-flow and down-slope, s."""
    metal = coupon.metal
    lingers = cup_number >= LONG_PREFLOW_CUP or coupon.kind.long_preflow
    pre = Band(0.3, 1.2, 2.0) if lingers else Band(0.3, 0.4, 1.5)
    wide = cup_number >= WIDE_CUP or coupon.kind.long_preflow or coupon.gas_part == "collet_body"
    of_metal = "carbon" if not metal.hot_short else "guards_electrode"
    aim, high = POSTFLOW_S[("wide" if wide else "oxidises") if metal.oxidises else of_metal]
    low = min_postflow_s(current_a, metal.oxidises)
    return Timing(preflow_s=pre, postflow_s=Band(round(low, 1), max(aim, low), high), downslope_s=Band(3.0, 4.0, 5.0))


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
    return coupon.kind.sugars and coupon.metal.oxidises


def _purge_flow(coupon: Coupon, bore_length_mm: float) -> Band:
    if bore_length_mm > LONG_BORE_MM:
        return PURGE_LONG_L_MIN
    if coupon.joint == "turntable":
        return PURGE_TURNTABLE_L_MIN
    return PURGE_L_MIN if coupon.kind.root_shows else PURGE_SLEEVE_L_MIN


def purge(coupon: Coupon) -> Purge | None:
    """Purge flow (L/min) and, where the bore is known, its volume (L) and the wait (s)."""
    if not wants_purge(coupon):
        return None
    length = coupon.bore_length_mm or 300.0
    flow = _purge_flow(coupon, length)
    if coupon.tube_od_mm is None:
        return Purge(flow, PURGE_VOLUMES)
    volume = bore_volume_l(max(coupon.tube_od_mm - 2 * coupon.thinner_mm, 1.0), length)
    return Purge(flow, PURGE_VOLUMES, round(volume, 3), round(purge_wait_s(volume, PURGE_VOLUMES, flow.aim)))
