"""How much current: three rules side by side, and the aim between them."""

import math

from judicum.core.metals import Metal
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.hands import travel_mm_s

AMPS_PER_THOU = 1.0
AMPS_PER_MM = 40.0
RULE_HOLDS_TO_MM = 3.0
"""Above this heat flows in three dimensions and current grows far slower than thickness."""
THICK_EXPONENT = 0.45
BALANCE_EFFICIENCY = 0.65
BALANCE_VOLTS = 10.0

JOINT_FACTOR = {
    "bead_on_plate": 1.0, "butt": 1.0, "lap": 1.10, "tee": 1.21, "outside_corner": 0.92, "edge": 0.80, "tube_butt": 0.90,
    "tube_sleeve": 1.0, "tube_sleeve_bend": 0.95, "tube_flange": 1.05, "socket": 1.15, "turntable": 0.90,
}  # fmt: skip
POSITION_FACTOR = {"flat": 1.0, "horizontal": 1.0, "vertical_up": 0.90, "overhead": 0.92}
TECHNIQUE_FACTOR = {"dab": 1.0, "lay_wire": 1.0, "walk_cup": 1.05, "fuse": 0.92}
LOW_SHARE, HIGH_SHARE = 0.77, 1.32
RIDE_ABOVE = 1.35


def effective_mm(thickness_mm: float) -> float:
    """Thickness that counts for the ampere-per-thickness rules, mm.

    >>> effective_mm(2.0), round(effective_mm(6.0), 2)
    (2.0, 4.1)
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


def opinions(coupon: Coupon) -> list[tuple[str, float]]:
    """Each rule's current (A) on a flat butt of this metal and thickness, before joint, position and technique."""
    h = coupon.thinner_mm if coupon.on_tube else coupon.thickness_mm
    metal = coupon.metal
    width = coupon.target_width_mm or bead_width_mm(h)
    carbon = AMPS_PER_THOU * effective_mm(h) / 0.0254
    by_mm = AMPS_PER_MM * effective_mm(h) * metal.share_of_carbon
    found = [("one amp per thousandth, carbon", carbon), ("40 A per mm, metal's share", by_mm)]
    if metal.family != "aluminium":
        found.append(("heat balance", heat_balance_a(metal, h, width, coupon.travel_mm_s or travel_mm_s(h))))
    return found


def factors(coupon: Coupon) -> list[tuple[str, float]]:
    """What moves the current away from a flat butt: reason and factor."""
    found = [
        (coupon.joint, JOINT_FACTOR[coupon.joint]),
        (coupon.position, POSITION_FACTOR[coupon.position]),
        (coupon.technique, TECHNIQUE_FACTOR[coupon.technique]),
    ]
    return [(reason, factor) for reason, factor in found if factor != 1.0]


def current_a(coupon: Coupon) -> dict[str, object]:
    """Current range, aim and machine setting (A), the rule, and why it moved."""
    rules = opinions(coupon)
    # The carbon rule is an opinion beside the card; the aim lies between the other two.
    own = rules[:1] if coupon.metal.family == "carbon" else rules[1:2]
    balance = rules[2:]
    aim = math.exp(sum(math.log(a) for _, a in own + balance) / len(own + balance))
    moved = factors(coupon)
    for _, factor in moved:
        aim *= factor
    machine = aim * RIDE_ABOVE if coupon.pedal_school == "ride" else aim
    because = [coupon.metal.family] + [f"{reason} {100 * (factor - 1):+.0f} %" for reason, factor in moved]
    if coupon.pedal_school == "ride":
        because.append(f"machine {100 * (RIDE_ABOVE - 1):.0f} % above, pedal ridden")
    thick = (coupon.thinner_mm if coupon.on_tube else coupon.thickness_mm) > RULE_HOLDS_TO_MM
    rule = (
        "metal's share of 40 A per mm"
        + (" with heat balance" if balance else "")
        + (", thick plate" if thick else ", sheet")
    )
    return {
        "low": round(aim * LOW_SHARE, 1), "aim": round(aim, 1), "high": round(aim * HIGH_SHARE, 1), "machine": round(machine, 1),
        "rule": rule, "because": because,
    }  # fmt: skip
