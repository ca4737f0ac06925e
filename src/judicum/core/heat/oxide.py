"""How thick the oxide of stainless grows where its hot metal meets the oxygen that the gas lets in, and what of the end goes grey.

Parabolic growth, d(w²)/dt = k · exp(−T₁ / T) · (p / 0.209)^n [src: wagner-1933], along the temperatures of `heat.field`. Holds for films of
a few to about 80 nm that grow between 300 and 1400 °C in seconds to an hour; what lies on molten metal does not count.
Symbols: w film, nm; T temperature, K; p oxygen by volume.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.heat.field import ROOM_C, Arc, end_rise_k, melted_mm, reach, rise_k
from judicum.core.photo.film import GREY_LEVEL, THICKEST_NM, level_of_film, tint_levels

KELVIN = 273.15
AIR_OXYGEN = 0.209
ACTIVATION_K = 9070.0
"""K: T₁. By two temper colours of 304 after about an hour in air: straw (12 nm) at 340 °C, purple (37 nm) at 450 °C
[src: bssa-heat-tint]. Blue (48 nm) at 540 °C then comes out at 59: the law is no better."""
GROWTH_NM2_S = 37.0**2 / 3600 * math.exp(ACTIVATION_K / (450 + KELVIN))
"""nm²/s: k, by the second of them."""
OXYGEN_POWER = 0.25
"""No unit: n. Oxides that grow by metal vacancies go with a root of the oxygen between the 4th and the 6th [src: kofstad-1988]."""
GAS_OXYGEN = 5e-5
"""By volume, what is left under a cup with the flow it asks for: of the gas itself, the hose and what clings to the metal. A guess within
a factor of five, which moves a film by a fifth."""
STARVED_POWER = 6.0
"""No unit. Half the flow that is aimed at lets in 64 times the oxygen, a fourth all of the air: a guess that agrees with the card, where
half the flow is said to be no cover."""
SPREAD_MM = 3.0
"""mm past the cup's reach over which the oxygen grows by e: the gas thins out, it has no edge."""
GREY_C = 650.0
"""°C. The chart ends with dark blue at 600 °C [src: bssa-heat-tint]: hotter metal that meets plain air turns to a dull, rough oxide that is
no film any more."""


@dataclass(frozen=True)
class Shield:
    """What keeps air off: mm around the arc in which its gas holds, oxygen by volume there, s of gas after the arc."""

    reach_mm: float
    oxygen: float
    postflow_s: float

    @classmethod
    def of(cls, reach_mm: float, gas_l_min: float, asked_l_min: tuple[float, float], postflow_s: float) -> "Shield":
        """The shield of a flow, where one from `asked_l_min` (what is aimed at, the highest in use) is a good one."""
        aim, high = asked_l_min
        off = max(aim / max(gas_l_min, 1e-3), gas_l_min / high, 1.0)  # too much is stirred like too little
        return cls(reach_mm, min(GAS_OXYGEN * off**STARVED_POWER, AIR_OXYGEN), postflow_s)

    def oxygen_at(self, far_mm: Floats) -> Floats:
        """Oxygen by volume so far from the arc, any shape."""
        past = np.maximum(far_mm - self.reach_mm, 0.0) / SPREAD_MM
        return np.minimum(self.oxygen * np.exp(np.minimum(past, 50.0)), AIR_OXYGEN)


def growth_nm2_s(celsius: Floats, oxygen: Floats | float) -> Floats:
    """d(w²)/dt, nm²/s, any shape.

    >>> float(round(growth_nm2_s(np.array(450.0), AIR_OXYGEN) * 3600) ** 0.5)
    37.0
    """
    return np.asarray(GROWTH_NM2_S * np.exp(-ACTIVATION_K / (celsius + KELVIN)) * (oxygen / AIR_OXYGEN) ** OXYGEN_POWER)


def film_nm(arc: Arc, y_mm: float, shield: Shield, start_c: float = ROOM_C) -> float:
    """Film that a place y beside the bead's middle is left with far from the end, nm; beyond the edge side counts as y above 0."""
    x = np.concatenate([np.linspace(5, 0, 60, endpoint=False), -np.geomspace(0.01, 400, 400)])
    celsius = start_c + rise_k(arc, x, y_mm)
    solid = celsius < ROOM_C + arc.metal.rise_k
    grown = growth_nm2_s(np.where(solid, celsius, 0.0), shield.oxygen_at(np.hypot(x, y_mm))) * solid
    return math.sqrt(float(np.trapezoid(grown, -x / arc.travel_mm_s)))


def end_film_nm(arc: Arc, shield: Shield, start_c: float = ROOM_C) -> float:
    """Film of the bead's very end, nm: under the torch that stays until its gas is off, then in air."""
    since = np.geomspace(0.01, 600, 200)
    celsius = start_c + np.array([end_rise_k(arc, float(t)) for t in since])
    solid = celsius < ROOM_C + arc.metal.rise_k
    oxygen = np.where(since < shield.postflow_s, shield.oxygen, AIR_OXYGEN)
    return math.sqrt(float(np.trapezoid(growth_nm2_s(np.where(solid, celsius, 0.0), oxygen) * solid, since)))


def grey_end_mm(arc: Arc, shield: Shield, start_c: float = ROOM_C) -> float:
    """How much of the end is still hot enough to turn grey when the gas goes off, mm: at most what that gas had covered."""
    after = max(shield.postflow_s, 0.01)
    return _reach(lambda behind: end_rise_k(arc, after, behind) > GREY_C - start_c, shield.reach_mm)


def tinted_mm(arc: Arc, shield: Shield, start_c: float = ROOM_C) -> float:
    """Width of the zone beside the melted bead whose film is seen, mm."""
    toe, seen = melted_mm(arc, start_c) / 2, tint_levels()[0]["film_nm"][1]
    return _reach(lambda beside: film_nm(arc, toe + beside, shield, start_c) > seen, 40.0)


def _reach(holds: Callable[[float], bool], far_mm: float) -> float:
    """How far from 0 something holds that stops holding once, mm, to a twentieth."""
    if not holds(0.0) or holds(far_mm):
        return far_mm if holds(0.0) else 0.0
    return reach(holds, far_mm, 0.05)


def tint_level(film: float) -> int:
    """Level of the tint scale that a film shows; thicker than its colours go it is grey."""
    return GREY_LEVEL if film > THICKEST_NM else int(level_of_film(film))
