"""A bottle as it really is: it gives more than the logs say, breathes with the warmth of the shed, and its valve weeps."""

import math
from dataclasses import dataclass
from datetime import datetime

from judicum.core.stock.bottle import FULL_BAR, bar_with, litres

UNLOGGED = 1.1
"""Litres that really leave for each that is logged: trial beads and hoses that are filled."""
WEEPS_L_H = 0.05
"""A sound valve loses about a litre a day."""
MEAN_C = 17.0
"""°C of the shed over a day."""
SWING_C = 4.0
"""°C by which it swings about that, coldest at four in the morning."""
COLDEST_H = 4.0


@dataclass(frozen=True)
class Bottle:
    """One that was full when it was opened."""

    size_l: float
    opened_at: datetime

    def temperature_c(self, now: datetime) -> float:
        hour = now.hour + now.minute / 60
        return MEAN_C - SWING_C * math.cos(2 * math.pi * (hour - COLDEST_H) / 24)

    def pressure_bar(self, logged_l: float, now: datetime) -> float:
        """What its gauge shows after so many litres were logged since it was opened."""
        hours = (now - self.opened_at).total_seconds() / 3600
        left = litres(self.size_l, FULL_BAR) - UNLOGGED * logged_l - WEEPS_L_H * hours
        return bar_with(self.size_l, left, self.temperature_c(now))
