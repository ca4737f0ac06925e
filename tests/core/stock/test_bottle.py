"""Litres in a bottle, and leaks. Densities are those of the reference equation of state of argon [src: tegeler-1999]."""

from datetime import UTC, datetime, timedelta

import pytest

from judicum.core.errors import InvalidValues
from judicum.core.stock.bottle import (
    FULL_BAR,
    KEPT_BAR,
    Reading,
    bar_with,
    compressibility,
    content,
    density_mol_cm3,
    falls,
    litres,
    pressure_bar,
)

BEGUN = datetime(2026, 3, 3, 18, tzinfo=UTC)
MOL_L = [
    (0, 1.01325, 0.04464), (0, 50, 2.300), (0, 100, 4.756), (0, 150, 7.261), (0, 201.01325, 9.715),
    (20, 1.01325, 0.04159), (20, 50, 2.115), (20, 100, 4.323), (20, 150, 6.546), (20, 201.01325, 8.732),
    (35, 50, 1.997), (35, 100, 4.055), (35, 150, 6.112), (35, 201.01325, 8.137), (35, 231, 9.268),
]  # fmt: skip
"""°C, bar absolute, mol/L."""


@pytest.mark.parametrize(("temperature", "bar", "expected"), MOL_L)
def test_density_agrees_with_the_reference_equation(temperature: float, bar: float, expected: float) -> None:
    assert 1000 * density_mol_cm3(bar, temperature) == pytest.approx(
        expected, rel=0.0125 if temperature == 0 else 0.0065
    )


def test_a_full_bottle_holds_about_its_pressure_times_its_size() -> None:
    # 200 bar × 20 L ≈ 4,000 L by the rule of thumb; argon is denser than an ideal gas there, and 2 bar stay inside.
    assert litres(20, FULL_BAR) == pytest.approx(4138, rel=0.01)
    assert litres(50, FULL_BAR) == pytest.approx(2.5 * litres(20, FULL_BAR))
    assert compressibility(201, 20) == pytest.approx(0.945, abs=0.006)
    assert litres(20, KEPT_BAR) == 0
    assert litres(20, 0) == 0


@pytest.mark.parametrize("temperature", [-20.0, 0.0, 20.0, 45.0])
@pytest.mark.parametrize("bar", [0.0, 1.0, 60.0, 230.0])
def test_density_and_pressure_are_inverse(temperature: float, bar: float) -> None:
    assert pressure_bar(density_mol_cm3(bar, temperature), temperature) == pytest.approx(bar, abs=1e-9)


@pytest.mark.parametrize("given", [5.0, 80.0, 1500.0, 4100.0])
def test_pressure_and_litres_are_inverse(given: float) -> None:
    assert litres(20, bar_with(20, given, 8), 8) == pytest.approx(given, rel=1e-6)
    assert bar_with(20, 0) == KEPT_BAR


def test_a_cold_bottle_shows_less_and_holds_the_same() -> None:
    full = litres(20, FULL_BAR)
    assert bar_with(20, full, 0) < 0.92 * FULL_BAR
    assert litres(20, bar_with(20, full, 0), 0) == pytest.approx(full)


def test_what_was_not_measured_widens_the_range() -> None:
    sure = content(20, Reading(BEGUN, 120, 18, off_bar=0.5))
    unsure = content(20, Reading(BEGUN, 120))
    assert sure.uncertainty < 30 < 80 < unsure.uncertainty < 150


@pytest.mark.parametrize(
    ("size", "bar", "warm", "field"),
    [(0, 100, 20, "bottle_l"), (20, 500, 20, "bottle_bar"), (20, -1, 20, "bottle_bar"), (20, 100, 90, "bottle_c")],
)
def test_readings_that_no_bottle_has_are_refused(size: float, bar: float, warm: float, field: str) -> None:
    with pytest.raises(InvalidValues, match=field):
        content(size, Reading(BEGUN, bar, warm))


def _week(*bars: float, off: float) -> list[Reading]:
    return [Reading(BEGUN + timedelta(days=3 * k), bar, 20, off) for k, bar in enumerate(bars)]


def test_a_bottle_that_falls_while_nobody_welds_leaks() -> None:
    first, second = falls(20, _week(150, 130, 118, off=0.5), [380.0, 0.0])
    assert not first.leaks
    assert first.fell == pytest.approx(20 * 20.7, rel=0.05), "20 bar out of 20 L, a little denser than ideal"
    assert second.leaks
    assert second.litres_per_hour == pytest.approx(second.fell / 72)


def test_a_gauge_that_is_only_read_roughly_makes_no_leak() -> None:
    assert not falls(20, _week(150, 146, off=4.5), [0.0])[0].leaks
    assert not falls(20, _week(150, 150, off=0.5), [0.0])[0].leaks
