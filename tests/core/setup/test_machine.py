"""What a machine cannot do of a card, and pulses for a wanted mean."""

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.errors import InvalidValue, InvalidValues
from judicum.core.planning.booths import over_code, stronger_than
from judicum.core.setup import plan_card, read_coupon
from judicum.core.setup.card import card_of
from judicum.core.setup.kit import kit
from judicum.core.setup.machine import MachineProfile, advice, gives_a, known_of, read_machine
from judicum.core.setup.pulse import PRESETS, Pulse, flickers, on_share_for, preset_for
from judicum.words.catalogue import codes_of
from judicum.words.setup import advised, how_to, kit_words
from judicum.words.units import METRIC, US

THIN = plan_card({"metal": "304L", "joint": "tube_sleeve", "thickness_mm": 1.0, "tube_od_mm": 38.1})
HEAVY = plan_card({"metal": "304L", "joint": "tee", "thickness_mm": 6.0, "technique": "walk_cup"})
AC = plan_card({"metal": "aluminium", "joint": "butt", "thickness_mm": 3.0})


@pytest.mark.parametrize(
    ("card", "machine", "per_second", "codes"),
    [
        (THIN, {}, None, []),
        (THIN, {"no_postflow": True}, None, ["restrike_for_postflow"]),
        (THIN, {"no_downslope": True, "control": "pedal"}, None, ["taper_by_foot"]),
        (THIN, {"no_downslope": True, "control": "two_step"}, None, ["back_up_and_stop", "control_two_step"]),
        (THIN, {"no_preflow": True}, None, ["gas_by_hand"]),
        (THIN, {"control": "scratch", "no_preflow": True, "no_downslope": True}, None, ["scratch_start"]),
        (THIN, {"control": "four_step"}, None, ["control_four_step"]),
        (THIN, {"control": "pedal_switch"}, None, ["control_pedal_switch"]),
        (THIN, {"min_a": 50, "start_min_a": 60}, None, ["too_strong", "start_on_scrap"]),
        (HEAVY, {"max_a": 100}, None, ["too_weak"]),
        (HEAVY, {"mains_a": 105}, None, ["over_mains"]),
        (HEAVY, {"machine_torch": 9}, None, ["torch_too_small"]),
        (HEAVY, {"machine_torch": 17}, None, ["torch_hot"]),
        (HEAVY, {"machine_torch": 18}, None, []),
        (AC, {"no_ac": True}, None, ["needs_ac"]),
        (THIN, {"no_pulse": True, "control": "pedal"}, 1.0, ["pulse_by_foot"]),
        (THIN, {"no_pulse": True}, 1.0, ["no_pulser"]),
        (THIN, {"pulse_max_per_second": 10}, 33.0, ["pulse_too_fast"]),
        (THIN, {"pulse_max_per_second": 10}, 1.0, []),
    ],
)
def test_what_a_machine_cannot_do_is_said_with_what_to_do_instead(
    card: Any, machine: dict[str, Any], per_second: float | None, codes: list[str]
) -> None:
    found = advice(card, read_machine(machine), per_second)
    assert [one.code for one in found] == codes
    for one in found:
        assert all("{" not in advised(one, units) for units in (METRIC, US))
        assert all(card.band(key) for key in one.hides)


def test_every_advice_has_words_and_a_profile_comes_back_as_it_was_given() -> None:
    given = {"control": "pedal", "max_a": 160.0, "machine_torch": 17, "no_postflow": True}
    assert known_of(read_machine(given)) == given
    assert read_machine(None) == MachineProfile()
    assert len(codes_of("machine")) == 18
    with pytest.raises(InvalidValues) as refused:
        read_machine({"control": "knee", "max_a": "a lot", "colour": "red"})
    assert {p.field for p in refused.value.problems} == {"machine.colour", "machine.control", "machine.max_a"}


def test_a_booth_gives_what_its_weakest_part_allows() -> None:
    assert gives_a(MachineProfile(max_a=160, mains_a=105, machine_torch=9)) == 105
    assert gives_a(MachineProfile(machine_torch=9)) == 125
    assert gives_a(MachineProfile()) is None
    assert stronger_than(125, [105, 125]) == [over_code(105)]


@given(st.floats(1, 100), st.floats(1, 100), st.floats(0.02, 0.98))
def test_the_share_for_a_mean_gives_that_mean(background: float, above: float, part: float) -> None:
    peak = background + above
    mean = background + part * above
    assert Pulse(peak, background, on_share_for(mean, peak, background), 1.0).mean_a == pytest.approx(mean)


@pytest.mark.parametrize("mean", [10, 20, 120, 150])
def test_a_mean_that_no_share_gives_is_refused(mean: float) -> None:
    with pytest.raises(InvalidValue):
        on_share_for(mean, 120, 20)


def test_presets_keep_the_mean_and_meet_what_is_in_use() -> None:
    for preset in PRESETS:
        assert preset_for(preset, 50).mean_a == pytest.approx(50)
    by_code = {preset.code: preset for preset in PRESETS}
    assert preset_for(by_code["half_and_half"], 40).peak_a == pytest.approx(60, abs=1)
    assert preset_for(by_code["thirds"], 18).peak_a == pytest.approx(33, abs=1)
    assert preset_for(by_code["fused_sheet"], 60).peak_a == pytest.approx(120, abs=1)
    assert 130 <= preset_for(by_code["metronome"], 53).peak_a <= 150
    assert [flickers(hz) for hz in (1, 3, 15, 30, 100)] == [False, True, True, True, False]


@pytest.mark.parametrize(
    ("coupon", "torch", "has", "lacks"),
    [
        ({"joint": "butt", "thickness_mm": 1.5, "technique": "fuse", "cup": 6}, 9, {"head_small", "lens", "insulator_lens", "cup", "chill_plate"}, {"rod_308L"}),
        ({"joint": "tube_sleeve", "thickness_mm": 1.0, "cup": 16, "gas_part": "double_mesh"}, 17, {"head_large", "large_lens", "insulator_large", "cup_mesh", "purge_plug", "purge_foil", "rod_308L"}, {"chill_plate"}),
        ({"joint": "tee", "thickness_mm": 1.6, "cup": 6, "gas_part": "collet_body"}, None, {"head_any", "collet_body", "insulator_body", "cup"}, {"lens", "purge_plug"}),
    ],
)  # fmt: skip
def test_the_parts_of_a_kit_fit_together(
    coupon: dict[str, Any], torch: int | None, has: set[str], lacks: set[str]
) -> None:
    asked = read_coupon({"metal": "304L", **coupon})
    parts = kit(asked, card_of(asked), torch)
    codes = {part.code for part in parts}
    assert has <= codes
    assert not lacks & codes
    lines = kit_words([(part, 4.2) for part in parts], US)
    assert len(lines) == len(parts)
    assert all("{" not in words for words in lines)


def test_every_step_of_the_preparation_says_how() -> None:
    assert codes_of("how") == codes_of("prep")
    assert all(len(how_to(step).split(". ")) == 2 for step in codes_of("how"))
