"""What the machine did, from logs whose truth is known; drawn by the simulated logger and by hand."""

import io
from dataclasses import replace

import numpy as np
import pytest

from judicum.core.datalog import MachineFigures, figures_of, read_data_log
from judicum.logger.draw import LoggedWeld, draw_log

PLAIN = LoggedWeld()


def seen(weld: LoggedWeld) -> MachineFigures:
    found = figures_of(read_data_log(io.StringIO(draw_log(weld))))
    assert found is not None
    return found


@pytest.mark.parametrize("rate_hz", [10.0, 50.0, 1000.0])
def test_a_quiet_run_is_read_as_it_was(rate_hz: float) -> None:
    found = seen(replace(PLAIN, rate_hz=rate_hz, seed=3))
    step = 2 / rate_hz
    assert found.arcs == 1
    assert found.arc_s == pytest.approx(30, abs=step)
    assert found.current_a == pytest.approx(60, abs=1)
    assert found.preflow_s == pytest.approx(0.5, abs=step)
    assert found.postflow_s == pytest.approx(8, abs=step)
    # From full current to 80 % of it the slope is a fifth of its time shorter; smoothing takes a tenth of a second.
    assert found.downslope_s == pytest.approx(0.8 * 3, abs=0.3)
    assert found.start_current_a < 45
    assert (found.pulse, found.pumping, found.restarts_s, found.missing_s) == (None, None, (), 0)
    assert found.voltage_v == pytest.approx(10.6, abs=0.1)
    assert found.energy_kj is not None
    assert found.energy_kj == pytest.approx(30 * 60 * 10.6 / 1000, rel=0.08)


@pytest.mark.parametrize(("hertz", "depth"), [(0.4, 0.15), (1.0, 0.3), (2.2, 0.12)])
@pytest.mark.parametrize("seed", [1, 2])
def test_a_pumping_foot_is_told_from_a_pulse(hertz: float, depth: float, seed: int) -> None:
    found = seen(replace(PLAIN, pump_hz=hertz, pump_depth=depth, seed=seed))
    assert found.pulse is None
    assert found.pumping is not None
    assert found.pumping.per_second == pytest.approx(hertz, rel=0.1)
    assert found.pumping.depth == pytest.approx(depth, abs=0.04)


@pytest.mark.parametrize(("hertz", "share"), [(1.0, 0.4), (2.0, 0.5), (8.0, 0.35)])
def test_a_pulse_is_read_with_its_levels_and_its_share(hertz: float, share: float) -> None:
    found = seen(replace(PLAIN, current_a=120, background_a=30, pulse_hz=hertz, on_share=share, rate_hz=500, seed=5))
    assert found.pumping is None
    assert found.pulse is not None
    assert found.pulse.per_second == pytest.approx(hertz, rel=0.03)
    assert found.pulse.on_share == pytest.approx(share, abs=0.04)
    assert found.pulse.peak_a == pytest.approx(120, rel=0.05)
    assert found.pulse.background_a == pytest.approx(30, rel=0.1)
    assert found.current_a == pytest.approx(120 * share + 30 * (1 - share), rel=0.05)


def hand_drawn(current: list[float], rate_hz: float = 20.0, gas: list[int] | None = None) -> MachineFigures | None:
    valve = gas or [0] * len(current)
    rows = "\n".join(f"{k / rate_hz};{a};{g}" for k, (a, g) in enumerate(zip(current, valve, strict=True)))
    return figures_of(read_data_log(io.StringIO(f"t [s];I [A];gas\n{rows}\n")))


def test_an_arc_that_goes_out_and_is_struck_again_is_one_weld_with_a_restart() -> None:
    found = hand_drawn([0] * 20 + [50] * 100 + [0] * 40 + [50] * 60 + [0] * 20)
    assert found is not None
    assert found.arcs == 2
    assert found.restarts_s == pytest.approx((7.0,))
    assert found.arc_s == pytest.approx(7.9, abs=0.11)


def test_a_spark_is_no_restart_and_a_tack_no_run() -> None:
    found = hand_drawn([0] * 20 + [50] * 100 + [0] * 4 + [50] * 100 + [0] * 40 + [50] * 6 + [0] * 20)
    assert found is not None
    assert (found.arcs, found.restarts_s) == (1, ())
    assert hand_drawn([0.4] * 200) is None


def test_gas_that_was_open_from_the_first_or_to_the_last_sample_says_no_time() -> None:
    found = hand_drawn([0] * 20 + [50] * 100 + [0] * 20, gas=[1] * 140)
    assert found is not None
    assert (found.preflow_s, found.postflow_s) == (None, None)


def test_what_is_missing_is_said() -> None:
    time = np.concatenate((np.arange(0, 5, 0.05), np.arange(8, 15, 0.05)))
    rows = "".join(f"{t:.3f},{50 if 1 < t < 14 else 0}\n" for t in time)
    found = figures_of(read_data_log(io.StringIO("time,current\n" + rows)))
    assert found is not None
    assert found.missing_s == pytest.approx(3.05, abs=0.06)
    assert found.arcs == 1
