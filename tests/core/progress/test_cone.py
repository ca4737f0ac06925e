"""The range of a figure's next attempts holds what then comes."""

import numpy as np
import pytest

from judicum.core.progress.cone import cone


def test_the_range_holds_about_four_of_five_next_values_of_drawn_learners() -> None:
    rng = np.random.default_rng(5)
    for ahead, floor, ceiling in ((1, 0.72, 0.9), (3, 0.72, 0.92)):
        held = 0
        for _ in range(600):
            n = int(rng.integers(3, 12))
            start, end, rate = rng.uniform(0.08, 0.25), rng.uniform(0.03, 0.1), rng.uniform(0.05, 0.6)
            level = end + (start - end) * np.exp(-rate * np.arange(n + ahead))
            values = level * np.exp(rng.normal(0, rng.uniform(0.1, 0.35), n + ahead))
            found = cone(list(values[:n]), ahead)[-1]
            held += found.low <= values[-1] <= found.high
        assert floor <= held / 600 <= ceiling, ahead


def test_a_steady_figure_stays_and_a_falling_one_falls_ever_slower() -> None:
    assert cone([0.1, 0.1]) == []
    steady = cone([0.1] * 6)
    assert [one.mid for one in steady] == pytest.approx([0.1] * 3)
    falling = cone([0.30, 0.26, 0.22, 0.18, 0.14, 0.10])
    mids = [one.mid for one in falling]
    assert mids == sorted(mids, reverse=True)
    assert mids[0] - mids[1] > mids[1] - mids[2]
    widths = [one.high - one.mid for one in falling]
    assert widths == sorted(widths)
    assert all(one.low >= 0 for one in cone([0.02, 0.3, 0.01]))
