"""Every metal, joint, position and technique: each card is whole, of use, and agrees with the trade's rules."""

import itertools
from dataclasses import asdict
from typing import Any

import pytest

from judicum.core.choices import CHOICES
from judicum.core.joints import JOINTS
from judicum.core.metals import METALS, TORCHES
from judicum.core.setup import checklist, read_coupon
from judicum.core.setup.gas import flow_band_l_min, min_postflow_s, reynolds
from judicum.core.setup.schools import START_S
from tests.core.setup.printed import check_setup, plan_card

GRID = list(itertools.product([*METALS, "304L+carbon"], JOINTS))


def coupon(metal: str, joint: str, **more: Any) -> dict[str, Any]:
    tube = {"tube_od_mm": 48.3, "form": "tube"} if JOINTS[joint].tube else {}
    return {"metal": metal, "joint": joint, "thickness_mm": 2.0, **tube, **more}


@pytest.mark.parametrize(("metal", "joint"), GRID)
def test_every_metal_and_joint_has_a_whole_card(metal: str, joint: str) -> None:
    for position, technique in itertools.product(CHOICES["position"].codes, CHOICES["technique"].codes):
        card = plan_card(coupon(metal, joint, position=position, technique=technique))
        assert 20 < card["current_a"]["aim"] < 180
        assert card["current_a"]["rule"]
        assert len(card["opinions"]) >= 2
        assert card["polarity"] == ("AC" if metal == "aluminium" else "DCEN")
        assert (card["filler"] is None) == (technique == "fuse")
        assert (card["dab_pitch_mm"] is None) == (technique != "dab")
        assert card["cautions"][0] == "local_rules"
        assert all(w["message"] and w["severity"] in ("stop", "warn", "note") for w in card["warnings"])


@pytest.mark.parametrize(("metal", "joint"), GRID)
def test_a_run_as_the_card_says_lies_on_the_card(metal: str, joint: str) -> None:
    asked = coupon(metal, joint)
    card = plan_card(asked)
    keys = ("current_a", "gas_l_min", "preflow_s", "postflow_s", "downslope_s", "stickout_mm", "travel_mm_s")
    used = {key: card[key]["aim"] for key in keys} | {"polarity": card["polarity"], "cup": card["cup"]["number"]}
    assert check_setup({"coupon": asked, "used": used})["deviations"] == []


@pytest.mark.parametrize("metal", METALS)
def test_fume_and_rust_are_named_where_they_are(metal: str) -> None:
    cautions = plan_card(coupon(metal, "butt"))["cautions"]
    assert ("fume_chromium" in cautions) == (METALS[metal].family in ("stainless", "nickel"))
    assert ("coated_metal" in cautions) == (metal == "carbon")
    assert ("argon_closed_space" in plan_card(coupon(metal, "tube_butt"))["cautions"]) == (METALS[metal].oxidises)


@pytest.mark.parametrize("school", START_S)
def test_each_start_school_has_its_own_time_to_the_first_move(school: str) -> None:
    card = plan_card(coupon("304L", "butt", start_school=school))
    assert card["start_s"] == asdict(START_S[school])
    assert START_S["quick"].high <= START_S["settled"].aim


@pytest.mark.parametrize("electrode", [1.0, 1.6, 2.4, 3.2, 6.4])
@pytest.mark.parametrize("technique", ["dab", "walk_cup"])
@pytest.mark.parametrize("joint", ["butt", "tee", "tube_sleeve"])
def test_a_wider_cup_never_asks_for_less_gas_whatever_sticks_out(electrode: float, technique: str, joint: str) -> None:
    flows = [
        plan_card(coupon("304L", joint, electrode_mm=electrode, technique=technique, cup=cup))["gas_l_min"]["aim"]
        for cup in range(4, 25)
    ]
    assert flows == sorted(flows)


@pytest.mark.parametrize("cup", range(4, 17))
def test_a_lens_stays_laminar_over_its_whole_band_and_a_collet_body_takes_more(cup: int) -> None:
    low, aim, high = flow_band_l_min(cup, "gas_lens")
    assert low < aim < high
    assert low < cup < high or cup < 5, "about the number"
    assert 600 < reynolds(aim, cup) < 1500
    assert flow_band_l_min(cup, "collet_body")[1] > aim


@pytest.mark.parametrize(("amps", "seconds"), [(30, 6), (60, 6), (75, 7.5), (90, 8), (150, 8)])
def test_the_least_postflow_is_a_second_for_ten_amps_from_six_to_eight(amps: float, seconds: float) -> None:
    assert min_postflow_s(amps) == seconds


@pytest.mark.parametrize("torch", TORCHES)
def test_a_torch_is_stopped_above_its_rating_and_not_below(torch: int) -> None:
    asked = coupon("carbon", "tee", thickness_mm=6.0, electrode_mm=4.0, cup=8)
    for share, stops in ((0.95, False), (1.05, True)):
        found = check_setup({"coupon": asked, "used": {"torch": torch, "current_a": share * TORCHES[torch].rating_a}})
        assert ("torch_overload" in {w["code"] for w in found["warnings"]}) is stops


@pytest.mark.parametrize("joint", JOINTS)
def test_the_checklist_keeps_the_order_of_the_work(joint: str) -> None:
    steps = checklist(read_coupon(coupon("316L", joint)))
    order = [
        "blank_abraded",
        "blank_wiped",
        "rod_wiped",
        "own_brush",
        "electrode_ground",
        "cup_clean",
        "fit_up",
        "tacked",
        "purge_waited",
        "settings_checked",
        "practised_on_scrap",
    ]
    assert steps == [s for s in order if s in steps]
    assert steps[-1] == "practised_on_scrap"
