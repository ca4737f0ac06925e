"""Runs over one another, the reach of the gas, tacks."""

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from judicum.core.choices import CHOICES
from judicum.core.joints import JOINTS
from judicum.core.setup import plan_card as planned
from judicum.core.setup import run_from_card, runs_from_card
from judicum.core.setup.cover import cover_mm
from judicum.core.setup.passes import places
from judicum.core.setup.tacks import PLACES
from tests.core.setup.printed import plan_card

HEAVY = {"metal": "304L", "joint": "lap", "thickness_mm": 6.35, "passes": 2, "gas_part": "double_mesh"}
WALKED = {
    "metal": "303",
    "joint": "socket",
    "thickness_mm": 6.0,
    "technique": "walk_cup",
    "passes": 6,
    "layers": "stacked",
}
SLEEVE = {"metal": "304L", "joint": "tube_sleeve", "thickness_mm": 1.0, "tube_od_mm": 63.5, "form": "tube", "cup": 16, "gas_part": "double_mesh"}  # fmt: skip


def test_a_lap_of_two_runs_is_dabbed_then_woven_over_with_thicker_wire() -> None:
    first, second = plan_card(HEAVY)["passes"]
    assert (first["kind"], second["kind"]) == ("Root", "Weave")
    assert first["current_a"] == pytest.approx(105, rel=0.05)
    assert second["current_a"] == pytest.approx(95, rel=0.15)
    assert (first["filler_mm"], second["filler_mm"]) == (1.6, 2.4)
    assert second["technique"] == "lay wire"
    assert not first["brushed"] and second["brushed"] and second["cooled"]


def test_a_walked_fillet_takes_a_wider_cup_with_every_row_and_a_little_more_gas() -> None:
    runs = plan_card(WALKED)["passes"]
    assert [(run["row"], run["column"]) for run in runs] == [(1, 1), (2, 1), (2, 2), (3, 1), (3, 2), (3, 3)]
    cups = [run["cup"] for run in runs]
    assert cups[:3] == [7, 8, 8] and set(cups[3:]) == {12}
    flows = [run["gas_l_min"] for run in runs]
    assert flows == sorted(flows)
    assert all(runs[k]["current_a"] >= 0.9 * runs[0]["current_a"] for k in range(6)), (
        "from first to last about the same"
    )


@given(st.integers(1, 12), st.sampled_from(["weave", "stacked"]))
def test_every_run_has_a_place_of_its_own_and_rows_grow_outward(count: int, layers: str) -> None:
    found = places(count, layers)
    assert len(found) == len({(p.row, p.column) for p in found}) == count
    assert [p.row for p in found] == sorted(p.row for p in found)
    assert all(1 <= p.column <= p.columns for p in found)


@given(
    st.fixed_dictionaries(
        {
            "joint": st.sampled_from(list(JOINTS)), "technique": st.sampled_from(CHOICES["technique"].codes), "passes": st.integers(1, 12),
            "metal": st.sampled_from(["304L", "carbon", "aluminium", "titanium"]), "thickness_mm": st.floats(0.5, 12),
            "layers": st.sampled_from(["weave", "stacked"]), "cup_school": st.sampled_from(CHOICES["cup_school"].codes),
            "flow_school": st.sampled_from(CHOICES["flow_school"].codes), "dabs_per_run": st.none() | st.integers(5, 40),
        }
    )
)  # fmt: skip
@settings(max_examples=40, deadline=None)
def test_every_planned_run_can_be_logged_as_it_is_planned(coupon: dict[str, Any]) -> None:
    card = planned(coupon)
    runs = runs_from_card(card)
    assert len(runs) == len(card.passes) == (coupon["passes"] if coupon["passes"] > 1 else 0)
    for one, run in zip(card.passes, runs, strict=True):
        assert run.pass_number == one.number
        assert run.current_a == pytest.approx(one.current_a, abs=0.5)
        assert one.low_a <= one.current_a <= one.high_a
    assert run_from_card(card).current_a


def test_a_wide_cup_covers_the_runs_that_are_in_use_on_tube_and_a_narrow_one_little_more_than_itself() -> None:
    assert 32 <= cover_mm(16) <= 38.2
    assert cover_mm(7) == pytest.approx(11.1, abs=0.1)
    reach = plan_card(SLEEVE)["cover"]
    assert 15 <= reach["dabs"] <= 20
    small = plan_card({**SLEEVE, "tube_od_mm": 25.4})["cover"]
    assert small["longest_run_mm"] == pytest.approx(19.9, abs=0.1)
    assert small["limited_by"] == "a quarter of a turn"
    assert plan_card({**SLEEVE, "dabs_per_run": 30})["runs"]["dabs"] <= 30
    assert plan_card({**SLEEVE, "metal": "carbon"})["cover"] is None


def test_runs_go_round_as_the_course_does_it() -> None:
    card = plan_card(SLEEVE)["runs"]
    assert list(card["order"]) == list(range(1, card["count"] + 1))
    assert plan_card({**SLEEVE, "run_order": "every_second"})["runs"]["order"][:2] == (1, 3)


def test_tacks_are_small_opposite_and_about_twice_the_amps_where_nothing_is_added() -> None:
    fused = plan_card({"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "technique": "fuse"})["tacks"]
    assert fused["current_a"] == pytest.approx(110, rel=0.1)
    assert not fused["with_rod"] and fused["max_gap_mm"] == 0.13
    tube = plan_card(SLEEVE)["tacks"]
    assert list(tube["degrees"]) == [0, 180, 90, 270]
    assert tube["purge"] == "purge_first"
    assert plan_card({**SLEEVE, "purge_tacks": "tacks_first"})["tacks"]["purge"] == "tacks_first"
    assert (
        plan_card({"metal": "304L", "joint": "tee", "thickness_mm": 6.0, "torch": 17})["tacks"]["current_a"]
        <= 1.15 * 150
    )
    assert set(PLACES) == set(JOINTS) - {"bead_on_plate"}


def test_a_thin_fillet_asks_for_a_look_at_its_back() -> None:
    thin = plan_card({"metal": "304L", "joint": "tee", "thickness_mm": 1.6})
    assert thin["look_at_back"] and any(note["topic"] == "back" for note in thin["notes"])
    assert not plan_card({"metal": "304L", "joint": "tee", "thickness_mm": 6.0})["look_at_back"]


@pytest.mark.parametrize(
    ("change", "caution"),
    [
        ({"position": "overhead"}, "overhead_drops"),
        ({"pulse": {"peak_a": 60, "background_a": 20, "on_share": 0.4, "per_second": 15}}, "pulse_flicker"),
        ({"technique": "dab"}, "propping"),
    ],
)
def test_a_caution_is_shown_where_it_applies_and_only_there(change: dict[str, Any], caution: str) -> None:
    plain = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "technique": "walk_cup"}
    assert caution in plan_card({**plain, **change})["cautions"]
    assert caution not in plan_card(plain)["cautions"]
    assert "no_water" in plan_card(plain)["cautions"]
    assert "no_water" not in plan_card({**plain, "metal": "carbon"})["cautions"]


@pytest.mark.parametrize("joint", ["tube_butt", "tube_sleeve", "tube_sleeve_bend", "turntable"])
def test_whatever_sugars_behind_the_seam_is_purged_unless_the_course_says_otherwise(joint: str) -> None:
    tube = {"metal": "304L", "joint": joint, "thickness_mm": 1.0, "tube_od_mm": 38.1}
    assert plan_card(tube)["purge"] and "argon_closed_space" in plan_card(tube)["cautions"]
    assert plan_card({**tube, "purge": False})["purge"] is None
    assert plan_card({**tube, "joint": "tube_flange"})["purge"] is None


def test_the_flow_that_a_cups_maker_names_outranks_the_rule_and_the_method() -> None:
    cup = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "cup": 10}
    named = plan_card({**cup, "cup_flow_l_min": 6.0, "flow_school": "more"})["gas_l_min"]
    assert named == {"low": 5.1, "aim": 6.0, "high": 7.5}
    more, usual, half = (
        plan_card({**cup, "flow_school": one})["gas_l_min"]["aim"] for one in ("more", "number", "half")
    )
    assert more > usual > half


def test_every_planned_run_follows_the_courses_method_and_a_cups_flow_holds_for_its_own_run_only() -> None:
    usual, more = (plan_card({**HEAVY, "flow_school": one})["passes"] for one in ("number", "more"))
    assert all(b["gas_l_min"] > a["gas_l_min"] for a, b in zip(usual, more, strict=True))
    named = plan_card({**HEAVY, "cup": 7, "cup_flow_l_min": 6.0})["passes"]
    assert named[0]["gas_l_min"] == 6.0
    assert named[1]["gas_l_min"] == usual[1]["gas_l_min"]
