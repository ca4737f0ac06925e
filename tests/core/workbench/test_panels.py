import json
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from judicum.core.errors import InvalidValue, InvalidValues
from judicum.core.quantities import Quantity
from judicum.core.workbench import PANELS, compute, panel_of
from judicum.words.workbench import note

# panel, inputs, figure, value: the trade's worked figures
WORKED: list[tuple[str, dict[str, Any], str, float]] = [
    ("pulse", {"peak_a": 110, "background_a": 25, "on_share": 0.3}, "mean_a", 50.5),
    ("heat", {"volts": 10.5, "current_a": 62, "travel_mm_s": 2.2}, "arc_kj_mm", 0.296),
    ("heat", {"volts": 10.5, "current_a": 62, "travel_mm_s": 2.2}, "net_kj_mm", 0.178),
    ("cooling", {}, "peak_c", 922),
    ("cooling", {}, "end_s", 11.3),
    ("tint", {}, "bead_film_nm", 17.08),
    ("tint", {"postflow_s": 3}, "grey_end_mm", 6.35),
    ("warming", {}, "first_end_c", 178.24),
    ("pulse_reach", {"per_second": 20}, "melted_peak_mm", 4.78),
    ("turntable", {"tube_od_mm": 48.3, "low_mm_s": 1, "high_mm_s": 3, "bands": 3, "chosen": 2}, "rpm", 0.791),
    ("turntable", {"low_mm_s": 1, "high_mm_s": 3, "bands": 3, "chosen": 2, "other_od_mm": 76.1}, "other_rpm", 0.502),
    ("runs", {"tube_od_mm": 48.3, "dab_pitch_mm": 2.2, "dabs": 17, "tie_in_mm": 3}, "net_mm", 34.4),
    ("runs", {}, "count", 5),
    ("runs", {}, "length_mm", 33.348),
    ("runs", {}, "dabs", 15),
    ("consumption", {"gas_l_min": 12, "preflow_s": 0.5, "arc_s": 48, "postflow_s": 10}, "run_l", 11.7),
    ("purge", {"bore_mm": 45, "bore_length_mm": 300, "volumes": 6, "purge_l_min": 3}, "volume_l", 0.477),
    ("purge", {}, "wait_s", 57.256),
    ("gas", {"cup": 8, "gas_l_min": 8}, "reynolds", 995.06),
    ("gas", {"cup": 6, "gas_l_min": 16.5}, "reynolds", 2736.4),
    ("filler", {"leg_mm": 2, "crown_share": 0.15, "length_mm": 100, "filler_mm": 1.6}, "volume_mm3", 230),
    ("filler", {}, "wire_mm", 114.39),
    ("gauge", {"gauge": "16"}, "tube_wall_mm", 1.651),
]


@pytest.mark.parametrize(("panel", "inputs", "figure", "value"), WORKED)
def test_the_worked_figures(panel: str, inputs: dict[str, Any], figure: str, value: float) -> None:
    found = {r.key: r.value for r in compute(panel, inputs).results}
    assert found[figure] == pytest.approx(value, rel=4e-3)


@pytest.mark.parametrize("panel", [p.key for p in PANELS])
def test_every_panel_answers_with_its_defaults(panel: str) -> None:
    answer = compute(panel, {})
    assert answer.results
    assert panel_of(panel).inputs
    assert len({i.key for i in panel_of(panel).inputs}) == len(panel_of(panel).inputs)
    json.dumps([answer.series, [r.value for r in answer.results]], allow_nan=False)


def outcome(panel: str, inputs: dict[str, Any]) -> tuple[str | None, list[float]]:
    """The field that was refused, or the figures."""
    try:
        return None, [r.value for r in compute(panel, inputs).results]
    except InvalidValues as error:
        return error.problems[0].field, []


@pytest.mark.parametrize("panel", PANELS, ids=lambda p: p.key)
@settings(deadline=None, max_examples=30)
@given(data=st.data())
def test_anything_inside_the_limits_gives_figures_or_a_clear_refusal(panel: Any, data: st.DataObject) -> None:
    inputs = {
        i.key: data.draw(
            st.floats(i.spec.low, i.spec.high) if isinstance(i.spec, Quantity) else st.sampled_from(i.spec.codes)
        )
        for i in panel.inputs
    }
    refused, values = outcome(panel.key, inputs)
    assert refused is None or refused in inputs
    json.dumps(values, allow_nan=False)


def test_bad_inputs_are_all_named() -> None:
    with pytest.raises(InvalidValues) as refused:
        compute("gas", {"cup": "wide", "gas_l_min": 9000, "gas_part": "sponge", "odd": 1})
    assert {p.field for p in refused.value.problems} == {"odd", "cup", "gas_l_min", "gas_part"}
    with pytest.raises(InvalidValue, match="options=pulse, pulse_for"):
        compute("abacus", {})


def test_a_pulse_is_drawn_as_it_is() -> None:
    wave = compute("pulse", {"peak_a": 100, "background_a": 20, "on_share": 0.25, "per_second": 2}).series
    assert wave["time_s"][:4] == [0, 0, 0.125, 0.125]
    assert wave["current_a"][:4] == [20, 100, 100, 20]
    assert wave["time_s"][-1] == 1.5


@pytest.mark.parametrize(
    ("panel", "inputs", "word"),
    [
        ("gas", {"cup": 6, "gas_l_min": 16.5}, "Turbulent"),
        ("gas", {"cup": 8, "gas_l_min": 12, "gas_part": "collet_body"}, "Close to turning"),
        ("gas", {"cup": 8, "gas_l_min": 4}, "Low"),
        ("pulse", {"on_share": 0.55}, "no benefit"),
        ("pulse", {"background_a": 200}, "above the peak"),
        ("gauge", {"gauge": "18", "measured_mm": 1.0}, "isn't 18 gauge"),
    ],
)
def test_what_is_doubtful_is_said(panel: str, inputs: dict[str, Any], word: str) -> None:
    assert word in " ".join(note(n) for n in compute(panel, inputs).notes)


def test_figures_that_contradict_each_other_are_refused_by_name() -> None:
    with pytest.raises(InvalidValue, match="low_mm_s"):
        compute("turntable", {"low_mm_s": 3, "high_mm_s": 2})
    with pytest.raises(InvalidValue, match="dabs"):
        compute("runs", {"dabs": 2, "dab_pitch_mm": 1, "tie_in_mm": 5})


def test_runs_that_hardly_advance_are_refused_instead_of_being_listed() -> None:
    with pytest.raises(InvalidValue, match="most=200"):
        compute("runs", {"dabs": 3, "dab_pitch_mm": 1.001, "tie_in_mm": 3, "tube_od_mm": 300})


def test_a_metal_whose_heat_balance_does_not_hold_is_refused() -> None:
    with pytest.raises(InvalidValue, match="metal"):
        compute("cooling", {"metal": "aluminium"})
