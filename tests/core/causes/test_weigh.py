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
