"""What would come of it: the worked table, what always holds, what a class teaches, and what is no question."""

import io
import json
import math
import time
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from judicum.bench.foretell import course, judge, logged, report_of, weld
from judicum.cli import main
from judicum.core.errors import InvalidValues
from judicum.core.foretell import foretell

BLANK = {"blank_length_mm": 120, "blank_width_mm": 50}
USUAL = {
    "stickout_mm": 8,
    "arc_length_mm": 1.6,
    "part_c": 25,
    "postflow_s": 8,
    "gas_part": "gas_lens",
    "length_mm": 100,
}
WORKED = [
    ("bead_on_plate", 1.5, 60, 1.7, 8, 8, None, {}, 5.4, 4, 5, 5.9),
    ("butt", 1.5, 55, 2.2, 8, 8, 1.2, {}, 3.7, 1, 2, 3.0),
    ("lap", 2.0, 78, 2.5, 10, 13, 1.6, {}, 3.8, 1, 2, 2.2),
    ("tee", 2.0, 85, 2.2, 10, 12, 1.6, {}, 4.3, 1, 2, 3.2),
    ("butt", 3.0, 95, 2.0, 8, 8, 1.6, {}, 4.8, 2, 2, 3.6),
    ("butt", 2.0, 70, 2.0, 8, 8, 1.6, {"part_c": 120}, 4.4, 2, 3, 4.8),
]


def asked(joint: str = "butt", h: float = 1.5, amps: float = 55, speed: float = 2.2, cup: float = 8, flow: float = 8, wire: float | None = 1.2, **more: Any) -> dict[str, Any]:  # fmt: skip
    stated = {
        **USUAL,
        "current_a": amps,
        "travel_mm_s": speed,
        "cup": cup,
        "gas_l_min": flow,
        "technique": "dab" if wire else "fuse",
    }
    stated |= {"filler_mm": wire} if wire else {}
    coupon = {"metal": "304L", "joint": joint, "thickness_mm": h, **BLANK}
    return {"coupon": coupon, "settings": {**stated, **more}}


@pytest.mark.parametrize(
    ("joint", "h", "amps", "speed", "cup", "flow", "wire", "more", "width", "bead", "zone", "reach"), WORKED
)
def test_belief_starts_at_the_worked_table(
    joint: str, h: float, amps: float, speed: float, cup: float, flow: float, wire: float | None, more: dict, width: float, bead: int, zone: int, reach: float
) -> None:  # fmt: skip
    found = foretell(asked(joint, h, amps, speed, cup, flow, wire, **more))
    assert found["width_mm"]["value"] == pytest.approx(width, rel=0.03)
    assert (found["tint_bead"]["level"], found["tint_zone"]["level"]) == (bead, zone)
    assert found["zone_mm"]["value"] == pytest.approx(reach, rel=0.04)
    assert found["grey_end_mm"]["value"] == 0
    assert found["basis"] == "physics"
    assert found["learned"] == {"attempts": 0, "machine_factor": None, "student_factor": None}


def test_short_post_flow_greys_the_last_seven_millimetres() -> None:
    assert foretell(asked(postflow_s=3))["grey_end_mm"]["value"] == pytest.approx(7, abs=0.6)


COURSE = course(77)
CLASS = [logged(COURSE, weld(COURSE)) for _ in range(30)]
COUPONS = st.sampled_from([("butt", 1.5), ("lap", 2.0), ("tee", 2.0), ("bead_on_plate", 1.5), ("butt", 3.0)])
SETTINGS = st.fixed_dictionaries(
    {
        "current_a": st.floats(25, 140), "travel_mm_s": st.floats(1.0, 4.0), "postflow_s": st.floats(1, 12), "stickout_mm": st.floats(3, 20),
        "gas_l_min": st.floats(4, 20), "cup": st.sampled_from([6, 8, 10, 12]), "part_c": st.floats(20, 200), "length_mm": st.floats(40, 200),
        "draught": st.booleans(), "gas_part": st.sampled_from(["gas_lens", "collet_body"]),
    }
)  # fmt: skip
EPS = 2e-3
"""Figures are rounded to a thousandth."""


def _p(found: dict[str, Any], code: str) -> float:
    return next(one["probability"] for one in found["hazards"] if one["code"] == code)


def _no_lighter(less: dict[str, Any], more: dict[str, Any], key: str) -> bool:
    return bool((np.cumsum(more[key]["probability"]) <= np.cumsum(less[key]["probability"]) + EPS).all())


def _hotter(less: dict[str, Any], more: dict[str, Any]) -> None:
    for key in ("width_mm", "width_end_mm", "zone_mm", "grey_end_mm"):
        assert more[key]["value"] >= less[key]["value"] - EPS, key
    assert _no_lighter(less, more, "tint_bead")
    assert _no_lighter(less, more, "tint_zone")
    assert _p(more, "burn_through") >= _p(less, "burn_through") - EPS
    assert _p(more, "no_fusion") <= _p(less, "no_fusion") + EPS


def _faster(less: dict[str, Any], more: dict[str, Any]) -> None:
    assert more["width_mm"]["value"] <= less["width_mm"]["value"] + EPS
    assert more["width_end_mm"]["value"] <= less["width_end_mm"]["value"] + EPS
    assert more["zone_mm"]["value"] <= less["zone_mm"]["value"] + EPS
    assert _no_lighter(more, less, "tint_zone")
    assert _p(more, "burn_through") <= _p(less, "burn_through") + EPS
    assert _p(more, "no_fusion") >= _p(less, "no_fusion") - EPS


def _airier(less: dict[str, Any], more: dict[str, Any]) -> None:
    assert _no_lighter(less, more, "tint_bead")
    assert _no_lighter(less, more, "tint_zone")


def _longer_gas(less: dict[str, Any], more: dict[str, Any]) -> None:
    assert more["grey_end_mm"]["value"] <= less["grey_end_mm"]["value"] + EPS
    assert _p(more, "grey") <= _p(less, "grey") + EPS


def _longer_run(less: dict[str, Any], more: dict[str, Any]) -> None:
    assert more["width_end_mm"]["value"] >= less["width_end_mm"]["value"] - EPS


ALWAYS = [
    ("current_a", lambda s, by: {"current_a": s["current_a"] * (1 + by)}, _hotter),
    ("part_c", lambda s, by: {"part_c": s["part_c"] + 300 * by}, _hotter),
    ("travel_mm_s", lambda s, by: {"travel_mm_s": s["travel_mm_s"] * (1 + by)}, _faster),
    ("stickout_mm", lambda s, by: {"stickout_mm": s["stickout_mm"] + 20 * by}, _airier),
    ("draught", lambda s, by: {"draught": True}, _airier),
    ("gas_part", lambda s, by: {"gas_part": "collet_body"}, _airier),
    ("postflow_s", lambda s, by: {"postflow_s": s["postflow_s"] + 8 * by}, _longer_gas),
    ("length_mm", lambda s, by: {"length_mm": s["length_mm"] * (1 + by)}, _longer_run),
]


@pytest.mark.parametrize(("key", "change", "holds"), ALWAYS, ids=[key for key, *_ in ALWAYS])
@settings(max_examples=25, deadline=None)
@given(coupon=COUPONS, stated=SETTINGS, by=st.floats(0.01, 0.6), rows=st.sampled_from([0, 9, 30]), left_out=st.sets(st.sampled_from(["current_a", "travel_mm_s", "cup", "postflow_s"]), max_size=1))  # fmt: skip
def test_what_always_holds(key: str, change: Any, holds: Any, coupon: tuple[str, float], stated: dict, by: float, rows: int, left_out: set[str]) -> None:  # fmt: skip
    def of(settings_: dict[str, Any]) -> dict[str, Any]:
        kept = {k: v for k, v in settings_.items() if k not in left_out or k == key}
        question = {
            "coupon": {"metal": "304L", "joint": coupon[0], "thickness_mm": coupon[1], **BLANK},
            "settings": kept,
        }
        return foretell({**question, "student": "p1", "machine": "m1", "class": CLASS[:rows]})

    less = (
        {**stated, "draught": False}
        if key == "draught"
        else {**stated, "gas_part": "gas_lens"}
        if key == "gas_part"
        else stated
    )
    holds(of(less), of({**less, **change(less, by)}))


@settings(max_examples=40, deadline=None)
@given(stated=SETTINGS, thicker=st.floats(1.01, 2.0), rows=st.sampled_from([0, 30]), left_out=st.sets(st.sampled_from(["current_a", "travel_mm_s", "cup"])))  # fmt: skip
def test_thicker_metal_is_never_told_wider_darker_or_easier_to_burn(stated: dict, thicker: float, rows: int, left_out: set[str]) -> None:  # fmt: skip
    kept = {k: v for k, v in stated.items() if k not in left_out}
    thin, thick = (foretell({"coupon": {"metal": "304L", "joint": "butt", "thickness_mm": h, **BLANK}, "settings": kept, "class": CLASS[:rows]}) for h in (1.5, 1.5 * thicker))  # fmt: skip
    for key in ("width_mm", "width_end_mm"):
        assert thick[key]["value"] <= thin[key]["value"] + EPS
    assert _no_lighter(thick, thin, "tint_zone")
    assert _p(thick, "burn_through") <= _p(thin, "burn_through") + EPS


@pytest.mark.parametrize("rows", [0, 30])
@pytest.mark.parametrize("key", ["current_a", "travel_mm_s"])
def test_what_is_told_makes_nothing_less_sure(key: str, rows: int) -> None:
    whole = {**asked(), "student": "p1", "machine": "m1", "class": CLASS[:rows]}
    left = {**whole, "settings": {k: v for k, v in whole["settings"].items() if k != key}}
    stated, guessed = (foretell(one)["width_mm"] for one in (whole, left))
    assert stated["high"] - stated["low"] <= guessed["high"] - guessed["low"]


def test_pulse_counts_by_its_peak_background_and_share() -> None:
    pulse = {"peak_a": 110, "background_a": 25, "on_share": 0.35, "per_second": 1.0}
    base = asked()
    base["settings"].pop("current_a")
    wide = [foretell({**base, "settings": {**base["settings"], "pulse": {**pulse, **more}}})["width_mm"]["value"] for more in ({}, {"peak_a": 120}, {"background_a": 35}, {"on_share": 0.4})]  # fmt: skip
    assert min(wide[1:]) > wide[0]


def test_a_class_moves_belief_and_too_few_do_not() -> None:
    wider = [{"coupon": {"metal": "304L", "joint": "butt", "thickness_mm": 1.5}, "student": "p1", "machine": "m1", "settings": {"current_a": 50 + k, "arc_s": 45.0, "technique": "dab"}, "measured": {"length_mm": 100.0, "width_mm": 4.6}} for k in range(12)]  # fmt: skip
    question = {**asked(amps=56, speed=100 / 45), "student": "p1", "machine": "m1"}
    before, few, all_of_them = (foretell({**question, "class": wider[:n]}) for n in (0, 7, 12))
    assert few["basis"] == "physics"
    assert few["width_mm"] == before["width_mm"]
    assert (all_of_them["basis"], all_of_them["learned"]["attempts"]) == ("class", 12)
    assert all_of_them["width_mm"]["value"] == pytest.approx(4.6, abs=0.2)
    spread = [one["width_mm"]["high"] - one["width_mm"]["low"] for one in (before, all_of_them)]
    assert spread[1] < spread[0]


def test_the_difference_is_that_of_the_change() -> None:
    then = {
        "settings": {"current_a": 55, "arc_s": 45.0},
        "measured": {"length_mm": 100.0, "width_mm": 3.9, "tint_bead": 1},
    }
    found = foretell({**asked(amps=65, speed=100 / 45), "compare": then})["difference"]["width_mm"]
    assert 0.3 < found["low"] < found["value"] < found["high"] < 1.6
    same = foretell({**asked(amps=55, speed=100 / 45), "compare": then})["difference"]["width_mm"]
    assert same["value"] == pytest.approx(0, abs=0.15)


def test_a_map_offers_what_is_wide_enough_and_bright_enough() -> None:
    wanted = {
        "width_mm": {"low": 3.0, "high": 4.6},
        "finish": "warm",
        "current_a": [30, 40, 55, 90],
        "travel_mm_s": [1.2, 2.2, 3.2],
    }
    found = foretell({**asked(), "student": "p1", "machine": "m1", "class": CLASS, "inverse": wanted})["inverse"][
        "probability"
    ]
    assert [len(row) for row in found] == [3, 3, 3, 3]
    assert max(map(max, found)) > 0.5
    assert found[3][0] < 0.05
    assert foretell(asked())["inverse"] is None


def test_a_metal_without_a_tint_scale_is_told_no_tint() -> None:
    found = foretell({"coupon": {"metal": "carbon", "joint": "butt", "thickness_mm": 1.5}, "settings": {}})
    assert [found[key] for key in ("tint_bead", "tint_zone", "zone_mm", "grey_end_mm")] == [None] * 4
    assert {one["code"] for one in found["hazards"]} == {"burn_through", "no_fusion", "undercut"}


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"luck": 1}, "luck"),
        ({"coupon": None}, "coupon"),
        ({"settings": {"luck": 1}}, "settings.luck"),
        ({"settings": {"current_a": "many"}}, "settings.current_a"),
        ({"settings": {"part_c": 5000}}, "settings.part_c"),
        ({"class": [{"coupon": {"metal": "304L", "joint": "butt", "thickness_mm": 1.5}, "measured": {"tint_bead": 8}}]}, "class.0.measured.tint_bead"),
        ({"class": [{"coupon": {"metal": "304L", "joint": "butt", "thickness_mm": 1.5}, "measured": {"hazards": ["bad"]}}]}, "class.0.measured.hazards"),
        ({"class": [{"settings": {}}]}, "class.0.coupon"),
        ({"class": 7}, "class"),
        ({"student": 5}, "student"),
        ({"compare": {"luck": 1}}, "compare.luck"),
        ({"inverse": {"width_mm": {"low": 5, "high": 4}, "finish": "warm", "current_a": [50], "travel_mm_s": [2]}}, "inverse.width_mm.low"),
        ({"inverse": {"width_mm": {"low": 3, "high": 4}, "finish": "dull", "current_a": [50], "travel_mm_s": [2]}}, "inverse.finish"),
        ({"inverse": {"width_mm": {"low": 3, "high": 4}, "finish": "warm", "current_a": [], "travel_mm_s": [2]}}, "inverse.current_a"),
    ],
)  # fmt: skip
def test_bad_input_names_its_field(change: dict, field: str) -> None:
    with pytest.raises(InvalidValues) as refused:
        foretell({**asked(), **change})
    assert refused.value.problems[0].field == field


def test_the_command_answers_each_line_and_refuses_with_one(monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]) -> None:  # fmt: skip
    monkeypatch.setattr("sys.stdin", io.StringIO(f"{json.dumps(asked())}\n{json.dumps(asked(amps=60))}\n"))
    assert main(["foretell"]) == 0
    rows = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    assert rows[0]["width_mm"]["value"] < rows[1]["width_mm"]["value"]
    for bad in ('{"coupon": {"joint": "butt"}, "luck": 1}', '{"coupon": {"joint": "butt", "thickness_mm": NaN}}'):
        monkeypatch.setattr("sys.stdin", io.StringIO(bad))
        assert main(["foretell"]) == 2
        assert len(capsys.readouterr().err.strip().splitlines()) == 1


def test_probabilities_are_some() -> None:
    found = foretell({**asked(), "class": CLASS, "student": "p3", "machine": "m2"})
    for key in ("tint_bead", "tint_zone"):
        assert math.isclose(sum(found[key]["probability"]), 1, abs_tol=0.002)
        assert found[key]["level"] == int(np.argmax(found[key]["probability"]))
    chances = [one["probability"] for one in found["hazards"]]
    assert chances == sorted(chances, reverse=True)
    factor = found["learned"]["machine_factor"]
    assert factor["low"] <= factor["value"] <= factor["high"]


def test_simulated_courses_of_other_laws_are_foretold_better_than_by_the_nearest_or_a_regression() -> None:
    done = [judge(seed) for seed in (900, 902, 905)]
    twenty = [one[20] for one in done]
    error, other = (float(np.mean([row[key] for row in twenty])) for key in ("error", "ridge"))
    assert error < 0.65 * other
    assert "| 60 |" in report_of(done)


def test_a_thousandth_of_a_class_is_quick() -> None:
    begun = time.process_time()
    for _ in range(20):
        foretell({**asked(), "class": CLASS})
    assert time.process_time() - begun < 20 * 0.3  # ten times what it takes
