"""The benchmark's own arithmetic, on made-up reports, and that the set is what it says."""

from collections import Counter
from typing import Any

import pytest

from judicum.bench.scenes import COUNTS, cases
from judicum.bench.score import Tally, judge, table

TRUTH: dict[str, Any] = {
    "bead": {"length_mm": 80.0, "width_mm": {"mean": 5.0, "cv": 0.05}, "straightness_mm": 0.1},
    "ripple": {"positions_mm": [10.0, 12.0, 14.0, 16.0], "pitch_mm": 2.0, "cv": 0.1, "ignore_mm": []},
    "tint": {"bead": {"level": 2}, "haz": {"level": 4}, "width_mm": {"left": 4.0, "right": 5.0}},
    "defects": [{"kind": "undercut", "s_mm": 40.0, "stretch_mm": [36.0, 44.0]}],
}


def report(**changes: Any) -> dict[str, Any]:
    answer: dict[str, Any] = {
        "refusal": None,
        "bead": {
            "length_mm": 80.5,
            "width_mm": {"mean": 5.1, "cv": 0.06, "uncertainty": 0.06},
            "straightness_mm": 0.12,
        },
        "ripple": {"positions_mm": [10.1, 12.0, 14.9, 16.0], "pitch_mm": 2.02, "cv": 0.11},
        "tint": {"bead": {"level": 2}, "haz": {"level": 3}, "width_mm": {"left": 4.5, "right": 5.0}},
        "defects": [{"kind": "undercut", "s_mm": 45.0}, {"kind": "pore", "s_mm": 20.0}],
    }
    return {**answer, **changes}


def test_errors_are_those_of_the_definitions() -> None:
    tally = Tally()
    judge(tally, TRUTH, report())
    assert tally.mean("width error, mm") == pytest.approx(0.1)
    assert tally.mean("width within ± 2 u") == 1
    assert tally.mean("pitch error, %") == pytest.approx(1.0)
    # Three of four found; one seen where none is, one not seen.
    assert tally.mean("fronts found, F1") == pytest.approx(0.75)
    assert (tally.mean("tint of the zone, exact"), tally.mean("tint of the zone, within one")) == (0, 1)
    assert tally.mean("tint width error, mm") == pytest.approx(0.25)
    assert tally.faults == {"undercut": [1, 0, 0], "pore": [0, 1, 0]}


def test_a_refused_photo_counts_as_not_measured() -> None:
    tally = Tally()
    judge(tally, TRUTH, {"refusal": {"code": "no_bead"}})
    assert (tally.photos, tally.measured, tally.errors) == (1, 0, {})


def test_fronts_that_nobody_can_see_cost_nothing() -> None:
    tally = Tally()
    hidden = {**TRUTH["ripple"], "ignore_mm": [[13.5, 15.5]]}
    judge(tally, {**TRUTH, "ripple": hidden}, report())
    assert tally.mean("fronts found, F1") == 1
    judge(tally, TRUTH, report(ripple=None))
    assert tally.errors["ripples null when there are none"] == [1, 0]


def test_the_table_has_a_column_for_each_kind_and_for_all() -> None:
    tallies = {"plate": Tally(), "lap": Tally()}
    for tally in tallies.values():
        judge(tally, TRUTH, report())
    text = table(tallies)
    assert "| figure | plate | lap | all |" in text
    assert "| photos measured | 1 of 1 | 1 of 1 | 2 of 2 |" in text
    assert "| undercut | 2 | 0 | 0 | 1.00 | 1.00 |" in text


def test_the_set_is_large_fixed_and_varied() -> None:
    drawn = list(cases())
    assert len(drawn) == sum(COUNTS.values()) >= 150
    assert Counter(c.kind for c in drawn) == COUNTS
    assert drawn[3].scene.seed == list(cases())[3].scene.seed
    kinds = {f.kind for c in drawn if c.scene.bead for f in c.scene.bead.faults}
    assert kinds == {"pore", "crater", "undercut", "burn_through", "sugaring", "inclusion", "gap", "bulge"}
    assert {c.refusal for c in drawn} >= {
        None,
        "no_bead",
        "blurred",
        "no_scale",
        "card_tilted",
        "too_small",
        "overexposed",
    }
