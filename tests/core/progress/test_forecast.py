import json
from datetime import UTC, datetime, timedelta
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.bench.classes import baselines, bench, cases
from judicum.core.errors import InvalidValues
from judicum.core.progress import ToGo, forecast
from judicum.core.progress.forecast import _to_go, trend_of
from judicum.core.progress.learning import Record, draw_particles, passes_ahead, until_in_a_row, usual_in

BEGIN = datetime(2026, 10, 1, 18, tzinfo=UTC)


def attempts(*totals: float | None, coupon: str = "butt-15", **more: Any) -> list[dict[str, Any]]:
    return [
        {
            "at": (BEGIN + timedelta(days=7 * k)).isoformat().replace("+00:00", "Z"),
            "coupon": coupon,
            "total": total,
            **more,
        }
        for k, total in enumerate(totals)
    ]


def asked(student: list[dict[str, Any]], classmates: Any = (), **more: Any) -> dict[str, Any]:
    return {"coupon": "butt-15", "pass_mark": 70, "in_a_row": 3, "student": student, "class": list(classmates), **more}


def test_a_steady_passer_is_ready_and_a_beginner_is_not() -> None:
    good = forecast(asked(attempts(85, 88, 90, 91, 92)))
    assert (good.attempts, good.good_in_a_row, good.to_go, good.ready) == (5, 5, 0, True)
    assert good.next_pass > 0.9
    poor = forecast(asked(attempts(30, 33, 35, 31)))
    assert (poor.good_in_a_row, poor.ready) == (0, False)
    assert poor.next_pass < 0.1
    assert poor.to_go is None or (isinstance(poor.to_go, ToGo) and poor.to_go.median > good.attempts)


def test_with_nothing_known_the_belief_is_wide_and_the_class_alone_speaks_where_there_is_one() -> None:
    alone = forecast(asked([]))
    assert 0.15 < alone.next_pass < 0.6
    assert (alone.attempts, alone.trend, alone.plateau, alone.returning) == (0, "unknown", False, ())
    strong = forecast(asked([], [attempts(80, 84, 88)] * 10))
    weak = forecast(asked([], [attempts(30, 35, 38)] * 10))
    assert strong.next_pass > alone.next_pass > weak.next_pass
    assert (strong.classmates, strong.own) == (10, 0)


def test_one_s_own_marks_outweigh_the_class_in_the_end() -> None:
    weak_class = [attempts(30, 35, 38)] * 10
    assert forecast(asked(attempts(84, 86, 88, 90, 87), weak_class)).next_pass > 0.85


def test_better_level_and_worse_over_the_last_six() -> None:
    assert trend_of(np.array([40.0, 50, 58, 66, 73, 80])) == "better"
    assert trend_of(np.array([80.0, 71, 66, 57, 50, 41])) == "worse"
    assert trend_of(np.array([60.0, 63, 58, 61, 59, 62])) == "level"
    assert trend_of(np.array([40.0, 80.0])) == "unknown"
    assert trend_of(np.array([10.0, 20, 60, 61, 60, 62, 59, 61])) == "level"


def test_a_plateau_needs_five_without_a_gain() -> None:
    assert forecast(asked(attempts(60, 61, 59, 60, 61))).plateau
    assert not forecast(asked(attempts(60, 61, 59, 60))).plateau
    assert not forecast(asked(attempts(45, 52, 60, 66, 74))).plateau


def test_a_break_makes_the_next_pass_less_likely() -> None:
    record = attempts(60, 68, 74, 78, 80)
    after = attempts(60, 68, 74, 78, 80, 60)
    after[-1]["at"] = (BEGIN + timedelta(days=100)).isoformat()
    days = np.array([0.0, 7, 14, 21, 28])
    totals = np.array([60.0, 68, 74, 78, 80])
    particles = draw_particles()
    usual = usual_in(particles, [])
    soon = float(usual @ passes_ahead(particles, Record(totals, days), 70)[:, 0])
    assert 0 < soon < 1
    assert forecast(asked(after)).next_pass < forecast(asked(record)).next_pass


def test_what_costs_most_beyond_its_good_limit_holds_back() -> None:
    fine = {"width_cv": 0.05, "pitch_cv": 0.10, "toe_waviness": 0.04, "tint_over": 0, "faults": []}
    assert forecast(asked(attempts(80, 80, 80, **fine))).holds_back is None
    assert forecast(asked(attempts(60, 60, 60, **{**fine, "pitch_cv": 0.3}))).holds_back == "pitch_cv"
    assert forecast(asked(attempts(60, 60, 60, **{**fine, "tint_over": 3, "width_cv": 0.07}))).holds_back == "tint_over"
    assert forecast(asked(attempts(60, 60, 60, **{**fine, "faults": ["burn_through"]}))).holds_back == "faults"
    assert forecast(asked(attempts(60, 60))).holds_back is None


def test_a_fault_returns_that_was_in_half_of_the_last_four() -> None:
    record = attempts(50, 52, 54, 56, 58)
    for k, faults in enumerate([["pore"], ["pore", "pore"], [], ["pore", "crater"], ["crater"]]):
        record[k]["faults"] = faults
    assert forecast(asked(record)).as_json()["returning"] == [
        {"fault": "crater", "in": 2, "of": 4},
        {"fault": "pore", "in": 2, "of": 4},
    ]
    assert forecast(asked(record[:3])).returning == ()


def test_an_attempt_without_a_mark_counts_for_nothing_but_its_faults() -> None:
    found = forecast(asked(attempts(80, 82, None, 84)))
    assert (found.attempts, found.good_in_a_row) == (3, 3)


def test_other_coupons_are_not_counted_here_and_still_say_something() -> None:
    lead = [*attempts(90, 92, 94, 95, coupon="plate"), *attempts(66)]
    behind = [*attempts(30, 32, 33, 35, coupon="plate"), *attempts(66)]
    classmates = [[*attempts(60, 62, 64, 66, coupon="plate"), *attempts(60, 66)]] * 5
    ahead, after = (forecast(asked(one, classmates)) for one in (lead, behind))
    assert (ahead.attempts, ahead.own) == (1, 1)
    assert ahead.next_pass > after.next_pass


def test_the_range_is_the_shortest_that_holds_four_in_five() -> None:
    done = np.zeros(40)
    done[[2, 3, 4, 9]] = [0.4, 0.3, 0.15, 0.15]
    assert _to_go(done) == ToGo(3, 4, 5)
    late = np.zeros(40)
    late[0], late[39] = 0.6, 0.0
    assert _to_go(late) == ToGo(1, 1, 40)
    assert _to_go(np.full(40, 0.01)) is None


def test_until_in_a_row_is_the_chance_of_a_run() -> None:
    half = until_in_a_row(np.full((1, 40), 0.5), np.ones(1), 2, 0)
    assert half[:3] == pytest.approx([0.0, 0.25, 0.125])
    assert until_in_a_row(np.full((1, 40), 0.5), np.ones(1), 3, 2)[0] == pytest.approx(0.5)
    assert half.sum() <= 1


@pytest.mark.parametrize(
    ("given_in", "field"),
    [
        ([], "input"),
        ({**asked([]), "colour": 1}, "colour"),
        ({**asked([]), "pass_mark": None}, "pass_mark"),
        ({**asked([]), "pass_mark": 101}, "pass_mark"),
        ({**asked([]), "in_a_row": 0}, "in_a_row"),
        ({**asked([]), "in_a_row": 1.5}, "in_a_row"),
        ({**asked([]), "student": None}, "student"),
        ({**asked([]), "coupon": ""}, "coupon"),
        ({**asked([]), "class": [3]}, r"class\.0"),
        (asked(attempts(101)), r"student\.0\.total"),
        (asked([{"at": "soon", "coupon": "x", "total": 3}]), r"student\.0\.at"),
        (asked([{"at": "2026-10-01T18:00:00Z", "coupon": "x"}]), r"student\.0\.total"),
        (asked(attempts(50, width_cv=-1)), r"student\.0\.width_cv"),
        (asked(attempts(50, faults="pore")), r"student\.0\.faults"),
        (asked([], [attempts(50, beauty=1)]), r"class\.0\.0\.beauty"),
    ],
)
def test_bad_input_names_the_field(given_in: Any, field: str) -> None:
    with pytest.raises(InvalidValues, match=field):
        forecast(given_in)


@given(st.lists(st.floats(0, 100), max_size=12), st.integers(1, 5))
def test_any_record_is_answered_within_bounds(totals: list[float], in_a_row: int) -> None:
    found = forecast(asked(attempts(*totals), in_a_row=in_a_row))
    assert 0 <= found.next_pass <= 1
    if isinstance(found.to_go, ToGo):
        assert 1 <= found.to_go.low <= found.to_go.median <= found.to_go.high <= 40
    json.dumps(found.as_json())


@given(st.floats(20, 60), st.floats(1, 30))
def test_higher_marks_hardly_ever_make_a_pass_less_likely(low: float, more: float) -> None:
    worse, better = (forecast(asked(attempts(*(base + k for k in range(5))))) for base in (low, low + more))
    assert better.next_pass >= worse.next_pass - 0.05


def test_it_foresees_classes_it_was_not_made_for_better_than_what_one_would_guess() -> None:
    some = cases(160, seed=77)
    likelihood = [forecast(one).next_pass for one, _ in some]
    came = np.array([truth.passed for _, truth in some], float)
    own, klass = np.array([baselines(one) for one, _ in some]).T
    score = float(((np.array(likelihood) - came) ** 2).mean())
    assert score < float(((own - came) ** 2).mean())
    assert score < float(((klass - came) ** 2).mean())
    assert "Brier score" in bench(20, 3)
