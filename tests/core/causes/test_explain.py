"""Causes ranked by evidence: each of them on top where it is the one, none where nothing is wrong."""

import copy
import json
from contextlib import suppress
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from judicum.core.causes import CAUSES, explain
from judicum.core.causes.case import SKIPPABLE
from judicum.core.causes.evidence import TESTS
from judicum.core.causes.symptoms import CODES, period_of
from judicum.core.errors import InvalidValues, JudicumError
from judicum.words.catalogue import codes_of
from judicum.words.causes import explained
from judicum.words.causes_words import page
from judicum.words.units import US
from tests.core.causes.cases import BUTT, bead, case, fault, grey

RNG = np.random.default_rng(7)
RISING = np.linspace(3.6, 4.8, 81)
SWING = 2.1 * (1 + 0.3 * np.sin(2 * np.pi * np.arange(36) / 6))
RANDOM = 2.1 * (1 + np.clip(0.3 * RNG.normal(size=36), -0.7, 0.9))
NARROW_START = np.where(np.arange(81) < 10, 2.9, 4.1) + RNG.normal(0, 0.05, 81)
TUBE = {"metal": "304L", "joint": "tube_butt", "thickness_mm": 1.5, "tube_od_mm": 48}
TEE = {"metal": "304L", "joint": "tee", "thickness_mm": 1.6}
NONE_SKIPPED: list[str] = []

WORKED: list[tuple[str, dict[str, Any]]] = [
    ("postflow_short", case(bead(along=grey((68, 80))), run={"postflow_s": 3}, looks={"electrode_after": "dull"})),
    ("torch_pulled_early", case(bead(along=grey((68, 80))), looks={"electrode_after": "shiny"})),
    ("downslope_short", case(bead(defects=[fault("crater", 79, pinhole=True)]), run={"downslope_s": 0.5})),
    ("preflow_short", case(bead(along=grey((0, 7))), run={"preflow_s": 0})),
    ("hose_puff", case(bead(along=grey((0, 7))), looks={"puff_at_start": True})),
    ("flow_low", case(bead(along=[7] * 80), run={"gas_l_min": 3})),
    ("flow_high", case(bead(wavy=(0.5, 0.5)), run={"gas_l_min": 20}, looks={"arc": "spiralling"})),
    ("collet_body", case(bead(along=[7] * 80), run={"gas_part": "collet_body", "gas_l_min": 10})),
    ("stickout_long", case(bead(along=[7] * 80), run={"stickout_mm": 20, "gas_l_min": 9.5})),
    ("draught", case(bead(along=grey((20, 28), (50, 58))), looks={"draught": True})),
    ("dirty_cup", case(bead(along=[7] * 80), skipped=["cup_clean"])),
    ("dirty_metal", case(bead(defects=[fault("pore", 30), fault("pore", 50)]), skipped=["blank_wiped", "blank_abraded"])),
    ("filler_dirty", case(bead(defects=[fault("pore", 30), fault("pore", 50)]), skipped=["rod_wiped"])),
    ("filler_left_gas", case(bead(along=grey((20, 24), (50, 54))), looks={"rod_end": "oxidised"})),
    ("current_high", case(bead(mean=6.0, along=[5] * 80), run={"current_a": 85})),
    ("current_low", case(bead(mean=2.6), run={"current_a": 25}, by_hand={"face": "ropey"})),
    ("travel_slow", case(bead(mean=6.0, along=[5] * 80), run={"travel_mm_s": 1.0})),
    ("travel_slow", case(bead(mean=6.0, along=[5] * 80), run={"travel_mm_s": 2.4, "arc_s": 90})),
    ("travel_fast", case(bead(mean=2.6), run={"travel_mm_s": 5.0}, by_hand={"face": "sunken"})),
    ("part_hot", case(bead(along=[2] * 20 + [3] * 20 + [4] * 20 + [5] * 20), looks={"part_hot": True})),
    ("no_taper", case(bead(width=RISING))),
    ("filler_big", case(bead(defects=[fault("bulge", 40, size_mm=5), fault("bulge", 60, size_mm=5)]), run={"filler_mm": 3.2}, looks={"rod_end": "balled"})),
    ("filler_starved", case(bead(gaps=[4.4] * 18), by_hand={"face": "sunken"})),
    ("arc_long", case(bead(mean=5.6, defects=[fault("undercut", 40, 2.0, 9)]), run={"arc_length_mm": 4})),
    ("torch_leans", case(bead(sides=(1.0, 3.0)), run={"work_angle_deg": 65})),
    ("torch_leans", case(by_hand={"leg_upper_mm": 3.0, "leg_lower_mm": 5.0})),
    ("thickness_unequal", case(bead(sides=(1.0, 3.0)), coupon={**BUTT, "second_thickness_mm": 3.0})),
    ("torch_flat", case(looks={"rod_end": "balled"}, run={"travel_angle_deg": 40})),
    ("point_bad", case(bead(wavy=(0.5, 0.4)), looks={"arc": "wandering"}, skipped=["electrode_ground"])),
    ("electrode_dipped", case(bead(defects=[fault("inclusion", 33)]), looks={"electrode_after": "dipped"})),
    ("brush_carbon", case(bead(defects=[fault("inclusion", 33), fault("inclusion", 50)]), skipped=["own_brush"])),
    ("cadence_uneven", case(bead(gaps=RANDOM))),
    ("pedal_pumping", case(bead(gaps=SWING))),
    ("not_propped", case(bead(wavy=(0.6, 0.5), width=4.0 * (1 + 0.16 * RNG.normal(size=81)), gaps=RANDOM))),
    ("tie_in_poor", case(bead(defects=[fault("bulge", 31, size_mm=4)]), looks={"restarts_mm": [31.0]})),
    ("start_unsettled", case(bead(defects=[fault("bulge", 4, size_mm=4)]))),
    ("cold_start", case(bead(width=NARROW_START))),
    ("fit_up_gap", case(bead(defects=[fault("gap", 40, size_mm=6)]), skipped=["fit_up"])),
    ("dwell", case(bead(defects=[fault("burn_through", 40, size_mm=4)]), skipped=NONE_SKIPPED)),
    ("purge_missing", case(coupon=TUBE, by_hand={"back": "sugared"}, run={"purge_l_min": 0})),
    ("purge_poor", case(coupon=TUBE, by_hand={"back": "sugared"}, run={"purge_l_min": 5, "purge_vent": False})),
    ("tacks_few", case(by_hand={"distortion_mm": 4}, skipped=["tacked"])),
    ("cup_small", case(bead(along=[7] * 80), run={"cup": 3, "gas_l_min": 4})),
    ("past_cover", case(bead(along=[2] * 30 + [7] * 50), coupon={**TUBE, "cup": 8})),
    ("fillet_too_deep", case(by_hand={"back": "hangs_through"}, coupon={**TEE, "position": "vertical_up"})),
    ("rod_low", case(by_hand={"leg_upper_mm": 2.0, "leg_lower_mm": 3.5}, run={"work_angle_deg": 45}, coupon={**TEE, "position": "horizontal"})),
    ("sag", case(bead(defects=[fault("bulge", 40, size_mm=4), fault("bulge", 60, size_mm=4)]), coupon={**TEE, "position": "overhead"}, looks={"part_hot": True})),
    ("dull_start", {**case(bead(along=grey((0, 7)))), "earlier": [{"looks": {"electrode_after": "dull"}}]}),
    ("start_hot", case(bead(defects=[fault("burn_through", 3, size_mm=4)]), run={"start_current_a": 90})),
    ("overheated_clean", case(by_hand={"distortion_mm": 4}, run={"current_a": 67, "travel_mm_s": 1.85})),
    ("pulse_fast_shallow", case(by_hand={"back": "not_through"}, run={"per_second": 100, "peak_a": 70, "background_a": 20, "on_share": 0.4})),
]  # fmt: skip


@pytest.mark.parametrize(("cause", "attempt"), WORKED, ids=[f"{k}-{cause}" for k, (cause, _) in enumerate(WORKED)])
def test_the_cause_is_on_top(cause: str, attempt: dict[str, Any]) -> None:
    found = explain(attempt)
    assert [one.code for one in found.causes][:1] == [cause]
    assert found.sound is False
    assert sum(one.share for one in found.causes) <= 1.001
    assert [one.share for one in found.causes] == sorted((one.share for one in found.causes), reverse=True)
    assert len(found.causes) <= 6


def test_every_cause_has_a_case() -> None:
    assert {cause for cause, _ in WORKED} == set(CAUSES)


def test_nothing_is_invented_for_a_good_bead() -> None:
    answer = explained(explain(case()))
    assert answer == {"symptoms": [], "causes": [], "change_next": None, "sound": True}


def test_a_deviation_without_a_symptom_leaves_it_sound() -> None:
    assert explain(case(run={"postflow_s": 1, "gas_l_min": 3})).sound is True


def test_a_refused_photo_is_explained_from_what_was_noticed() -> None:
    refused = {"photo": "x.jpg", "refusal": {"code": "no_scale", "message": ""}}
    found = explain(case(refused, looks={"electrode_after": "dull"}, run={"postflow_s": 2}))
    assert found.causes[0].code == "postflow_short"
    nothing = explained(explain(case(refused)))
    assert (nothing["sound"], nothing["change_next"], nothing["causes"]) == (None, None, [])


def test_the_change_is_said_from_what_to_what_in_the_person_s_units() -> None:
    attempt = case(bead(along=grey((68, 80))), run={"postflow_s": 3}, looks={"electrode_after": "dull"})
    answer = explained(explain(attempt))
    assert answer["causes"][0]["change"] == {"key": "postflow_s", "from": 3.0, "to": 8.0}
    assert "3 s → 8 s" in answer["change_next"]["message"]
    low = explain(case(bead(along=[7] * 80), run={"gas_l_min": 3}))
    assert "CFH" in explained(low, US)["causes"][0]["message"]


def test_tables_fit_together() -> None:
    assert codes_of("advice") == codes_of("cause") == set(CAUSES)
    assert codes_of("symptom") == set(CODES)
    for cause in CAUSES.values():
        assert set(cause.shows) <= set(CODES)
        for evidence, weight in (*cause.speaks_for, *cause.against):
            assert evidence[0] in TESTS
            assert weight > 0
            assert evidence[0] not in ("skipped", "ticked") or evidence[1] in SKIPPABLE


@pytest.mark.parametrize("seconds", [5.5, 4.0, 2.0, 0.0])
def test_further_off_is_never_less_likely(seconds: float) -> None:
    def share(value: float) -> float:
        attempt = case(bead(along=grey((68, 80))), run={"postflow_s": value})
        return next(one.share for one in explain(attempt).causes if one.code == "postflow_short")

    assert share(seconds) <= share(max(0.0, seconds - 1.0)) + 1e-9


def test_what_was_confirmed_before_tilts_and_does_not_decide() -> None:
    attempt = case(bead(along=grey((20, 28), (50, 58))))

    def share(**more: Any) -> float:
        return next(one.share for one in explain({**attempt, **more}).causes if one.code == "draught")

    assert share(earlier=[{"confirmed": "draught"}] * 2) > share()
    assert share(confirmed_in_course={"draught": 30}) > share()
    answer = {**attempt, "looks": {"rod_end": "oxidised"}, "confirmed_in_course": {"draught": 500}}
    assert explain(answer).causes[0].code == "filler_left_gas"


def test_a_period_is_said_from_chance() -> None:
    rng = np.random.default_rng(3)
    hits = sum(period_of(rng.normal(size=34)) is not None for _ in range(400))
    assert hits <= 12
    found = sum(
        period_of(np.sin(2 * np.pi * np.arange(34) / 7 + k) + 0.5 * rng.normal(size=34)) is not None for k in range(100)
    )
    assert found >= 90


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"coupon": None}, "metal"),
        ({"runs": 3}, "runs"),
        ({"runs": [{"current_a": -5}]}, "current_a"),
        ({"skipped": ["lunch"]}, "skipped"),
        ({"looks": {"arc": "blue"}}, "looks.arc"),
        ({"looks": {"restarts_mm": [float("inf")]}}, "looks.restarts_mm"),
        ({"by_hand": {"distortion_mm": "bent"}}, "by_hand.distortion_mm"),
        ({"by_hand": {"colour": "red"}}, "by_hand.colour"),
        ({"measurement": {"bead": 3}}, "measurement.bead"),
        ({"earlier": [{"confirmed": "moon"}]}, "confirmed"),
        ({"confirmed_in_course": {"draught": -1}}, "confirmed_in_course.draught"),
        ({"weather": "wet"}, "weather"),
    ],
)
def test_bad_input_names_the_field(change: dict[str, Any], field: str) -> None:
    with pytest.raises(InvalidValues) as refused:
        explain({**case(), **change})
    assert refused.value.problems[0].field == field


JSON = st.recursive(
    st.none() | st.booleans() | st.floats(allow_nan=False) | st.text(max_size=8) | st.integers(-10, 100),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3),
    max_leaves=8,
)


@settings(max_examples=200, deadline=None)
@given(
    st.sampled_from(["coupon", "runs", "skipped", "looks", "by_hand", "measurement", "earlier", "confirmed_in_course"]),
    JSON,
)
def test_any_json_is_answered_or_refused(key: str, value: Any) -> None:
    attempt = {**copy.deepcopy(case()), key: value}
    with suppress(JudicumError):
        json.dumps(explained(explain(attempt)), allow_nan=False)


def test_the_page_of_causes_is_made_from_the_table() -> None:
    assert (Path(__file__).parents[3] / "docs" / "causes.md").read_text() == page()


def test_a_measurement_that_tells_only_what_matters_is_enough() -> None:
    short = {
        "bead": {"length_mm": 80.0, "width_mm": {"mean": 4.0, "cv": 0.04}},
        "tint": {"bead": {"level": 7, "name": "grey"}},
        "defects": [{"kind": "pore", "s_mm": 20.0}],
    }
    found = explain(case(short, run={"gas_l_min": 3}))
    assert {seen.code for seen in found.symptoms} == {"grey_all_along", "pores"}
    assert found.causes[0].code == "flow_low"


def test_restarts_may_stand_in_the_log() -> None:
    swollen = bead(defects=[fault("bulge", 31, size_mm=4)])
    assert explain(case(swollen, run={"restarts_mm": [31.0]})).causes[0].code == "tie_in_poor"


@pytest.mark.parametrize("reads", [lambda m: m, lambda m: {**m, "profile": None}, lambda m: {**m, "ripple": None}])
def test_swing_and_chance_are_distinguished_by_place(reads: Any) -> None:
    at_restarts = np.full(36, 2.1)
    at_restarts[[11, 23]] = 5.0
    answer = explain(case(reads(bead(gaps=at_restarts)), looks={"restarts_mm": [26.0, 53.0]}))
    codes = {seen.code for seen in answer.symptoms}
    assert codes <= {"ripples_at_restarts"}
    assert bool(codes) == (reads({"ripple": 1})["ripple"] is not None)
