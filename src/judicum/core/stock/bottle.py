"""Argon in a bottle: litres from pressure, size and temperature; what a fall between two readings tells."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

import numpy as np

from judicum.core.fields import Fields
from judicum.core.quantities import QUANTITIES

GAS_CONSTANT = 83.14462618
"""bar cm³/(mol K) [src: codata-2018]."""
ZERO_C_K = 273.15
"""K at 0 °C."""
AIR_BAR = 1.01325
"""bar. A gauge shows what lies above it; litres are told at it."""
LITRES_AT_C = 20.0
"""°C at which litres are told: flow meters are marked for it."""
FULL_BAR = 200.0
"""bar on the gauge of a full bottle at 20 °C."""
KEPT_BAR = 2.0
"""bar on the gauge that stay in a bottle so that no air gets in [src: cga-p1]."""
B_REFERENCE_K = 298.15
"""K. Reference of the virial series."""
B_CM3_MOL = (-16.0, -60.0, -10.0)
"""cm³/mol. Second virial coefficient of argon as a series in (298.15 K / T − 1) [src: crc-virial]."""
C_CM6_MOL2 = 1160.0
"""cm⁶/mol². Third virial coefficient of argon near 25 °C [src: dymond-smith]."""
MODEL_SHARE = 0.01
"""Of the litres, how far two virial coefficients may be off up to 230 bar (tests/core/stock/test_bottle.py)."""
GAUGE_SHARE = 0.025
"""Of full scale, the most that a gauge of the usual class 2.5 is off [src: en-837]."""
GAUGE_FULL_BAR = 315.0
"""bar at the end of the usual scale of a bottle's gauge."""
DRIFT_C = 5.0
"""°C by which a bottle is likely to differ from 20 °C where nobody read a thermometer."""
SURE = 2.0
"""Standard uncertainties past which a fall without welding is called a leak: chance alone does it once in forty times."""
OPEN_FIELDS = Fields("a bottle", (QUANTITIES["bottle_l"], QUANTITIES["bottle_bar"], QUANTITIES["bottle_c"]), ("bottle_l", "bottle_bar"))  # fmt: skip


def gauge_off_bar(full_bar: float = GAUGE_FULL_BAR) -> float:
    """Standard uncertainty of a gauge: u = k F / √3, its class being the half width of an even spread [src: en-837].

    Args:
        full_bar: F, bar, the end of its scale; k is GAUGE_SHARE.

    >>> round(gauge_off_bar(315.0), 2)
    4.55
    """
    return GAUGE_SHARE * full_bar / math.sqrt(3)


@dataclass(frozen=True)
class Content:
    """Litres at 20 °C and 1.013 bar that can be drawn before `KEPT_BAR`, and their standard uncertainty."""

    litres: float
    uncertainty: float


@dataclass(frozen=True)
class Reading:
    """One look at a bottle's gauge. `temperature_c` None where nobody measured; `off_bar` is the gauge's standard uncertainty."""

    at: datetime
    bar: float
    temperature_c: float | None = None
    off_bar: float = gauge_off_bar()


@dataclass(frozen=True)
class Fall:
    """What left a bottle between two readings beside what was logged, litres; `leaks` where it fell and nobody welded."""

    since: datetime
    until: datetime
    fell: float
    logged: float
    uncertainty: float

    @property
    def hours(self) -> float:
        return (self.until - self.since).total_seconds() / 3600

    @property
    def leaks(self) -> bool:
        return self.logged == 0 and self.hours > 0 and self.fell > SURE * self.uncertainty

    @property
    def litres_per_hour(self) -> float:
        return (self.fell - self.logged) / self.hours


def _virials(temperature_c: float) -> tuple[float, float]:
    """RT, bar cm³/mol, and the second virial coefficient, cm³/mol, of argon."""
    kelvin = temperature_c + ZERO_C_K
    step = B_REFERENCE_K / kelvin - 1
    return GAS_CONSTANT * kelvin, sum(a * step**k for k, a in enumerate(B_CM3_MOL))


def density_mol_cm3(bar: float, temperature_c: float) -> float:
    """Molar density ρ of argon, mol/cm³: the real root of P = ρRT (1 + Bρ + Cρ²) [src: crc-virial]; up to 230 bar.

    Args:
        bar: P, absolute. temperature_c: °C.

    >>> round(density_mol_cm3(200, 20), 6)
    0.008731
    """
    energy, second = _virials(temperature_c)
    roots = np.roots([C_CM6_MOL2, second, 1.0, -bar / energy])
    # The pressure grows with the density at any temperature of a bottle, so one root of the three is real.
    return float(roots[np.abs(roots.imag).argmin()].real)


def pressure_bar(density: float, temperature_c: float) -> float:
    """The absolute pressure of argon at a molar density, mol/cm³: the inverse of `density_mol_cm3`.

    >>> round(pressure_bar(density_mol_cm3(200, 20), 20), 6)
    200.0
    """
    energy, second = _virials(temperature_c)
    return energy * density * (1 + second * density + C_CM6_MOL2 * density**2)


def compressibility(bar: float, temperature_c: float) -> float:
    """P / (ρRT) of argon at an absolute pressure; 1 for an ideal gas.

    >>> round(compressibility(201, 20), 2)
    0.94
    """
    return bar / (density_mol_cm3(bar, temperature_c) * GAS_CONSTANT * (temperature_c + ZERO_C_K))


def litres(size_l: float, bar: float, temperature_c: float = LITRES_AT_C) -> float:
    """Litres of argon, at 20 °C and 1.013 bar, that a bottle gives until `KEPT_BAR` are left; never below 0.

    Args:
        size_l: water volume, L. bar: on the gauge.

    >>> round(litres(20, 200), -1), round(litres(20, 2))
    (4160.0, 0)
    """
    inside = density_mol_cm3(bar + AIR_BAR, temperature_c) - density_mol_cm3(KEPT_BAR + AIR_BAR, temperature_c)
    return max(0.0, size_l * inside / density_mol_cm3(AIR_BAR, LITRES_AT_C))


def bar_with(size_l: float, given_l: float, temperature_c: float = LITRES_AT_C) -> float:
    """What the gauge shows when so many litres can still be drawn: the inverse of `litres`, bar.

    >>> round(bar_with(20, litres(20, 150)))
    150
    """
    if given_l <= 0:
        return KEPT_BAR
    kept = density_mol_cm3(KEPT_BAR + AIR_BAR, temperature_c)
    return pressure_bar(kept + given_l * density_mol_cm3(AIR_BAR, LITRES_AT_C) / size_l, temperature_c) - AIR_BAR


def content(size_l: float, reading: Reading) -> Content:
    """What can still be drawn by a reading, with its standard uncertainty from gauge, temperature and model.

    Raises:
        InvalidValues: a size, pressure or temperature that no bottle has.
    """
    OPEN_FIELDS.check({"bottle_l": size_l, "bottle_bar": reading.bar, "bottle_c": reading.temperature_c})
    warm = LITRES_AT_C if reading.temperature_c is None else reading.temperature_c
    found = litres(size_l, reading.bar, warm)
    by_gauge = size_l * reading.off_bar / AIR_BAR
    by_warmth = found * DRIFT_C / (LITRES_AT_C + ZERO_C_K) if reading.temperature_c is None else 0.0
    return Content(found, math.hypot(by_gauge, by_warmth, MODEL_SHARE * found))


def falls(size_l: float, readings: Sequence[Reading], logged: Sequence[float]) -> list[Fall]:
    """What left the bottle between each two readings, oldest first.

    Args:
        logged: litres that runs took between them by their logs, one for each pair.
    """
    # The model's error is the same at both ends and nearly cancels: it scales the fall, it does not make one.
    found = []
    for before, after, took in zip(readings, readings[1:], logged, strict=False):
        had, has = content(size_l, before), content(size_l, after)
        fell = had.litres - has.litres
        own = [math.sqrt(max(0.0, one.uncertainty**2 - (MODEL_SHARE * one.litres) ** 2)) for one in (had, has)]
        found.append(Fall(before.at, after.at, fell, took, math.hypot(*own, MODEL_SHARE * fell)))
    return found
