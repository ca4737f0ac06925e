"""The observer beside which the engine is judged."""

import pytest

from tests.core.causes.evening import Judged, evenings, judge
from tests.core.causes.observer import observe


@pytest.fixture(scope="module")
def judged() -> tuple[Judged, Judged]:
    """The engine and the observer on the same small class (not one of the seeds that figures are told of)."""
    found = list(evenings(900, people=12))
    return judge(found), judge(found, observe)


def test_shares_of_the_observer_are_chances() -> None:
    for one in list(evenings(901, people=2)):
        shares = observe(one, alone=False)
        assert sum(shares.values()) <= 1 + 1e-9
        assert list(shares.values()) == sorted(shares.values(), reverse=True)
        assert bool(shares) == bool(one.seen)


def test_nothing_guesses_better_than_what_knows_the_classes(judged: tuple[Judged, Judged]) -> None:
    engine, observer = judged
    assert observer.top > engine.top
    assert observer.both > engine.both
    assert observer.brier < engine.brier
    assert observer.calibration < 0.06


def test_the_engine_stays_near_to_what_can_be_known(judged: tuple[Judged, Judged]) -> None:
    engine, observer = judged
    assert engine.top >= 0.8 * observer.top
    assert engine.three >= 0.9 * observer.three
