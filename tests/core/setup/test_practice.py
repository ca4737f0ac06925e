"""What practised people set lies in the card's ranges, and the ranges stay narrow enough to be of use."""

from typing import Any

import pytest

from tests.core.setup.practised import PRACTISED, Practised
from tests.core.setup.printed import check_setup, plan_card

Row = tuple[dict[str, Any], dict[str, list[float]]]


def _c(joint: str, thickness_mm: float, **more: Any) -> dict[str, Any]:
    return {"metal": "304L", "joint": joint, "thickness_mm": thickness_mm, **more}


WIDE = {"gas_part": "double_mesh"}
PULSE = {"background_a": 20, "per_second": 1}
ROWS: list[Row] = [
    (_c("butt", 1.5, cup=6), {"current_a": [50, 60], "gas_l_min": [7], "postflow_s": [7]}),
    (_c("butt", 1.5, cup=8), {"current_a": [52.5, 60], "gas_l_min": [7, 9]}),
    (_c("butt", 1.5, technique="fuse"), {"current_a": [50, 55, 60], "cup": [6, 8]}),
    (_c("tube_butt", 1.0, cup=14, **WIDE), {"current_a": [35, 40], "gas_l_min": [14, 16.5], "preflow_s": [1, 1.5], "postflow_s": [10, 12], "purge_l_min": [2.2, 4]}),
    (_c("tube_sleeve", 1.0, cup=18, **WIDE), {"current_a": [35, 40], "gas_l_min": [14, 16.5], "cup": [14, 18]}),
    (_c("tube_sleeve_bend", 1.0, cup=16, **WIDE), {"current_a": [32.5, 37.5], "gas_l_min": [14, 16.5]}),
    (_c("tube_butt", 1.6, cup=14, **WIDE), {"current_a": [45, 50], "gas_l_min": [12, 15]}),
    (_c("tube_butt", 1.6), {"current_a": [45, 50], "gas_l_min": [12, 15]}),
    (_c("lap", 2.0, cup=10), {"current_a": [75, 80], "gas_l_min": [12, 14], "dab_pitch_mm": [2.4], "dabs_per_s": [1.1]}),
    (_c("tee", 2.0, cup=10), {"current_a": [80, 90], "gas_l_min": [12]}),
    (_c("tee", 1.6), {"current_a": [45, 50, 55], "gas_l_min": [9.5], "postflow_s": [10, 15], "work_angle_deg": [45], "travel_angle_deg": [10]}),
    (_c("tee", 1.6, position="vertical_up"), {"travel_angle_deg": [20]}),
    (_c("lap", 6.0, **{"pass": 1}), {"current_a": [105], "filler_mm": [1.6], "cup": [7, 10]}),
    (_c("lap", 6.0, technique="lay_wire", **{"pass": 2}), {"current_a": [90, 100], "filler_mm": [2.4]}),
    (_c("tee", 6.0, technique="walk_cup", cup=6), {"current_a": [140, 150], "gas_l_min": [6, 7], "stickout_mm": [9.5]}),
    (_c("butt", 2.5), {"current_a": [65], "gas_l_min": [8], "preflow_s": [0.3], "downslope_s": [3, 5], "postflow_s": [8, 10]}),
    (_c("butt", 3.0, stickout_mm=20), {"current_a": [65], "gas_l_min": [14]}),
]  # fmt: skip
FIGURES = [(coupon, key, value) for coupon, used in ROWS for key, values in used.items() for value in values]


def test_at_least_95_of_100_practised_figures_lie_in_the_cards_ranges() -> None:
    off = [
        (coupon["joint"], coupon["thickness_mm"], key, value, d["low"], d["high"])
        for coupon, key, value in FIGURES
        for d in check_setup({"coupon": coupon, "used": {key: value}})["deviations"]
    ]
    assert len(FIGURES) >= 59
    assert len(off) <= 0.05 * len(FIGURES), off


@pytest.mark.parametrize("coupon", [row[0] for row in ROWS])
def test_the_ranges_stay_of_use(coupon: dict[str, Any]) -> None:
    card = plan_card(coupon)
    for key in ("current_a", "gas_l_min"):
        assert card[key]["high"] <= 1.8 * card[key]["low"] + 0.05
        assert card[key]["low"] < card[key]["aim"] < card[key]["high"]


@pytest.mark.parametrize(("peak", "share"), [(130, 0.28), (140, 0.3), (150, 0.25)])
def test_a_slow_pulse_as_practised_is_warned_of_by_nobody(peak: float, share: float) -> None:
    used = {"pulse": {"peak_a": peak, "on_share": share, **PULSE}}
    assert check_setup({"coupon": _c("butt", 1.5), "used": used})["warnings"] == []


def test_the_machine_of_a_ridden_pedal_stands_where_practised_people_set_it() -> None:
    card = plan_card(_c("tube_butt", 1.6, pedal_school="ride"))
    assert card["current_a"]["machine"] == pytest.approx(65, abs=5)


def test_the_aim_stands_where_practised_people_weld() -> None:
    off = {one.work: abs(one.off) for one in PRACTISED if one.off is not None}
    assert len(off) >= 26
    assert sum(share <= 0.15 for share in off.values()) >= 0.8 * len(off), off
    assert all(off[one.work] <= 0.30 for one in PRACTISED if one.work in off and not one.doubtful), off


def test_the_ranges_hold_95_of_100_practised_settings() -> None:
    outside = [(one.work, *found) for one in PRACTISED for found in one.outside()]
    assert len(outside) <= 0.05 * sum(len(one.figures()) for one in PRACTISED), outside


SAYS_WHO = ("Some ", "Who welds", "all the same", "practised")


@pytest.mark.parametrize("one", PRACTISED, ids=lambda one: one.work)
def test_what_somebody_practised_works_with_is_called_wrong_only_with_who_does_it_and_why(one: Practised) -> None:
    for key, value in one.figures():
        used = {key: value, **({"pulse": one.coupon["pulse"]} if "pulse" in one.coupon else {})}
        for warned in check_setup({"coupon": one.coupon, "used": used})["warnings"]:
            assert warned["severity"] != "stop", warned
            assert any(words in warned["message"] for words in SAYS_WHO), warned


@pytest.mark.parametrize("technique", ["dab", "lay_wire", "walk_cup"])
@pytest.mark.parametrize("joint", ["butt", "tee", "tube_butt"])
def test_more_wire_never_takes_less_current(joint: str, technique: str) -> None:
    sizes = (0.8, 0.9, 1.0, 1.2, 1.6, 2.0, 2.4, 3.2)
    aims = [plan_card(_c(joint, 2.0, technique=technique, filler_mm=d))["current_a"]["aim"] for d in sizes]
    assert aims == sorted(set(aims))


def test_what_moves_the_current_is_said_on_the_card() -> None:
    pulse = {"peak_a": 150, "background_a": 21, "on_share": 0.26, "per_second": 1.2}
    because = plan_card(_c("tee", 1.6, filler_mm=0.8, technique="walk_cup", pulse=pulse))["current_a"]["because"]
    assert [words.split()[0].lower() for words in because] == ["stainless", "tee", "walk", "thinner", "pulsed"]
