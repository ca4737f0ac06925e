"""How much current: three rules side by side, and the aim between them."""

import math

from judicum.core.metals import Metal
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.hands import travel_mm_s
from judicum.core.setup.record import CurrentBand, Moved

AMPS_PER_THOU = 1.0
AMPS_PER_MM = 40.0
RULE_HOLDS_TO_MM = 3.0
"""mm. Above this heat flows in three dimensions and current grows far slower than thickness."""
THICK_EXPONENT = 0.28
"""No unit. How current grows with thickness above that: 6 mm plate is welded with about a fifth more than 3 mm."""
BALANCE_EFFICIENCY = 0.65
BALANCE_VOLTS = 10.0
PRACTICE_PARTS = 2
"""The aim is a mean of two parts practice (the metal's share of 40 A per mm)…"""
BALANCE_PARTS = 1
"""…and one part heat balance."""

POSITION_FACTOR = {"flat": 1.0, "horizontal": 1.0, "vertical_up": 0.90, "overhead": 0.92}
TECHNIQUE_FACTOR = {"dab": 1.0, "lay_wire": 1.0, "walk_cup": 1.05, "fuse": 1.0}
WARM_PASS_FACTOR = 0.90
"""A pass over one that is still warm needs about a tenth less."""
LOW_SHARE = 0.75
"""Of the aim, the low end: practised people differ by about this much on the same coupon."""
HIGH_SHARE = 1.34
"""And the high end."""
RIDE_ABOVE = 1.35


def effective_mm(thickness_mm: float) -> float:
    """Thickness that counts for the ampere-per-thickness rules, mm.

    >>> effective_mm(2.0), round(effective_mm(6.0), 2)
    (2.0, 3.64)
    """
    if thickness_mm <= RULE_HOLDS_TO_MM:
        return thickness_mm
    return RULE_HOLDS_TO_MM * (thickness_mm / RULE_HOLDS_TO_MM) ** THICK_EXPONENT


def bead_width_mm(thickness_mm: float) -> float:
    """Usual bead width on a thickness: 2.4 + 1.1 h for sheet, no wider than that of 3.5 mm.

    >>> round(bead_width_mm(1.5), 2)
    4.05
    """
    return 2.4 + 1.1 * min(thickness_mm, 3.5)


def heat_balance_w(metal: Metal, thickness_mm: float, width_mm: float, speed_mm_s: float) -> float:
    """Heat to melt a bead of a width, W: the smaller of the thin and the thick plate [src: wells-1952].

    Thin, melted through: 8 k ΔT h (1/5 + v w / 4α). Thick: (5/4) π k ΔT w (2/5 + v w / 4α).

    >>> from judicum.core.metals import METALS
    >>> round(heat_balance_w(METALS["304L"], 1.5, 4.05, 2.4))
    280
    """
    k, alpha, rise = metal.k_w_mm_k, metal.alpha_mm2_s, metal.rise_k
    peclet = speed_mm_s * width_mm / (4 * alpha)
    thin = 8 * k * rise * thickness_mm * (1 / 5 + peclet)
    thick = 5 / 4 * math.pi * k * rise * width_mm * (2 / 5 + peclet)
    return min(thin, thick)


def heat_balance_a(metal: Metal, thickness_mm: float, width_mm: float, speed_mm_s: float) -> float:
    """Current of the heat balance at 65 % efficiency and 10 V, A.

    >>> from judicum.core.metals import METALS
    >>> round(heat_balance_a(METALS["304L"], 1.5, 4.05, 2.4))
    43
    """
    return heat_balance_w(metal, thickness_mm, width_mm, speed_mm_s) / (BALANCE_EFFICIENCY * BALANCE_VOLTS)


def opinions(coupon: Coupon) -> dict[str, float]:
    """Each rule's current (A) by its code, on a flat butt of this metal and thickness."""
    h = coupon.heated_mm
    metal = coupon.metal
    width = coupon.target_width_mm or bead_width_mm(h)
    found = {
        "amp_per_thou": AMPS_PER_THOU * effective_mm(h) / 0.0254,
        "amps_per_mm": AMPS_PER_MM * effective_mm(h) * metal.share_of_carbon,
    }
    if metal.balanced:
        found["heat_balance"] = heat_balance_a(metal, h, width, coupon.travel_mm_s or travel_mm_s(h))
    return found


def factors(coupon: Coupon) -> list[tuple[Moved, float]]:
    """What moves the current away from a flat butt, with its factor."""
    found = [
        ("joint", coupon.joint, coupon.kind.current),
        ("position", coupon.position, POSITION_FACTOR[coupon.position]),
        ("technique", coupon.technique, TECHNIQUE_FACTOR[coupon.technique]),
        ("pass", "warm", WARM_PASS_FACTOR if coupon.run_pass > 1 else 1.0),
    ]
    return [(Moved(choice, code, factor - 1), factor) for choice, code, factor in found if factor != 1.0]


def current_a(coupon: Coupon) -> CurrentBand:
    """Current range, aim and machine setting (A), the rule's code, and why it moved.

    Aim: the geometric mean of PRACTICE_PARTS of the ampere-per-thickness rule and BALANCE_PARTS of the heat balance, times
    the factors of joint, position, technique and a warm pass; thicknesses of 0.5 to 12 mm.

    >>> from judicum.core.setup.coupon import read_coupon
    >>> found = current_a(read_coupon({"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat"}))
    >>> found.low, found.aim, found.high
    (35.0, 46.7, 62.6)
    """
    rules = opinions(coupon)
    practice = rules["amp_per_thou" if coupon.metal.family == "carbon" else "amps_per_mm"]
    parts = [practice] * PRACTICE_PARTS + ([rules["heat_balance"]] * BALANCE_PARTS if coupon.metal.balanced else [])
    aim = math.exp(sum(math.log(a) for a in parts) / len(parts))
    moved = factors(coupon)
    for _, factor in moved:
        aim *= factor
    ride = coupon.pedal_school == "ride"
    machine = aim * RIDE_ABOVE if ride else aim
    because = [Moved("metal", coupon.metal.family, coupon.metal.share_of_carbon - 1), *(m for m, _ in moved)]
    if ride:
        because.append(Moved("pedal_school", "ride", RIDE_ABOVE - 1))
    thick = coupon.heated_mm > RULE_HOLDS_TO_MM
    return CurrentBand(
        low=round(aim * LOW_SHARE, 1),
        aim=round(aim, 1),
        high=round(aim * HIGH_SHARE, 1),
        machine=round(machine, 1),
        rule=("balanced" if coupon.metal.balanced else "practice") + ("_thick" if thick else "_sheet"),
        because=tuple(because),
    )
