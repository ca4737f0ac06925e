"""Pulsed current."""

import math
from dataclasses import dataclass
from typing import Any

from judicum.core.errors import InvalidValue


@dataclass(frozen=True)
class Pulse:
    """Peak and background current (A), share of time at the peak (0 to 1), pulses per second."""

    peak_a: float
    background_a: float
    on_share: float
    per_second: float

    @property
    def mean_a(self) -> float:
        """Mean current: peak × on + background × (1 − on).

        >>> round(Pulse(110, 25, 0.30, 1.0).mean_a, 3)
        50.5
        """
        return self.peak_a * self.on_share + self.background_a * (1 - self.on_share)


LIMITS = {"peak_a": (3, 500), "background_a": (0, 500), "on_share": (0.01, 0.99), "per_second": (0.1, 5000)}


def read_pulse(given: Any) -> Pulse | None:
    """Read a pulse from JSON values. Raises InvalidValue."""
    if given is None:
        return None
    if not isinstance(given, dict):
        raise InvalidValue("pulse", given, "null or an object with peak_a, background_a, on_share, per_second")
    for key in given:
        if key not in LIMITS:
            raise InvalidValue(f"pulse.{key}", given[key], "one of " + ", ".join(LIMITS))
    values = {}
    for key, (low, high) in LIMITS.items():
        value = given.get(key)
        good = (
            isinstance(value, (int, float))
            and not isinstance(value, bool)
            and math.isfinite(value)
            and low <= value <= high
        )
        if not good:
            raise InvalidValue(f"pulse.{key}", value, f"{low:g} to {high:g}")
        values[key] = float(value)  # type: ignore[arg-type]
    if values["background_a"] > values["peak_a"]:
        raise InvalidValue(
            "pulse.background_a", values["background_a"], f"no more than the peak of {values['peak_a']:g} A"
        )
    return Pulse(**values)
