"""How long a stock lasts."""

import numpy as np
import pytest

from judicum.bench.lasts import SCATTER
from judicum.bench.lasts import held as share_held
from judicum.core.stock.lasts import LONGEST, lasts, to_order


def test_an_even_class_runs_out_when_it_must() -> None:
    found = lasts(1000, [100.0] * 12)
    assert found is not None
    assert found.mid == 10
    assert found.low < 10 <= (found.high or LONGEST)
    assert found.per_session == 100


def test_more_sessions_narrow_the_range() -> None:
    few, many = lasts(1000, [100.0] * 2), lasts(1000, [100.0] * 20)
    assert few and many and few.high and many.high
    assert many.high - many.low < few.high - few.low


def test_the_plan_counts_before_the_usual() -> None:
    found = lasts(1000, [100.0] * 12, planned=[500.0, 450.0, None])
    assert found is not None
    assert found.mid == 2


def test_nothing_known_is_said_as_nothing() -> None:
    assert lasts(100, []) is None
    assert lasts(100, [0.0, 0.0]) is None
    assert lasts(100, [], planned=[None, 20.0]) is not None


def test_a_large_stock_outlasts_what_is_foreseen() -> None:
    found = lasts(1e6, [1.0] * 6)
    assert found is not None
    assert (found.mid, found.high) == (None, None)
    assert found.low == LONGEST


@pytest.mark.parametrize("sessions", [2, 5, 12])
def test_about_four_in_five_run_out_within_the_range(sessions: int) -> None:
    """Classes whose sessions scatter little, usually and much: an even one is held more often, since sessions are whole."""
    rng = np.random.default_rng(sessions)
    held = [share_held(rng, cv, sessions, classes=400)[0] for cv in SCATTER]
    assert min(held) >= 0.68
    assert 0.78 <= np.mean(held) <= 0.93


def test_what_is_ordered_covers_the_plan_with_some_to_spare() -> None:
    found = lasts(5, [2.0] * 10)
    assert found is not None
    assert to_order(5, found, sessions=8) == 14  # 16 and a spread of 2.3, less the 5 there are
    assert to_order(100, found, sessions=8) == 0
    assert to_order(5, found, sessions=8, planned=[6.0]) == 18
