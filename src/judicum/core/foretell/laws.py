"""Where belief starts: each outcome as a sum of what moves it, with how sure that is before anything was measured.

Near where people weld every published law of a moving source (thin and thick plate [src: rosenthal-1946], the heat to melt a width
[src: wells-1952], growth of oxide by time and temperature) is a power of current, speed and thickness. So the logarithm of a
width, and the level of a tint, is a sum; the powers are those of the worked table of docs/foretell.md, and a course moves them by as
much as its attempts say.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass

from judicum.core.foretell.welds import ROOM_C, USUAL_ARC_MM, USUAL_STICKOUT_MM, Weld, is_fillet

AT_A = 55.0
AT_MM_S = 2.2
AT_MM = 1.5
AT_WIRE_MM = 1.2
AT_CUP = 8.0
"""The first butt of the worked table, from which everything is reckoned."""
STAINLESS_SHARE = 0.81
"""Of the carbon rule: current on other metals counts by the current they ask for."""
SHORT_OF_GAS = 0.8
MUCH_GAS = 1.9
"""Over the cup's number in L/min: below, the cover is short; above, it is stirred."""
GAS_PER_STICKOUT = 0.03
"""1/mm. Farther out the same cover takes so much more gas."""


@dataclass(frozen=True)
class Term:
    """One thing that moves an outcome: its size at a weld, the mean and standard deviation of its power, and the power's sign, where it
    has one that always holds."""

    name: str
    of: Callable[[Weld], float]
    mean: float
    sd: float
    sign: int = 0


def current(w: Weld) -> float:
    """Logarithm of the current over the first butt's, on other metals by what those ask for."""
    return math.log(w.current_a / AT_A * STAINLESS_SHARE / w.metal.share_of_carbon)


def _slow(w: Weld) -> float:
    return -math.log(w.travel_mm_s / AT_MM_S)


def _thin(w: Weld) -> float:
    return -math.log(w.thickness_mm / AT_MM)


def hot(w: Weld) -> float:
    """How much warmer than the room the part is, in hundreds of °C."""
    return (w.part_c - ROOM_C) / 100


def _fillet(w: Weld) -> float:
    return float(is_fillet(w) and w.joint != "lap")


def _short_of_gas(w: Weld) -> float:
    wanted = w.cup * (1 + GAS_PER_STICKOUT * max(0.0, w.stickout_mm - USUAL_STICKOUT_MM))
    return max(0.0, math.log(SHORT_OF_GAS * wanted / w.gas_l_min))


def _much_gas(w: Weld) -> float:
    return max(0.0, math.log(w.gas_l_min / (MUCH_GAS * w.cup)))


HEAT = (("current", current), ("slow", _slow), ("thin", _thin), ("hot", hot))


def _joints(
    lap: tuple[float, float], fillet: tuple[float, float], plate: tuple[float, float], other: float
) -> tuple[Term, ...]:
    return (
        Term("lap", lambda w: float(w.joint == "lap"), *lap),
        Term("fillet", _fillet, *fillet),
        Term("plate", lambda w: float(w.joint == "bead_on_plate"), *plate),
        Term("edge", lambda w: float("corner" in w.joint or w.joint == "edge"), 0.0, other),
        Term("tube", lambda w: float("tube" in w.joint or w.joint == "turntable"), 0.0, other),
        Term("metal", lambda w: float(w.metal.share_of_carbon != STAINLESS_SHARE), 0.0, other),
    )


def _heat(powers: dict[str, tuple[float, float]]) -> tuple[Term, ...]:
    return tuple(Term(name, of, *powers[name], sign=1) for name, of in HEAT)


def _cover(scale: float) -> tuple[Term, ...]:
    """What lets air in; `scale` from levels to the outcome."""
    return (
        Term("short_of_gas", _short_of_gas, 3.0 * scale, 2.0 * scale, 1),
        Term("much_gas", _much_gas, 1.5 * scale, 1.5 * scale, 1),
        Term("collet_body", lambda w: float(w.gas_part == "collet_body"), 1.2 * scale, 1.0 * scale, 1),
        Term("draught", lambda w: float(w.draught), 1.5 * scale, 1.0 * scale, 1),
        Term("stickout", lambda w: (w.stickout_mm - USUAL_STICKOUT_MM) / 10, 0.6 * scale, 0.5 * scale, 1),
        Term("small_cup", lambda w: -math.log(w.cup / AT_CUP), 0.5 * scale, 0.8 * scale),
    )


WIDTH = (
    Term("all", lambda w: 1.0, math.log(3.7), 0.12),
    *_heat({"current": (1.15, 0.30), "slow": (0.78, 0.25), "thin": (0.54, 0.30), "hot": (0.045, 0.04)}),
    *_joints((-0.056, 0.10), (-0.12, 0.10), (0.0, 0.10), 0.12),
    Term("fused", lambda w: float(w.fused), 0.09, 0.08),
    Term("thin_wire", lambda w: 0.0 if w.fused else -math.log(w.filler_mm / AT_WIRE_MM), 0.20, 0.12),
    Term("long_arc", lambda w: w.arc_length_mm - USUAL_ARC_MM, 0.04, 0.05),
    Term("pulsed", lambda w: float(w.pulsed), 0.0, 0.08),
)
"""Logarithm of the mean width, mm."""
END = (
    Term("all", lambda w: 1.0, 0.04, 0.04),
    Term("long_run", lambda w: math.log(max(w.length_mm, 1.0) / 100), 0.03, 0.03, 1),
    Term("small_blank", lambda w: -math.log(w.blank_mm2 / 6000), 0.03, 0.03),
    Term("heat", lambda w: current(w) + _slow(w) + _thin(w), 0.04, 0.04, 1),
)
"""Logarithm of the width close to the end over the mean."""
TINT_BEAD = (
    Term("all", lambda w: 1.0, 1.1, 0.55),
    *_heat({"current": (8.7, 2.5), "slow": (8.7, 2.5), "thin": (7.0, 2.5), "hot": (0.5, 0.4)}),
    *_joints((0.25, 0.5), (-1.4, 0.5), (0.0, 0.5), 0.6),
    Term("fused", lambda w: float(w.fused), 0.0, 0.6),
    *_cover(1.0),
)
"""Level of the tint on the bead."""
TINT_ZONE = (
    Term("all", lambda w: 1.0, 2.1, 0.55),
    *_heat({"current": (8.7, 2.5), "slow": (8.7, 2.5), "thin": (8.5, 2.5), "hot": (0.6, 0.4)}),
    *_joints((0.3, 0.5), (-1.2, 0.5), (0.0, 0.5), 0.6),
    Term("fused", lambda w: float(w.fused), 0.0, 0.6),
    *_cover(0.8),
)
"""Level of the tint beside it."""
ZONE = (
    Term("all", lambda w: 1.0, math.log(3.0), 0.15),
    *_heat({"current": (1.96, 0.4), "slow": (1.96, 0.4), "thin": (1.57, 0.4), "hot": (0.27, 0.12)}),
    *_joints((-0.30, 0.15), (-0.34, 0.18), (0.0, 0.15), 0.2),
    Term("fused", lambda w: float(w.fused), 0.0, 0.12),
    *_cover(0.06),
)
"""Logarithm of the tinted width beside the bead, mm."""
MACHINE_SD = 0.058
PERSON_SD = 0.043
TYPED_SD = 0.125
"""Of the logarithm: machines give 0.9 to 1.1 of what they show, people 0.85 to 1 of what is set, a typed speed is off by an eighth."""
CURRENT_GUESS_SD = 0.30
TRAVEL_GUESS_SD = 0.25
"""Of the logarithm, of what is not told at all."""
SAME_AGAIN = 0.05
"""Of the width: single beads of the same settings."""
ZONE_AGAIN = 0.12
"""The same of the tinted width."""
END_AGAIN = 0.05
"""Of the logarithm of the end over the mean: how it differs from bead to bead."""
READ_WIDTH_MM = 0.12
READ_ZONE_MM = 0.25
"""mm: what a photo reads of a width and of a zone."""
LAW_SD = 0.03
"""Of the logarithm: what no sum of these terms says."""
LEVEL_SD = 0.62
"""Levels: single beads of the same settings, and one reading in seven one off."""
NEED_S = 6.3
"""s of post-flow under which the end of the first butt greys…"""
NEED_POWER = 0.4
"""…more with a power of the current: twice the heat takes longer to go, but not twice as long."""
NEED_SD = 0.18
"""Of its logarithm."""
GREY_MM_S = 2.2
"""mm of grey end for each second that is missing at 2.2 mm/s: what was welded in it is still hot."""
END_READ_MM = 0.5


def burn_through(w: Weld) -> float:
    """Logit that the metal falls through, with everything alike: more current, slower, thinner, hotter."""
    heat = current(w) + 0.5 * _slow(w) + 1.1 * _thin(w) + 0.08 * hot(w)
    return -4.2 + 7.0 * heat - 1.5 * float(is_fillet(w))


def no_fusion(w: Weld) -> float:
    """Logit that a butt is not through, else not wetted in."""
    heat = current(w) + 0.6 * _slow(w) + 0.9 * _thin(w) + 0.08 * hot(w)
    return -3.6 - 7.0 * heat - 1.5 * float(w.joint == "bead_on_plate") + 2.0 * float(is_fillet(w))


def undercut(w: Weld) -> float:
    """Logit of a groove beside a toe: fast, hot, a long arc, no wire to fill it."""
    return -3.4 + 2.0 * current(w) - 2.0 * _slow(w) + 0.6 * (w.arc_length_mm - USUAL_ARC_MM) + 0.3 * float(w.fused)


def grey_start(w: Weld) -> float:
    """Logit of a grey start: the hose was not flushed."""
    return -4.5 + 5.0 * max(0.0, 0.35 - w.preflow_s)


HAZARD_LOGITS = {"burn_through": burn_through, "no_fusion": no_fusion, "undercut": undercut}
