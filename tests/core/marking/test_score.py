from typing import Any

from judicum.core.marking import Suggestion
from judicum.core.marking import suggest as suggest_for
from judicum.core.photo.report import Report
from judicum.core.setup import Checked, Deviation, Warned

CHECK = Checked((), ())


def suggest(told: dict[str, Any], finish: str, target_mm: float | None, checked: Checked | None) -> list[Suggestion]:
    return suggest_for(Report.from_json(told), finish, target_mm, checked)


def report(**changes: Any) -> dict[str, Any]:
    width = {"mean": 4.5, "sd": 0.18, "cv": 0.04, "min": 4.1, "max": 4.9, "uncertainty": 0.06}
    place = {"start_mm": [0, 0], "end_mm": [90, 0], "length_mm": 90.0, "straightness_mm": 0.1}
    whole: dict[str, Any] = {
        "bead": {**place, "width_mm": width, "toe_waviness_mm": {"left": 0.2, "right": 0.25}},
        "ripple": {"count": 40, "cv": 0.10, "pitch_mm": 2.2, "positions_mm": [], "lapses_mm": []},
        "tint": {
            "bead": {"level": 2, "name": "gold"},
            "haz": {"level": 4, "name": "purple"},
            "width_mm": {"left": 3.0, "right": 3.2},
            "along": [],
            "share": {"grey": 0.0},
        },
    }
    return {**whole, **changes}


def by_key(found: list[Suggestion]) -> dict[str, Suggestion]:
    return {s.criterion: s for s in found}


def test_a_steady_bead_scores_high_on_every_line() -> None:
    scores = by_key(suggest(report(), "warm", 4.5, CHECK))
    assert all(s.score is not None and s.score >= 8 for s in scores.values())
    assert scores["width_evenness"].figures["width_cv"] == 0.04


def test_six_percent_is_good_and_ten_acceptable() -> None:
    def score(cv: float) -> float | None:
        changed = report()
        changed["bead"]["width_mm"]["cv"] = cv
        return by_key(suggest(changed, "warm", None, None))["width_evenness"].score

    assert (score(0.06), score(0.10), score(0.30)) == (8.0, 5.0, 0.0)


def test_even_but_far_from_the_width_asked_for_costs_two() -> None:
    near = by_key(suggest(report(), "warm", 4.5, CHECK))["width_evenness"]
    far = by_key(suggest(report(), "warm", 3.0, CHECK))["width_evenness"]
    assert near.score is not None
    assert far.score == near.score - 2
    assert far.reason == "even_but_off_target"


def test_a_fused_bead_is_judged_by_toes_instead_of_ripples() -> None:
    ripples = by_key(suggest(report(ripple=None), "warm", 4.5, CHECK))["ripple_evenness"]
    assert (ripples.score, ripples.reason) == (None, "no_ripples_to_judge")


def test_the_finish_goal_decides_which_tint_is_too_dark() -> None:
    tints = {f: by_key(suggest(report(), f, 4.5, CHECK))["tint"] for f in ("bright", "warm", "show_colour")}
    assert [t.score for t in tints.values()] == [5.0, 10.0, 10.0]
    assert tints["bright"].reason == "darker_than_finish"


def test_grey_is_a_reject_under_every_finish() -> None:
    grey = {**report()["tint"], "share": {"grey": 0.1}}
    for finish in ("bright", "warm", "show_colour"):
        assert by_key(suggest(report(tint=grey), finish, 4.5, CHECK))["tint"].score == 0


def test_a_lopsided_zone_costs_something() -> None:
    lopsided = {**report()["tint"], "width_mm": {"left": 2.0, "right": 4.0}}
    assert by_key(suggest(report(tint=lopsided), "warm", 4.5, CHECK))["tint"].score == 8.5


def test_what_lies_off_the_card_costs_two_and_what_stops_three_more() -> None:
    check = Checked((Deviation("postflow_s", 3, 6, 12),), (Warned("polarity_wrong"), Warned("postflow_short")))
    setup = by_key(suggest(report(), "warm", 4.5, check))["setup_followed"]
    assert (setup.score, setup.reason, setup.off) == (5.0, "off_the_card", ("postflow_s", "polarity_wrong"))
    assert setup.figures == {"postflow_s": 3.0}


def test_without_a_measurement_or_log_nothing_is_suggested() -> None:
    assert [s.score for s in suggest({}, "warm", 4.5, None)] == [None] * 6


def fault(kind: str, **more: Any) -> dict[str, Any]:
    return {
        "kind": kind,
        "s_mm": 30.0,
        "n_mm": 0.2,
        "x_mm": 1.0,
        "y_mm": 1.0,
        "size_mm": 1.0,
        "confidence": 0.9,
        **more,
    }


def overall(*faults: dict[str, Any]) -> Suggestion:
    return by_key(suggest(report(defects=list(faults)), "warm", 4.5, CHECK))["overall"]


def test_faults_come_off_the_overall_look_and_say_so() -> None:
    clean, pored = overall(), overall(fault("pore"), fault("pore"))
    assert clean.score is not None and pored.score == clean.score - 2
    assert (pored.reason, pored.figures, pored.counts) == ("less_for_faults", {"cost": 2.0}, {"pore": 2})


def test_a_pinhole_makes_a_crater_worse_and_a_hole_right_through_leaves_nothing() -> None:
    crater, pinhole = overall(fault("crater", pinhole=False)), overall(fault("crater", pinhole=True))
    assert crater.score is not None and pinhole.score == crater.score - 1
    assert overall(fault("burn_through")).score == 0


def test_a_sugared_patch_rejects_the_tint_whatever_the_colour_beside_it() -> None:
    tint = by_key(suggest(report(defects=[fault("sugaring", size_mm=7.5)]), "show_colour", 4.5, CHECK))["tint"]
    assert (tint.score, tint.reason, tint.figures["length_mm"]) == (0.0, "sugar_is_a_reject", 7.5)


def test_without_a_measured_bead_nothing_is_said_of_the_look() -> None:
    found = by_key(suggest({"bead": None, "ripple": None, "tint": None}, "warm", 4.5, CHECK))
    assert (found["setup_followed"].score, found["overall"].score, found["overall"].reason) == (
        10.0,
        None,
        "nothing_measured",
    )
