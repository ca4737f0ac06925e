from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.progress import good_in_a_row, trend_per_attempt

figures = st.lists(st.integers(0, 1000).map(lambda n: n / 1000), min_size=3, max_size=20)


def test_one_bad_day_does_not_turn_the_trend() -> None:
    assert trend_per_attempt([0.12, 0.11, 0.30, 0.09, 0.08]) == pytest.approx(-0.01)


def test_two_attempts_are_no_trend() -> None:
    assert trend_per_attempt([0.2, 0.1]) is None


def test_a_fail_breaks_the_row() -> None:
    assert good_in_a_row([True, True, False]) == 0
    assert good_in_a_row([False, True, True]) == 2
    assert good_in_a_row([]) == 0


@given(figures, st.integers(-50, 50))
def test_a_trend_follows_what_is_added_with_every_attempt(values: list[float], slope: int) -> None:
    tilted = [value + slope / 1000 * k for k, value in enumerate(values)]
    plain, more = trend_per_attempt(values), trend_per_attempt(tilted)
    assert plain is not None and more is not None
    assert more == pytest.approx(plain + slope / 1000, abs=2e-6)


@given(figures)
def test_a_trend_said_backwards_turns_round_and_never_leaves_the_steps(values: list[float]) -> None:
    there, back = trend_per_attempt(values), trend_per_attempt(values[::-1])
    assert there is not None and back is not None
    assert back == pytest.approx(-there, abs=2e-6)
    steps = [b - a for a, b in pairwise(values)]
    assert min(steps) - 1e-6 <= there <= max(steps) + 1e-6


@given(st.lists(st.booleans(), max_size=12))
def test_the_row_counts_back_to_the_last_fail(passed: list[bool]) -> None:
    row = good_in_a_row(passed)
    assert all(passed[len(passed) - row :])
    assert row == len(passed) or not passed[-1 - row]
