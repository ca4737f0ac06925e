"""Which of several traces is the bead, which lines need no tracing, and where a trace is unsure of itself."""

import numpy as np
import pytest

from judicum.core.photo.measure import _convincing, _runs_along, _unsure
from judicum.core.photo.toes import Toes
from judicum.core.photo.trace import Traced
from judicum.core.photo.unwrap import Line
from tests.core.photo.bands import LINE, bead_band, straight_toes


def traced(strength: float, clear: float, start: float = 10.0, end: float = 50.0) -> Traced:
    """A trace as far as choosing goes: how strong its toes are, how clear its tips, how long it is."""
    toes = straight_toes(2.0, start, end)
    toes = Toes(LINE, toes.s_mm, toes.left_mm, toes.right_mm, strength * np.ones_like(toes.s_mm), start, end)
    return Traced(toes, BAND, np.zeros((1, 1)), clear, lambda: iter(()))


BAND = bead_band(2.0)


@pytest.mark.parametrize(
    ("better", "worse"),
    [
        (traced(4.0, 4.0), traced(3.0, 4.0)),  # stronger
        (traced(4.0, 4.0), traced(4.0, 4.0, 10, 38)),  # longer
        (traced(3.0, 4.8), traced(6.0, 2.6)),  # its tips are clear: an edge of the plate ends nowhere
        (traced(3.0, 4.0, 12, 48), traced(2.7, 2.9, 2, 58)),  # a bead, not the joint drawn on beyond it
    ],
)
def test_the_more_convincing_trace_is_the_bead(better: Traced, worse: Traced) -> None:
    assert _convincing(better) > _convincing(worse)


@pytest.mark.parametrize(
    ("n", "turned", "along"), [(0.0, 0.0, True), (1.5, 0.05, True), (6.0, 0.0, False), (0.0, 0.4, False)]
)
def test_a_line_along_a_bead_that_was_traced_well_is_not_traced_again(n: float, turned: float, along: bool) -> None:
    line = Line(np.array([30.0, n]), np.array([np.cos(turned), np.sin(turned)]))
    assert _runs_along(line, straight_toes(2.0)) is along


def test_a_weak_or_short_trace_spares_no_line() -> None:
    same = Line(np.array([30.0, 0.0]), np.array([1.0, 0.0]))
    assert not _runs_along(same, straight_toes(2.0, 20, 40))
    assert not _runs_along(same, traced(1.0, 4.0).toes)


@pytest.mark.parametrize("flip", [False, True])
def test_unsure_stretches_are_where_the_weaker_toe_hardly_stands_out(flip: bool) -> None:
    toes = straight_toes(2.0)
    evidence = np.where(np.abs(toes.s_mm - 20) < 3, 0.3, 9.0)
    doubtful = Toes(LINE, toes.s_mm, toes.left_mm, toes.right_mm, evidence, 10.0, 50.0)
    ((low, high),) = _unsure(doubtful, None, 10.0, 50.0, flip)
    middle = 30.0 if flip else 10.0
    assert (low + high) / 2 == pytest.approx(middle, abs=0.6)
    assert 4.0 < high - low < 8.0
    assert _unsure(toes, None, 10.0, 50.0, flip) == ()
