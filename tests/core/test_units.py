import pytest

from judicum.core import units


def test_sixteen_gauge_sheet_is_a_sixteenth_of_an_inch() -> None:
    assert units.mm_from_thou(62.5) == pytest.approx(1.5875)
    assert units.thou_from_mm(1.5875) == pytest.approx(62.5)


def test_one_litre_a_minute_is_2_119_cubic_feet_an_hour() -> None:
    assert units.cfh_from_l_min(1.0) == pytest.approx(2.119, abs=5e-4)
    assert units.l_min_from_cfh(units.cfh_from_l_min(11.5)) == pytest.approx(11.5)
