"""Two causes at once, logs that copy the card, habits that went away; and evening classes that were not tuned on."""

from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.causes import CAUSES, explain
from judicum.core.causes.explain import certainty
from judicum.core.causes.symptoms import CODES
from judicum.core.causes.weigh import weigh
from judicum.core.setup import plan_card, run_from_card
from tests.core.causes.cases import BUTT, bead, case, grey
from tests.core.causes.evening import evenings, judge

RANDOM = 2.1 * (1 + np.clip(0.3 * np.random.default_rng(7).normal(size=36), -0.7, 0.9))


def shares(attempt: dict[str, Any]) -> dict[str, float]:
    return {one.code: one.share for one in explain(attempt).causes}


def test_two_habits_are_both_named_and_each_counts_as_a_half() -> None:
    both = case(bead(along=grey((68, 80)), gaps=RANDOM), run={"postflow_s": 3}, looks={"electrode_after": "dull"})
    found = shares(both)
    assert set(list(found)[:2]) == {"postflow_short", "cadence_uneven"}
    assert sum(found.values()) <= 1.001
    assert found["cadence_uneven"] > 0.15
    alone = shares(case(bead(along=grey((68, 80))), run={"postflow_s": 3}, looks={"electrode_after": "dull"}))
    assert found["postflow_short"] < alone["postflow_short"]


def test_what_is_absent_speaks_too() -> None:
    wide = shares(case(bead(mean=6.0)))
    dark = shares(case(bead(mean=6.0, along=[5] * 80)))
    assert wide.get("current_high", 0.0) < dark["current_high"]


def test_a_log_that_was_written_off_the_card_takes_nobody_off_the_list() -> None:
    card = run_from_card(plan_card(BUTT)).as_columns()
    copied = {key: value for key, value in card.items() if isinstance(value, int | float | str)}
    read = {**copied, "postflow_s": copied["postflow_s"] + 0.6, "gas_l_min": copied["gas_l_min"] + 0.4, "current_a": copied["current_a"] + 1.4, "stickout_mm": 5.4, "travel_mm_s": 2.3, "preflow_s": 0.6}  # fmt: skip
    seen = bead(along=grey((68, 80)))
    by_log = [shares(case(seen, runs=[run], looks={"electrode_after": "dull"})) for run in (copied, read)]
    assert by_log[0]["postflow_short"] > by_log[1].get("postflow_short", 0.0)


def test_a_habit_that_was_named_tilts_and_one_that_went_away_after_it_tilts_less() -> None:
    now = case(bead(along=grey((20, 28), (50, 58))))
    named = {**now, "confirmed": "draught"}
    clean = case(bead())
    none, stays, went = (
        shares({**now, "earlier": earlier})["draught"] for earlier in ([], [named], [named, clean, clean])
    )
    assert stays > went > none - 1e-9


@given(
    st.lists(st.sampled_from(sorted(CAUSES)), min_size=1, max_size=6, unique=True),
    st.sets(st.sampled_from(CODES), min_size=1),
    st.floats(0.1, 1),
)
def test_shares_never_sum_to_more_than_one_and_evidence_only_helps(codes: list[str], seen: set[str], strength: float) -> None:  # fmt: skip
    causes = [CAUSES[code] for code in codes]
    strengths = dict.fromkeys(seen, strength)
    before, _ = weigh(causes, [0.0] * len(causes), strengths, CODES)
    after, there = weigh(causes, [1.0, *[0.0] * (len(causes) - 1)], strengths, CODES)
    assert 0 <= before.sum() <= 1 + 1e-9
    assert after[0] >= before[0] - 1e-9
    assert (there >= after - 1e-9).all(), "beside another it is there too"
    assert (there <= 1 + 1e-9).all()


def test_two_habits_with_signs_of_their_own_are_both_likely() -> None:
    seen = dict.fromkeys(("grey_at_end", "electrode_dull", "ripples_random"), 1.0)
    causes = [CAUSES[code] for code in ("postflow_short", "cadence_uneven", "draught")]
    shares, there = weigh(causes, [2.2, 1.0, 0.0], seen, CODES)
    assert shares.sum() <= 1 + 1e-9
    assert [certainty(float(one)) for one in there] == ["likely", "likely", "unlikely"]


@pytest.mark.parametrize("seed", [21])
def test_evenings_that_were_not_tuned_on_are_judged_well(seed: int) -> None:
    found = judge(list(evenings(seed, people=14)))
    assert found.top >= 0.75
    assert found.three >= 0.92
    assert found.both >= 0.55
    assert found.brier <= 0.30
    assert found.calibration <= 0.06


def figure_of(code: str, given: dict[str, Any], key: str) -> dict[str, float]:
    """Strengths with which a figure speaks for and against a cause."""
    (found,) = (one for one in explain(given).causes if one.code == code)
    sides = {"for": found.speaks_for, "against": found.against}
    return {side: one.strength for side, items in sides.items() for one in items if one.what == key}


def test_a_figure_speaks_the_louder_the_further_it_is_from_what_the_card_aims_at() -> None:
    hot = [case(bead(mean=6.0, along=[5] * 80), run={"current_a": amps}) for amps in (52.0, 60.0, 67.5, 75.0, 90.0)]
    aim, above, edge, outside, far = (figure_of("current_high", one, "current_a") for one in hot)
    assert aim["against"] == 1.0
    assert 0 < above["against"] < 1
    assert 0 < edge["against"] < 0.3
    assert 0.5 < outside["for"] < far["for"] == 1.5


def test_what_is_low_does_not_speak_against_being_high_by_less() -> None:
    low = case(bead(mean=6.0, along=[5] * 80), run={"current_a": 45.0})
    assert figure_of("current_high", low, "current_a") == {"against": 1.0}


def test_a_flow_that_suits_the_usual_stickout_is_not_called_low_beside_a_long_one() -> None:
    found = explain(case(bead(along=[7] * 80), run={"stickout_mm": 24.0, "gas_l_min": 8.0}))
    assert found.causes[0].code == "stickout_long"
    assert all(one.what != "gas_l_min" for cause in found.causes for one in cause.speaks_for)
