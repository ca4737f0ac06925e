from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.marking import (
    CRITERIA,
    KNOCK_OUTS,
    SCHEMES,
    Evidence,
    GivenMark,
    Line,
    Scheme,
    Suggestion,
    knocked_out,
    passes,
    read_all,
    score_of,
    suggest,
    total,
    try_on,
)
from judicum.core.setup import Checked, Deviation, Warned
from tests.core.marking.evidence import CHECK, TEE, evidence, fault, report

EVERY = Scheme("Every criterion", tuple(Line(c, 1.0, c.curve, c.options) for c in CRITERIA.values()))
HAND = {
    "leg_upper_mm": 3.0, "leg_lower_mm": 3.1, "throat_mm": 2.1, "face": "flat", "distortion_mm": 0.4, "distortion_deg": 0.5,
    "bend": "held", "time_taken_s": 200.0,
}  # fmt: skip


def scored(e: Evidence, scheme: Scheme = EVERY) -> dict[str, Suggestion]:
    return {one.criterion: one for one in suggest(scheme, e)}


def score(key: str, answer: dict[str, Any] | None = None, **more: Any) -> float | None:
    return scored(evidence(answer, **more))[key].score


def with_bead(**changes: Any) -> dict[str, Any]:
    return report(bead={**report()["bead"], **changes})


def with_tint(**changes: Any) -> dict[str, Any]:
    return report(tint={**report()["tint"], **changes})


def test_a_steady_bead_scores_high_on_every_line_of_every_shipped_scheme() -> None:
    fillet = evidence(coupon=TEE, by_hand=HAND, time_limit_s=600.0)
    for code, scheme in SCHEMES.items():
        for one in suggest(scheme, fillet):
            assert not one.applies or one.score is None or one.score >= 7.5, (code, one)
    assert scored(evidence())["width_evenness"].figures["width_cv"] == 0.04


def test_six_percent_is_good_and_ten_acceptable() -> None:
    width = report()["bead"]["width_mm"]
    answer = [score("width_evenness", with_bead(width_mm={**width, "cv": cv})) for cv in (0.06, 0.10, 0.30)]
    assert answer == [8.0, 5.0, 0.0]


def test_far_from_the_width_asked_for_is_a_line_of_its_own() -> None:
    assert score("width_on_target") == 10.0
    assert score("width_on_target", target_width_mm=3.0) == 0.0
    assert score("width_evenness", target_width_mm=3.0) == score("width_evenness")
    assert scored(evidence(target_width_mm=None))["width_on_target"].applies is False


def test_a_bead_that_widens_loses_on_drift() -> None:
    profile = report()["profile"]
    grown = {**profile, "width_mm": [4.0 + 0.05 * k for k in range(len(profile["s_mm"]))]}
    assert score("width_drift") == 10.0
    assert score("width_drift", report(profile=grown)) < 6


def test_a_fused_bead_is_judged_by_toes_instead_of_ripples() -> None:
    ripples = scored(evidence(report(ripple=None)))["ripple_evenness"]
    assert (ripples.score, ripples.applies, ripples.reason) == (None, False, "no_ripples_to_judge")


def test_the_finish_goal_decides_which_tint_is_too_dark() -> None:
    assert [score("tint", finish=goal) for goal in ("bright", "warm", "show_colour")] == [5.0, 10.0, 10.0]


def test_grey_and_sugar_are_rejects_under_every_finish() -> None:
    for goal in ("bright", "warm", "show_colour"):
        assert score("tint", with_tint(share={"grey": 0.1}), finish=goal) == 0
    sugar = scored(evidence(report(defects=[fault("sugaring", size_mm=7.5)]), finish="show_colour"))["tint"]
    assert (sugar.score, sugar.reason, sugar.figures["length_mm"]) == (0.0, "sugar_is_a_reject", 7.5)


def test_a_lopsided_or_wide_zone_costs_something() -> None:
    assert score("tint_sides", with_tint(width_mm={"left": 2.0, "right": 4.0})) == 5.0
    assert score("tint_zone", with_tint(width_mm={"left": 9.0, "right": 9.0})) < 5


def test_what_lies_off_the_card_costs_two_and_what_stops_three_more() -> None:
    check = Checked((Deviation("postflow_s", 3, 6, 12),), (Warned("polarity_wrong"), Warned("postflow_short")))
    setup = scored(evidence(checked=check))["setup_followed"]
    assert (setup.score, setup.reason, setup.off) == (5.0, "off_the_card", ("postflow_s", "polarity_wrong"))
    assert setup.figures == {"postflow_s": 3.0}


def test_preparation_is_what_was_ticked_of_the_list() -> None:
    assert [score("preparation", prepared=p) for p in ((8, 8), (6, 8), (4, 8), None)] == [10.0, 5.0, 0.0, None]


def test_a_short_bead_and_faults_at_its_end_have_their_lines() -> None:
    assert score("length_welded", length_mm=180.0) == 0.0
    assert score("ends") == 10.0
    at_end = report(defects=[fault("crater", s_mm=87.0, pinhole=True)])
    assert score("ends", at_end) < score("ends", report(defects=[fault("pore", s_mm=45.0)]))
    assert score("ends", report(defects=[fault("bulge", s_mm=45.0)]), restarts_mm=(46.0,)) < 10


def test_legs_throat_and_face_count_where_the_coupon_has_them() -> None:
    good = scored(evidence(coupon=TEE, by_hand=HAND))
    assert [good[key].score for key in ("legs_equal", "leg_size", "throat", "face", "bend")] == [10.0] * 5
    unequal = scored(evidence(coupon=TEE, by_hand={**HAND, "leg_upper_mm": 4.5}))
    assert unequal["legs_equal"].score < 6
    plate = scored(evidence(by_hand=HAND))
    assert (plate["legs_equal"].applies, plate["legs_equal"].reason) == (False, "not_asked_of_this_coupon")
    missing = scored(evidence(coupon=TEE))["legs_equal"]
    assert (missing.score, missing.applies, missing.reason) == (None, True, "to_be_found_by_hand")


def test_time_counts_only_where_a_limit_was_set() -> None:
    slow = {**HAND, "time_taken_s": 700.0}
    assert scored(evidence(coupon=TEE, by_hand=slow, time_limit_s=600.0))["time_taken"].score < 6
    assert scored(evidence(coupon=TEE, by_hand=slow))["time_taken"].applies is False


def test_without_a_measurement_or_log_nothing_is_suggested() -> None:
    bare = suggest(SCHEMES["six_lines"], evidence({}, checked=None, prepared=None))
    assert [one.score for one in bare] == [None] * 6
    logged = scored(evidence({}), SCHEMES["six_lines"])
    assert (logged["setup_followed"].score, logged["overall"].score) == (10.0, None)


def test_faults_come_off_and_say_so() -> None:
    clean, pored = scored(evidence()), scored(evidence(report(defects=[fault("pore"), fault("pore")])))
    assert clean["faults"].score == 10.0
    assert pored["faults"].score < 8
    assert pored["faults"].counts == {"pore": 2}
    assert pored["overall"].score == pytest.approx(clean["overall"].score - 2, abs=0.5)
    holed = report(defects=[fault("crater", s_mm=40.0, pinhole=True)])
    assert score("faults", holed) < score("faults", report(defects=[fault("crater", s_mm=40.0)]))


def test_what_knocks_out_fails_whatever_the_sum() -> None:
    holed = knocked_out(evidence(report(defects=[fault("burn_through")])))
    assert holed == ("burn_through",)
    assert not passes(SCHEMES["training"], 98.0, holed)
    assert passes(SCHEMES["show_colour"], 70.0, ())
    assert passes(SCHEMES["six_lines"], 71.0, holed)
    assert not passes(SCHEMES["six_lines"], 71.0, (), pass_mark=80.0)
    late = {**HAND, "back": "sugared", "bend": "broke", "time_taken_s": 700.0}
    found = knocked_out(evidence(with_tint(share={"grey": 0.4}), coupon=TEE, by_hand=late, time_limit_s=600.0))
    assert found == ("back_sugared", "bend_broke", "grey", "not_in_time")
    assert set(found) <= set(KNOCK_OUTS)


def marked(answer: dict[str, Any] | None = None, scheme: Scheme = SCHEMES["training"], **by_eye: float) -> GivenMark:
    e = evidence(answer)
    suggested = {one.criterion: one.score for one in suggest(scheme, e)}
    readings = {key: read.figure for key, read in read_all(e).items() if read.figure is not None}
    return GivenMark(readings, suggested, {**suggested, **by_eye}, knocked_out(e))


def test_trying_the_same_scheme_again_changes_nothing() -> None:
    given_then = marked(width_evenness=3.0)
    tried = try_on(SCHEMES["training"], given_then)
    assert tried.total == total(SCHEMES["training"], given_then.scores)


def test_another_scheme_is_tried_on_the_readings_that_were_kept() -> None:
    grey = marked(with_tint(share={"grey": 0.3}))
    assert not try_on(SCHEMES["bright_service"], grey).passed
    steeper = Line(CRITERIA["width_evenness"], 1.0, ((0.0, 10.0), (0.01, 0.0)), {})
    assert try_on(Scheme("Steep", (steeper,)), marked()).total == 0.0
    # A score that was set by eye stays, whatever the curve.
    assert try_on(Scheme("Steep", (steeper,)), marked(width_evenness=8.0)).total == 80.0


@given(st.floats(0, 100), st.floats(0, 100))
def test_a_falling_curve_never_gives_more_for_a_worse_figure(a: float, b: float) -> None:
    for criterion in CRITERIA.values():
        if criterion.options or criterion.key in ("throat", "length_welded", "preparation", "overall"):
            continue
        line = Line(criterion, 1.0, criterion.curve, {})
        better, worse = score_of(line, min(a, b)), score_of(line, max(a, b))
        assert better is not None and worse is not None and better >= worse


def test_a_check_that_was_not_asked_for_leaves_the_line_open() -> None:
    assert evidence(checked=None).checked is None
    assert score("setup_followed", checked=CHECK) == 10.0
    assert score("setup_followed", checked=None) is None
