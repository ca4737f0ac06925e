"""Agreement of markers against published figures, and drift against chance."""

import numpy as np
import pytest

from judicum.core.marking.agreement import (
    Interval,
    agreement,
    departures,
    fitted_curve,
    intraclass,
    mean_difference,
    severity,
    weighted_kappa,
)

SIX_BY_FOUR = np.array([[9, 2, 5, 8], [6, 1, 3, 2], [8, 4, 6, 8], [7, 1, 2, 6], [10, 5, 6, 9], [6, 2, 4, 7]], float)
"""Six targets, four judges [src: shrout-fleiss-1979]."""


def test_intraclass_correlation_of_the_published_example() -> None:
    found = intraclass(SIX_BY_FOUR)
    assert found is not None
    assert found.value == pytest.approx(0.29, abs=0.005)
    # As several packages print it for this example.
    assert (found.low, found.high) == (pytest.approx(0.02, abs=0.01), pytest.approx(0.76, abs=0.01))


def test_intraclass_correlation_at_its_ends() -> None:
    same = intraclass(np.array([[1.0, 1.0], [5.0, 5.0], [9.0, 9.0]]))
    assert same == Interval(1.0, 1.0, 1.0)
    assert intraclass(np.full((4, 2), 6.0)) is None


def test_weighted_kappa_of_a_worked_table() -> None:
    # Two by two: observed 0.7, by chance 0.5, so kappa 0.4 whatever the weights.
    first = [0] * 25 + [1] * 25
    second = [0] * 20 + [1] * 5 + [0] * 10 + [1] * 15
    found = weighted_kappa(first, second, 2)
    assert found is not None
    assert found.value == pytest.approx(0.4)
    assert found.low < 0.4 < found.high
    far = weighted_kappa([0, 5, 10, 15, 20], [0, 5, 10, 15, 0], 21)
    near = weighted_kappa([0, 5, 10, 15, 20], [0, 5, 10, 15, 19], 21)
    assert far is not None
    assert near is not None
    assert near.value > 0.99 > far.value
    assert weighted_kappa([4, 4, 4], [4, 4, 4], 21) is None


def test_a_mean_difference_has_the_interval_of_a_worked_example() -> None:
    # Differences 1, 2, 3: mean 2, standard error 0.577, t(2) 4.303.
    found = mean_difference([5, 5, 5], [6, 7, 8])
    assert found is not None
    assert (found.value, found.low) == (2.0, pytest.approx(2 - 4.303 * 0.57735, abs=0.01))
    assert mean_difference([5], [6]) is None


def test_few_pairs_say_little_and_many_say_more() -> None:
    rng = np.random.default_rng(1)
    truth = rng.integers(4, 20, 40) / 2
    first, second = truth, np.clip(truth + rng.choice([-0.5, 0.0, 0.5], 40), 0, 10)
    few, many = agreement(first[:4], second[:4]), agreement(first, second)
    assert (few.kappa, few.icc, few.few) == (None, None, True)
    assert many.kappa is not None
    assert many.icc is not None
    assert not many.few
    assert many.icc.low > 0.9
    middle = agreement(first[:10], second[:10])
    assert middle.icc is not None
    assert middle.icc.high - middle.icc.low > many.icc.high - many.icc.low


def test_a_steady_marker_is_hardly_ever_said_to_drift_and_a_drifting_one_is_found() -> None:
    rng = np.random.default_rng(7)

    def answer(shift: float) -> list[str | None]:
        found = []
        for _ in range(300):
            over = rng.normal(1.0, 4.0, 60)
            over[30:] += shift
            chart = severity(over)
            assert chart is not None
            found.append(chart.drifts)
        return found

    assert sum(one != "no" for one in answer(0.0)) <= 15
    assert answer(6.0).count("kinder") >= 240
    assert answer(-6.0).count("stricter") >= 240
    few = severity([1.0, 2.0, 1.0])
    assert few is not None
    assert few.drifts is None


CURVE = ((0.04, 10.0), (0.08, 8.0), (0.15, 5.0), (0.3, 0.0))


def test_a_curve_is_bent_to_what_was_given_and_stays_where_nothing_was() -> None:
    figures = np.linspace(0.05, 0.16, 30)
    kinder = [min(10.0, round(2 * float(np.interp(f, *zip(*CURVE, strict=True)) + 2)) / 2) for f in figures]
    bent = fitted_curve(CURVE, list(figures), kinder)
    assert bent is not None
    assert [f for f, _ in bent] == [f for f, _ in CURVE]
    assert dict(bent)[0.08] == pytest.approx(10.0, abs=0.5)
    assert dict(bent)[0.15] == pytest.approx(7.0, abs=0.5)
    assert dict(bent)[0.3] == 0.0
    as_printed = [float(np.interp(f, *zip(*CURVE, strict=True))) for f in figures]
    assert fitted_curve(CURVE, list(figures), as_printed) is None
    assert fitted_curve(CURVE, list(figures[:5]), kinder[:5]) is None
    assert fitted_curve(((0.7, 0.0), (1.0, 10.0), (1.6, 5.0)), list(figures), kinder) is None


@pytest.mark.parametrize("second", [[7.0] * 9, [6.0, 7.0, 8.0] * 3, [8.0, 7.0, 6.0] * 3])
def test_marks_that_are_all_the_same_or_alike_are_said_without_complaint(second: list[float]) -> None:
    found = agreement([6.0, 7.0, 8.0] * 3, second)
    assert found.icc is not None
    assert found.kappa is None or -1 <= found.kappa.low <= found.kappa.high <= 1


def test_departures_are_said_by_criterion() -> None:
    found = departures({"tint": [(8.0, 7.0), (8.0, 7.0)], "face": []})
    assert found["tint"] == Interval(-1.0, -1.0, -1.0)
    assert found["face"] is None
