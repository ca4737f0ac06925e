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


@dataclass(frozen=True)
class Preset:
    """A way to pulse that is in use: background as a share of the peak, share of time at the peak, pulses per second."""

    code: str
    background_share: float
    on_share: float
    per_second: float


PRESETS = (
    Preset("metronome", 0.14, 0.28, 1.0),
    Preset("thirds", 0.33, 0.33, 33.0),
    Preset("half_and_half", 0.33, 0.50, 1.0),
    Preset("fused_sheet", 0.17, 0.40, 15.0),
    Preset("fast_and_stiff", 0.25, 0.50, 100.0),
)
TIMED_TO_PER_SECOND = 1.3
"""Hz. Above it dabs cannot be timed to the pulse."""
FLICKERS_PER_SECOND = (3.0, 30.0)
"""Hz. Flicker in between can harm photosensitive people [src: wcag-flashes]."""


def on_share_for(mean_a: float, peak_a: float, background_a: float) -> float:
    """Share of time at the peak that gives a mean: (mean − background) / (peak − background).

    Raises:
        InvalidValue: a mean outside of background and peak.

    >>> round(on_share_for(60, 120, 20), 2), round(on_share_for(54.5, 150, 21), 2), round(on_share_for(50, 130, 20), 2)
    (0.4, 0.26, 0.27)
    """
    if not background_a < mean_a < peak_a:
        allowed = said("allowed-between-background-and-peak", low=f"{background_a:g}", high=f"{peak_a:g}")
        raise InvalidValue("mean_a", mean_a, allowed)
    return (mean_a - background_a) / (peak_a - background_a)


def preset_for(preset: Preset, mean_a: float) -> Pulse:
    """The pulse of a preset with a mean (A): peak = mean / (on + p (1 − on)), p being the background's share of the peak.

    >>> pulse = preset_for(PRESETS[1], 18.0)
    >>> round(pulse.peak_a, 1), round(pulse.background_a, 1), round(pulse.mean_a, 1)
    (32.7, 10.8, 18.0)
    """
    peak = mean_a / (preset.on_share + preset.background_share * (1 - preset.on_share))
    return Pulse(peak, preset.background_share * peak, preset.on_share, preset.per_second)


def flickers(per_second: float) -> bool:
    """Whether a pulse's rate (Hz) is one that photosensitive people are warned of."""
    low, high = FLICKERS_PER_SECOND
    return low <= per_second <= high
