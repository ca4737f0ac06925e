"""Pulsed current."""

from dataclasses import dataclass

from judicum.core.errors import InvalidValue, said
from judicum.core.fields import Fields
from judicum.core.quantities import QUANTITIES

KEYS = ("peak_a", "background_a", "on_share", "per_second")
PULSE = Fields("a pulse", tuple(QUANTITIES[key] for key in KEYS), required=KEYS)


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


def read_pulse(given: object) -> Pulse | None:
    """Read a pulse from JSON values. Raises InvalidValues."""
    if given is None:
        return None
    values = PULSE.check(given, "pulse.")
    if values["background_a"] > values["peak_a"]:
        allowed = said("allowed-no-more-than-the-peak-of", peak=f"{values['peak_a']:g}")
        raise InvalidValue("pulse.background_a", values["background_a"], allowed)
    return Pulse(**values)
