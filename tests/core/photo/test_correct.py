import json
from functools import cache
from pathlib import Path
from typing import Any

import numpy as np
import pytest

from judicum.core.errors import InvalidValue, InvalidValues
from judicum.core.photo.bead import Bead
from judicum.core.photo.correct import correct, share_moved
from judicum.core.photo.report import Report
from judicum.core.photo.ripple import Ripple
from judicum.core.photo.scale import Scale
from judicum.core.photo.steps import STEPS, check_step
from judicum.core.photo.width import Outline

FAULT = {"kind": "pore", "s_mm": 30.0, "n_mm": 0.4, "x_mm": 40.0, "y_mm": 10.4, "size_mm": 0.8, "confidence": 0.9}


@cache
def straight() -> tuple[Report, Bead]:
    """A bead 60 mm long and 5 mm wide that runs right from (10, 10), a front every 2 mm, one pore."""
    s = np.arange(0, 60.5, 0.5)
    centre = np.stack([10 + s, np.full_like(s, 10.0)], -1)
    line = Outline.around(s, centre, np.full_like(s, -2.5), np.full_like(s, 2.5))
    scale = Scale("window", np.diag([20.0, 20.0, 1.0]), 0.05, 0.02, 5.0)
    ripple = Ripple(np.arange(5.0, 56.0, 2.0), 0.6, 0.8)
    bead = Bead(line, scale, (2000, 1500), ripple, ((12.0, 15.0),))
    level = {"level": 2, "name": "gold"}
    tint = {
        "bead": level,
        "haz": level,
        "along": [1] * 20 + [2] * 40,
        "width_mm": {"left": 3.0, "right": 4.0},
        "share": {},
    }
    return Report.from_json({"photo": "x", "tint": tint, "defects": [FAULT]}), bead


def after(*steps: dict[str, Any]) -> tuple[dict[str, Any], Bead]:
    report, bead = straight()
    corrected, now = correct(report, bead, [check_step(s) for s in steps])
    return corrected.as_json(), now


@pytest.mark.parametrize(
    "case", json.loads((Path(__file__).parents[2] / "cases" / "moved_toes.json").read_text())["cases"]
)
def test_a_toe_moves_with_its_neighbours_as_the_page_draws_it(case: dict[str, Any]) -> None:
    assert share_moved(np.array(case["away_mm"]), case["reach_mm"]) == pytest.approx(case["share"], abs=1e-8)


def test_no_step_changes_nothing_and_what_was_computed_is_left_alone() -> None:
    report, _ = straight()
    kept = report.as_json()
    same, _ = after()
    assert same["bead"]["width_mm"]["mean"] == 5.0
    assert same["ripple"]["count"] == 26
    after({"step": "remove_fault", "kind": "pore", "s_mm": 30, "n_mm": 0.4})
    assert report.as_json() == kept


def test_a_dragged_toe_widens_the_bead_there_and_fades_out_within_its_reach() -> None:
    report, bead = after({"step": "move_toe", "side": "right", "s_mm": 30, "n_mm": 3.5, "reach_mm": 4})
    width = dict(zip(report["profile"]["s_mm"], report["profile"]["width_mm"], strict=True))
    assert width[30.0] == pytest.approx(6.0, abs=0.02)
    assert width[28.0] == pytest.approx(5.5, abs=0.02)
    assert width[35.0] == pytest.approx(5.0, abs=0.02)
    assert report["bead"]["toe_waviness_mm"]["right"] > 0.1
    assert report["bead"]["toe_waviness_mm"]["left"] == pytest.approx(0, abs=0.02)
    assert np.abs(bead.outline.centre_mm[60] - [40, 10.5]).max() < 1e-9


def test_tint_outside_a_toe_is_shorter_by_what_the_toe_was_moved_outward() -> None:
    # A raised cosine 4 mm to either side moves the toe by 1 mm times 4 / 60 in the mean.
    report, _ = after({"step": "move_toe", "side": "right", "s_mm": 30, "n_mm": 3.5, "reach_mm": 4})
    assert report["tint"]["width_mm"] == {"left": 3.0, "right": pytest.approx(4.0 - 4 / 60, abs=0.01)}


def test_a_toe_cannot_cross_the_other() -> None:
    with pytest.raises(InvalidValue, match=r"leaves-the-bead least=0\.3"):
        after({"step": "move_toe", "side": "left", "s_mm": 30, "n_mm": 2.6})


def test_an_end_is_taken_off_and_everything_counts_from_the_new_start() -> None:
    report, bead = after({"step": "move_end", "end": "start", "s_mm": 10})
    assert report["bead"]["length_mm"] == 50
    assert report["bead"]["start_mm"] == [20.0, 10.0]
    assert report["defects"][0]["s_mm"] == 20.0
    assert report["ripple"]["positions_mm"][0] == 1.0
    assert report["tint"]["along"] == [1] * 10 + [2] * 40
    assert bead.unsure_mm == ((2.0, 5.0),)


def test_an_end_is_drawn_further_along_the_same_line() -> None:
    report, _ = after({"step": "move_end", "end": "end", "s_mm": 64})
    assert report["bead"]["length_mm"] == 64
    assert report["bead"]["end_mm"] == [pytest.approx(74.0), pytest.approx(10.0)]
    assert len(report["tint"]["along"]) == 64


def test_starting_at_the_other_end_turns_every_place_round() -> None:
    report, bead = after({"step": "start_at_other_end"})
    assert (report["bead"]["start_mm"], report["bead"]["end_mm"]) == ([70.0, 10.0], [10.0, 10.0])
    assert (report["defects"][0]["s_mm"], report["defects"][0]["n_mm"]) == (30.0, -0.4)
    assert report["tint"]["along"] == [2] * 40 + [1] * 20
    assert report["tint"]["width_mm"] == {"left": 4.0, "right": 3.0}
    assert report["ripple"]["positions_mm"] == [60 - p for p in np.arange(5.0, 56.0, 2.0)[::-1]]
    twice, again = after({"step": "start_at_other_end"}, {"step": "start_at_other_end"})
    assert twice["bead"] == after()[0]["bead"]
    assert np.allclose(again.outline.left_mm, bead.outline.right_mm[::-1])


def test_a_front_is_cut_in_and_joined_away() -> None:
    joined, _ = after({"step": "remove_front", "s_mm": 25.3})
    assert joined["ripple"]["count"] == 25
    assert joined["ripple"]["lapses_mm"] == [25.0]
    cut, _ = after({"step": "remove_front", "s_mm": 25.3}, {"step": "add_front", "s_mm": 25.0})
    assert cut["ripple"] == after()[0]["ripple"]
    none, bead = after({"step": "no_ripples"})
    assert none["ripple"] is None and bead.overlay()["fronts"] == []


def test_fronts_drawn_on_a_bead_without_any_count_from_the_fourth() -> None:
    steps = [{"step": "no_ripples"}, *({"step": "add_front", "s_mm": s} for s in (10, 12, 14, 16))]
    assert after(*steps[:-1])[0]["ripple"] is None
    assert after(*steps)[0]["ripple"]["pitch_mm"] == 2.0


def test_an_added_fault_stands_in_both_frames_and_sugar_hides_fronts() -> None:
    report, _ = after({"step": "add_fault", "kind": "sugaring", "s_mm": 20, "n_mm": -1, "size_mm": 6})
    added = report["defects"][0]
    assert (added["x_mm"], added["y_mm"], added["confidence"]) == (30.0, 9.0, 1.0)
    assert not [p for p in report["ripple"]["positions_mm"] if 17 < p < 23]
    assert report["ripple"]["lapses_mm"] == []


def test_a_fault_that_is_not_there_cannot_be_removed() -> None:
    with pytest.raises(InvalidValue, match=r"a-fault-that-is-there there=pore at 30, 0\.4"):
        after({"step": "remove_fault", "kind": "crater", "s_mm": 30, "n_mm": 0.4})


@pytest.mark.parametrize(
    ("given", "field", "allowed"),
    [
        ({}, "step", "one-of options=move_toe"),
        ({"step": "move_toe", "side": "up", "s_mm": 1, "n_mm": 1}, "side", "options=left, right"),
        ({"step": "move_toe", "side": "left", "s_mm": float("nan"), "n_mm": 1}, "s_mm", r"0\.\.1000 mm"),
        ({"step": "move_toe", "side": "left", "s_mm": 1}, "n_mm", r"-20\.\.20 mm"),
        ({"step": "add_front", "s_mm": True}, "s_mm", r"0\.\.1000 mm"),
        ({"step": "add_front", "s_mm": 3, "colour": "red"}, "colour", "one-of options=s_mm"),
    ],
)
def test_a_step_that_is_none_says_what_is_allowed(given: dict[str, Any], field: str, allowed: str) -> None:
    with pytest.raises(InvalidValues, match=allowed) as refused:
        check_step(given)
    assert refused.value.problems[0].field == field


@pytest.mark.parametrize("step", [{"step": "add_front", "s_mm": 61}, {"step": "remove_front", "s_mm": 58},
                                  {"step": "move_end", "end": "end", "s_mm": 2}, {"step": "move_end", "end": "end", "s_mm": 90}])  # fmt: skip
def test_a_place_off_the_bead_is_refused(step: dict[str, Any]) -> None:
    with pytest.raises(InvalidValue) as refused:
        after(step)
    assert refused.value.field == "s_mm"


def test_every_step_can_be_taken() -> None:
    values = {"side": "left", "end": "start", "kind": "pore", "s_mm": 30.0, "n_mm": 0.4, "size_mm": 1.0, "reach_mm": 3}
    for name, fields in STEPS.items():
        if name != "add_front":
            report, _ = after({"step": name, **{key: values[key] for key in fields.keys}})
            assert report["bead"]["length_mm"] > 0


def test_a_bead_comes_back_from_json_as_it_was() -> None:
    _, bead = straight()
    again = Bead.from_json(json.loads(json.dumps(bead.as_json())))
    assert np.allclose(again.outline.left_mm, bead.outline.left_mm, atol=1e-3)
    assert again.overlay() == bead.overlay()


def test_the_drawing_lies_in_the_photo_and_along_the_strip() -> None:
    drawn = straight()[1].overlay()
    assert drawn["left"][0] == [200.0, 150.0] and drawn["right"][-1] == [1400.0, 250.0]
    assert (drawn["left_n_mm"][0], drawn["right_n_mm"][0], drawn["px_per_mm"]) == (-2.5, 2.5, 20.0)
    middle = drawn["fronts"][0][4]
    assert middle == [300.0, 200.0]
    assert drawn["fronts"][0][0][0] < middle[0]
