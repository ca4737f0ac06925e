"""Temperature around a moving arc: the closed formulas at both ends of thickness, and what always holds."""

from dataclasses import replace

import numpy as np
import pytest
from scipy.special import k0

from judicum.core.heat.field import Arc, after_s, melted_mm, peak_c, rise_k, seconds_above
from judicum.core.metals import METALS

STAINLESS = METALS["304L"]
X = np.array([-10.0, -5.0, -2.0, 1.0])
BUTT = Arc.of(55, 2.2, 1.5, STAINLESS)


def test_a_thick_plate_is_rosenthals() -> None:
    far = np.hypot(X, 4.0)
    known = 300 / (2 * np.pi * STAINLESS.k_w_mm_k) * np.exp(-2.2 * (X + far) / 11) / far
    assert rise_k(Arc(300, 2.2, 200, STAINLESS), X, 4.0) == pytest.approx(known, rel=1e-6)


@pytest.mark.parametrize("thickness_mm", [0.5, 1.02, 1.5])
def test_a_thin_plate_is_rosenthals_on_both_sides_of_where_the_formula_changes(thickness_mm: float) -> None:
    known = (
        300 / (2 * np.pi * STAINLESS.k_w_mm_k * thickness_mm) * np.exp(-2.2 * X / 11) * k0(2.2 * np.hypot(X, 6.0) / 11)
    )
    assert rise_k(Arc(300, 2.2, thickness_mm, STAINLESS), X, 6.0) == pytest.approx(known, rel=2e-3)


def test_an_edge_keeps_heat_in_and_doubles_it_there() -> None:
    free = rise_k(BUTT, X, 5.0)
    assert rise_k(replace(BUTT, edge_mm=5.0), X, 5.0) == pytest.approx(2 * free)
    assert (rise_k(replace(BUTT, edge_mm=20.0), X, 5.0) > free).all()


@pytest.mark.parametrize(
    ("hotter", "cooler"),
    [
        (Arc.of(70, 2.2, 1.5, STAINLESS), BUTT),
        (BUTT, Arc.of(55, 3.5, 1.5, STAINLESS)),
        (BUTT, Arc.of(55, 2.2, 3.0, STAINLESS)),
        (BUTT, Arc.of(55, 2.2, 1.5, STAINLESS, limbs=3)),
        (BUTT, Arc.of(55, 2.2, 1.5, METALS["carbon"])),
    ],
)
def test_more_heat_a_slower_arc_and_a_thinner_part_are_hotter_for_longer(hotter: Arc, cooler: Arc) -> None:
    assert peak_c(hotter, 5.0) > peak_c(cooler, 5.0)
    assert seconds_above(hotter, 5.0, 300) > seconds_above(cooler, 5.0, 300)
    assert melted_mm(hotter) > melted_mm(cooler)


def test_the_end_cools_ever_slower_and_a_warm_part_slower_still() -> None:
    times = [after_s(BUTT, level) for level in (800, 600, 400, 200)]
    assert times == sorted(times)
    assert times[2] == pytest.approx(11.3, rel=0.02)
    assert after_s(BUTT, 400, start_c=150) > times[2]
    assert after_s(BUTT, 100_000) == 0.0
    assert melted_mm(BUTT, start_c=150) > melted_mm(BUTT)


def test_farther_from_the_bead_it_is_cooler_and_never_hot_for_long() -> None:
    peaks = [peak_c(BUTT, y) for y in (2.0, 3.0, 5.0, 10.0, 20.0)]
    assert peaks == sorted(peaks, reverse=True)
    assert seconds_above(BUTT, 40.0, 600) == 0.0
