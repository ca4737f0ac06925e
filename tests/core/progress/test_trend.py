import pytest

from judicum.core.progress import good_in_a_row, trend_per_attempt


def test_one_bad_day_does_not_turn_the_trend() -> None:
    assert trend_per_attempt([0.12, 0.11, 0.30, 0.09, 0.08]) == pytest.approx(-0.01)


def test_two_attempts_are_no_trend() -> None:
    assert trend_per_attempt([0.2, 0.1]) is None


def test_a_fail_breaks_the_row() -> None:
    assert good_in_a_row([90, 90, 60], 70) == 0
    assert good_in_a_row([60, 70, 71], 70) == 2
    assert good_in_a_row([], 70) == 0
