"""A setting found on one coupon carried over to another, by the rules that move the card."""

from judicum.core.setup.card import card_of
from judicum.core.setup.coupon import Coupon
from judicum.core.trial.vary import VARIED
from judicum.core.tube import carry_over_rpm

BY_CARD = ("current_a", "travel_mm_s", "gas_l_min", "postflow_s", "dabs_per_s", "stickout_mm")
"""Figures that move with the card's own aim: by what the rule moves it, the found one moves too."""
NEAR = 0.1
"""No unit. Thicknesses that differ by less are one for what the card has no rule for."""


def carried(key: str, value: float | str, found_on: Coupon, on: Coupon) -> float | str | None:
    """The setting on another coupon of the same metal; None where no rule carries it over.

    Amps, travel, flow, post-flow, stick-out and cadence move as the card's aims do; turns per minute as the diameters say:
    n₂ = n₁ D₁ / D₂. Cup, gas part, pulse share and rate stay where the thickness does.

    >>> from judicum.core.setup import read_coupon
    >>> of = lambda mm: read_coupon({"metal": "304L", "joint": "butt", "thickness_mm": mm})
    >>> carried("current_a", 50.0, of(1.5), of(2.0))
    62.9
    """
    if on.metal.family != found_on.metal.family:
        return None
    near = abs(on.thickness_mm / found_on.thickness_mm - 1) < NEAR
    if key == "turntable_rpm":
        if found_on.tube_od_mm is None or on.tube_od_mm is None or not near:
            return None
        return round(carry_over_rpm(float(value), found_on.tube_od_mm, on.tube_od_mm), 3)
    if key in BY_CARD:
        there, here = (_aim(key, coupon) for coupon in (on, found_on))
        return None if not there or not here else round(float(value) * there / here, 1)
    return value if near and key in VARIED else None


def _aim(key: str, coupon: Coupon) -> float | None:
    card = card_of(coupon)
    if key == "dabs_per_s":
        return card.dabs_per_s
    band = card.band(key)
    return band.aim if band else None
