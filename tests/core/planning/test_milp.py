"""The mixed-integer program that rotas are put to."""

import numpy as np
import pytest

from judicum.core.planning.rota.milp import Row, solve

ONES, NONE = np.ones(3), np.zeros(3)


@pytest.mark.parametrize(
    ("rows", "expected"),
    [
        ([], [1, 1, 1]),
        # Two of three fit: the dearest two are taken, whole.
        ([({0: 1.0, 1: 1.0, 2: 1.0}, 2.0)], [0, 1, 1]),
        ([({0: 2.0, 1: 3.0, 2: 4.0}, 5.0)], [1, 1, 0]),
        ([({2: 1.0}, 0.0), ({0: 1.0, 1: -1.0}, -1.0)], [0, 1, 0]),
    ],
)
def test_the_least_cost_within_the_rows_is_found_in_whole_numbers(rows: list[Row], expected: list[int]) -> None:
    found = solve(np.array([-2.0, -3.0, -4.0]), rows, NONE, ONES, ONES, 5.0)
    assert found is not None
    assert found.round(6).tolist() == expected


def test_what_need_not_be_whole_is_shared_out() -> None:
    found = solve(np.array([-2.0, -3.0, -4.0]), [({0: 1.0, 1: 1.0, 2: 1.0}, 1.5)], NONE, ONES, np.array([1, 0, 1]), 5.0)
    assert found is not None
    assert found.tolist() == pytest.approx([0, 0.5, 1])


def test_rows_that_nothing_meets_have_no_answer() -> None:
    assert solve(ONES, [({0: -1.0, 1: -1.0}, -3.0)], NONE, ONES, ONES, 5.0) is None
