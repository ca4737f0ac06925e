"""A part that grows hot, and a pulse that fades."""

import math

import numpy as np
import pytest
from scipy.integrate import solve_ivp

from judicum.core.heat.field import ROOM_C, THIN, Arc, melted_mm
from judicum.core.heat.warming import (
    LOSS_W_MM2_K,
    Blank,
    melted_between_mm,
    pulse_power_w,
    run_by_run,
    swing_k,
)
from judicum.core.metals import METALS

STAINLESS = METALS["304L"]
SHEET = Blank.sheet(STAINLESS, 120, 100, 1.5)
BUTT = Arc.of(55, 2.2, 1.5, STAINLESS)


def test_the_closed_form_is_that_of_the_equation() -> None:
    def change(_: float, celsius: list[float]) -> list[float]:
        return [(BUTT.power_w - LOSS_W_MM2_K * SHEET.surface_mm2 * (celsius[0] - ROOM_C)) / SHEET.capacity_j_k]

    solved = solve_ivp(change, (0, 45), [40.0], rtol=1e-8).y[0][-1]
    assert SHEET.after(40.0, BUTT.power_w, 45) == pytest.approx(solved, rel=1e-5)


def test_every_run_starts_hotter_until_what_cools_is_what_comes_in() -> None:
    runs = run_by_run(SHEET, BUTT.power_w, 45, 60, 30)
    starts = [begun for begun, _ in runs]
    assert starts == sorted(starts)
    assert starts[-1] - starts[-2] < 0.01 < starts[2] - starts[1]
    assert all(end > begun for begun, end in runs)
    assert run_by_run(SHEET, BUTT.power_w, 45, 10_000, 3)[2][0] == pytest.approx(ROOM_C, abs=0.01)


def test_cooling_takes_as_long_as_it_takes_to_get_there() -> None:
    assert SHEET.after(300, 0.0, SHEET.cools_s(300, 43)) == pytest.approx(43)
    assert SHEET.cools_s(40, 43) == 0
    assert Blank.sheet(STAINLESS, 120, 100, 3.0).tau_s == pytest.approx(2 * SHEET.tau_s)


def test_a_pulse_fades_with_distance_and_with_its_rate_as_in_a_thick_body() -> None:
    power, thick = pulse_power_w(55, 110, 20, 0.4), Arc.of(55, 2.2, 200, STAINLESS)
    far = np.array([1.0, 2.0, 4.0])
    damp = math.sqrt(math.pi * 2 / STAINLESS.alpha_mm2_s)
    known = power / (2 * math.pi * STAINLESS.k_w_mm_k) * np.exp(-damp * far) / far
    assert swing_k(thick, power, 2, far) == pytest.approx(known, rel=1e-6)
    assert swing_k(BUTT, power, 2, far)[-1] > known[-1]  # a thin plate holds it in
    assert (swing_k(BUTT, power, 8, far) < swing_k(BUTT, power, 2, far)).all()


@pytest.mark.parametrize("per_second", [0.5, 2])
def test_a_thin_plate_is_the_same_on_both_sides_of_where_the_formula_changes(per_second: float) -> None:
    edge_mm = THIN / math.sqrt(math.pi * per_second / STAINLESS.alpha_mm2_s)
    thin, thicker = (Arc(300, 2.2, edge_mm * share, STAINLESS) for share in (0.999, 1.001))
    far = np.array([1.0, 3.0, 6.0])
    assert swing_k(thin, 100, per_second, far) == pytest.approx(swing_k(thicker, 100, per_second, far), rel=0.02)


def test_slow_pulses_breathe_and_fast_ones_are_their_mean() -> None:
    power, mean = pulse_power_w(55, 110, 20, 0.4), melted_mm(BUTT)
    slow, fast = melted_between_mm(BUTT, power, 0.5), melted_between_mm(BUTT, power, 20)
    assert slow[0] < mean - 0.5 < mean + 0.5 < slow[1]
    assert fast == pytest.approx((mean, mean), abs=0.03)
    assert pulse_power_w(55, 55, 55, 0.5) == 0
