"""How much current: amps by thickness as practised, moved by form, joint, wire, technique and pulse; other rules beside it."""

import math

from judicum.core.metals import Metal
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.filler import thickness_size_mm, used_size_mm
from judicum.core.setup.hands import bead_width_mm, travel_mm_s
from judicum.core.setup.record import CurrentBand, Moved

AMPS_PER_THOU = 1.0
AMPS_PER_MM = 40.0
RULE_HOLDS_TO_MM = 3.0
"""mm. Above this heat flows in three dimensions and current grows far slower than thickness."""
THICK_EXPONENT = 0.2
"""No unit. How current grows with thickness above that, on metals that conduct well."""
AT_1_MM_A = 38.0
"""A on 1 mm of stainless, flat butt. Practised people stand near the carbon rule on thin wall…"""
SHEET_EXPONENT = 0.8
"""No unit. …and a fifth under it at 2 mm: stainless keeps its heat where it is put."""
SHEET_TO_MM = 2.0
"""mm. Up to here a bead goes through the sheet, above it does not."""
PLATE_EXPONENT = 0.31
"""No unit. How current grows above that: 6.35 mm plate is welded with some 40 % more than 2 mm sheet."""
BALANCE_EFFICIENCY = 0.65
BALANCE_VOLTS = 10.0
PRACTICE_PARTS = 2
"""On other metals the aim is a mean of two parts of the ampere-per-thickness rule…"""
BALANCE_PARTS = 1
"""…and one part heat balance."""

POSITION_FACTOR = {"flat": 1.0, "horizontal": 1.0, "vertical_up": 0.90, "overhead": 0.92}
TECHNIQUE_FACTOR = {"dab": 1.0, "lay_wire": 0.85, "walk_cup": 1.25, "fuse": 1.08}
"""A rod that lies still is melted by a slower puddle; a walked cup carries a big one; without wire nothing cools the puddle, so
that it is run hot and fast."""
WARM_PASS_FACTOR = 0.90
"""A pass over one that is still warm needs about a tenth less."""
PULSE_FACTOR = 0.88
"""The mean that does what straight current does: the peaks melt, the pauses let the zone cool."""
WIRE_EXPONENT = 0.5
"""No unit. Current over wire diameter: twice the wire takes some 40 % more, half of it a third less."""
WALKED_WIRE_EXPONENT = 0.25
"""The same under a walked cup, whose puddle is big whatever lies in it: from first to last run about the same current."""
ASKED_EXPONENT = 1 / 3
"""No unit. How far a width or a pace that a coupon asks for moves the aim, over what the heat balance says of it."""
LOW_SHARE = 0.725
"""Of the aim, the low end: practised people differ by about this much on the same coupon."""
HIGH_SHARE = 1.29
"""And the high end."""
RIDE_ABOVE = 1.35
STAINLESS_SHARE = 0.81
"""Of the carbon rule: the metal that the practised figures are of."""


def effective_mm(thickness_mm: float) -> float:
    """Thickness that counts for the ampere-per-thickness rules, mm.

    >>> effective_mm(2.0), round(effective_mm(6.0), 2)
    (2.0, 3.45)
    """
    if thickness_mm <= RULE_HOLDS_TO_MM:
        return thickness_mm
    return RULE_HOLDS_TO_MM * (thickness_mm / RULE_HOLDS_TO_MM) ** THICK_EXPONENT


def practised_a(metal: Metal, thickness_mm: float) -> float:
    """Amps of a dabbed flat butt as practised on a metal that keeps its heat: 38 · h^0.8 to 2 mm, from there with h^0.31.

    Args:
        thickness_mm: mm, 0.3 to 12.

    >>> from judicum.core.metals import METALS
    >>> [round(practised_a(METALS["304L"], h)) for h in (1.0, 1.5, 2.0, 6.35)]
    [38, 53, 66, 95]
    """
    sheet = AT_1_MM_A * min(thickness_mm, SHEET_TO_MM) ** SHEET_EXPONENT
    plate = max(thickness_mm / SHEET_TO_MM, 1.0) ** PLATE_EXPONENT
    return sheet * plate * metal.share_of_carbon / STAINLESS_SHARE


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
    """What moves the current away from a dabbed flat butt with the usual wire, with its factor."""
    found = [
        ("joint", coupon.joint, coupon.kind.current),
        ("position", coupon.position, POSITION_FACTOR[coupon.position]),
        ("technique", coupon.technique, TECHNIQUE_FACTOR[coupon.technique]),
        ("pass", "warm", WARM_PASS_FACTOR if coupon.run_pass > 1 else 1.0),
        *_wire(coupon),
        ("pulse", "mean", PULSE_FACTOR if coupon.pulse else 1.0),
        *_asked(coupon),
    ]
    return [(Moved(choice, code, factor - 1), factor) for choice, code, factor in found if abs(factor - 1) >= 0.005]


def _wire(coupon: Coupon) -> list[tuple[str, str, float]]:
    used = used_size_mm(coupon)
    if used is None:
        return []
    exponent = WALKED_WIRE_EXPONENT if coupon.technique == "walk_cup" else WIRE_EXPONENT
    factor = (used / thickness_size_mm(coupon)) ** exponent
    return [("wire", "thicker" if factor > 1 else "thinner", factor)]


def _asked(coupon: Coupon) -> list[tuple[str, str, float]]:
    """A width or a pace of its own, by what the heat balance makes of it."""
    if not coupon.metal.balanced or not (coupon.target_width_mm or coupon.travel_mm_s):
        return []
    h = coupon.heated_mm
    usual = bead_width_mm(h), travel_mm_s(h)
    asked = coupon.target_width_mm or usual[0], coupon.travel_mm_s or usual[1]
    ratio = heat_balance_w(coupon.metal, h, *asked) / heat_balance_w(coupon.metal, h, *usual)
    return [("asked", "width_or_pace", ratio**ASKED_EXPONENT)]


def _flat_butt_a(coupon: Coupon, rules: dict[str, float]) -> tuple[float, str]:
    """The aim on a dabbed flat butt (A), and the code of its rule."""
    h, metal = coupon.heated_mm, coupon.metal
    if metal.oxidises:
        return practised_a(metal, h), "practice" + ("_thick" if h > SHEET_TO_MM else "_sheet")
    by_thickness = rules["amp_per_thou" if metal.family == "carbon" else "amps_per_mm"]
    if not metal.balanced:
        return by_thickness, "amps" + ("_thick" if h > RULE_HOLDS_TO_MM else "_sheet")
    parts = [by_thickness] * PRACTICE_PARTS + [rules["heat_balance"]] * BALANCE_PARTS
    aim = math.exp(sum(math.log(a) for a in parts) / len(parts))
    return aim, "balanced" + ("_thick" if h > RULE_HOLDS_TO_MM else "_sheet")


def current_a(coupon: Coupon) -> CurrentBand:
    """Current range, aim and machine setting (A), the rule's code, and why it moved; thicknesses of 0.5 to 12 mm.

    Aim: amps by thickness as practised (`practised_a`; on carbon steel and aluminium the ampere-per-thickness rule, on carbon steel
    with the heat balance) times the factors of joint, position, technique, pass, wire and pulse.

    >>> from judicum.core.setup.coupon import read_coupon
    >>> found = current_a(read_coupon({"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat"}))
    >>> found.low, found.aim, found.high
    (38.1, 52.6, 67.8)
    """
    aim, rule = _flat_butt_a(coupon, opinions(coupon))
    moved = factors(coupon)
    of_metal = aim / (AMPS_PER_MM * effective_mm(coupon.heated_mm)) - 1
    for _, factor in moved:
        aim *= factor
    ride = coupon.pedal_school == "ride"
    machine = aim * RIDE_ABOVE if ride else aim
    because = [Moved("metal", coupon.metal.family, of_metal), *(m for m, _ in moved)]
    if ride:
        because.append(Moved("pedal_school", "ride", RIDE_ABOVE - 1))
    return CurrentBand(
        low=round(aim * LOW_SHARE, 1),
        aim=round(aim, 1),
        high=round(aim * HIGH_SHARE, 1),
        machine=round(machine, 1),
        rule=rule,
        because=tuple(because),
    )
