"""The worked figures of the trade."""

import pytest

from judicum.core.heat import heat_per_length_kj_mm
from judicum.core.metals import METALS
from judicum.core.setup import filler, gas
from judicum.core.setup.current import bead_width_mm, heat_balance_a, heat_balance_w
from judicum.core.setup.gauge import gauge_mm
from judicum.core.setup.pulse import Pulse
from judicum.core.tube import carry_over_rpm, plan_runs, run_order, turntable_rpm


def test_pulse_mean() -> None:
    assert Pulse(110, 25, 0.30, 1).mean_a == pytest.approx(50.5)


def test_heat_per_length_in_both_conventions() -> None:
    assert heat_per_length_kj_mm(10.5, 62, 2.2) == pytest.approx(0.296, abs=5e-4)
    assert heat_per_length_kj_mm(10.5, 62, 2.2, 0.6) == pytest.approx(0.178, abs=5e-4)


def test_turntable_and_the_same_band_on_another_tube() -> None:
    slow = turntable_rpm(48.3, 2.0)
    assert slow == pytest.approx(0.791, abs=5e-4)
    assert carry_over_rpm(slow, 48.3, 76.1) == pytest.approx(0.502, abs=5e-4)


def test_run_plan() -> None:
    plan = plan_runs(48.3, 2.2, 17, 3.0)
    assert (round(plan.net_mm, 1), plan.count, round(plan.length_mm, 1), plan.dabs) == (34.4, 5, 33.3, 15)
    assert plan.starts_deg == pytest.approx((0, 72, 144, 216, 288))
    assert sorted(run_order(6)) == [1, 2, 3, 4, 5, 6]
    assert abs(run_order(6)[1] - run_order(6)[0]) > 1


def test_gas_per_run_and_purge_wait() -> None:
    assert gas.gas_per_run_l(12, 0.5, 48, 10) == pytest.approx(11.7)
    volume = gas.bore_volume_l(45, 300)
    assert volume == pytest.approx(0.477, abs=5e-4)
    assert gas.purge_wait_s(volume, 6, 3) == pytest.approx(57, abs=0.5)


def test_reynolds_number() -> None:
    assert gas.reynolds(8, 8) == pytest.approx(995, abs=1)
    assert gas.reynolds(16.5, 6) == pytest.approx(2736, abs=1)


def test_heat_balance() -> None:
    assert bead_width_mm(1.5) == pytest.approx(4.05)
    assert heat_balance_w(METALS["304L"], 1.5, 4.05, 2.4) == pytest.approx(280, abs=1)
    assert heat_balance_a(METALS["304L"], 1.5, 4.05, 2.4) == pytest.approx(43, abs=0.5)


def test_filler_of_a_tee() -> None:
    area = filler.fillet_area_mm2(2.0, 0.15)
    assert area * 100 == pytest.approx(230)
    assert filler.wire_length_mm(area, 100, 1.6) == pytest.approx(114, abs=0.5)


def test_the_same_gauge_is_three_thicknesses() -> None:
    assert [round(gauge_mm(16, t), 3) for t in ("stainless_sheet", "carbon_sheet", "tube_wall")] == [
        1.587,
        1.519,
        1.651,
    ]
