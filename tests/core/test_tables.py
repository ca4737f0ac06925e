"""The tables of the core: each figure, choice, joint, metal and band is of sense, and they agree with one another."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.acceptance import BANDS, CARD_WIDTH_SHARE, LAPSE_LONG, LAPSE_SHORT
from judicum.core.choices import CHOICES, FINISH_LEVEL, SCHOOLS, Choice
from judicum.core.errors import InvalidValue
from judicum.core.joints import JOINTS, Joint
from judicum.core.metals import DISSIMILAR_FILLER, METALS, PAIRS, TORCHES, fillers, metal_of
from judicum.core.quantities import QUANTITIES, Quantity

UNIT_OF_KIND = {"flow": "L/min", "speed": "mm/s", "current": "A", "length": "mm", "time": "s", "angle": "°"}
SUFFIX = {"_mm": "mm", "_a": "A", "_l_min": "L/min", "_mm_s": "mm/s", "_deg": "°", "_s": "s", "_per_s": "1/s"}

each_quantity = pytest.mark.parametrize("quantity", QUANTITIES.values(), ids=lambda q: q.key)
each_choice = pytest.mark.parametrize("choice", CHOICES.values(), ids=lambda c: c.key)
each_joint = pytest.mark.parametrize("joint", JOINTS.values(), ids=lambda j: j.key)


@each_quantity
def test_a_figure_has_limits_and_a_step_that_fits_between_them(quantity: Quantity) -> None:
    assert quantity.low < quantity.high
    assert 0 < quantity.step <= quantity.high - quantity.low
    assert not quantity.whole or (quantity.step == int(quantity.step) and quantity.low == int(quantity.low))


@each_quantity
def test_a_figures_unit_is_that_of_its_kind(quantity: Quantity) -> None:
    if quantity.kind in UNIT_OF_KIND:
        assert quantity.unit == UNIT_OF_KIND[quantity.kind]


@each_quantity
def test_what_makes_sense_may_be_typed(quantity: Quantity) -> None:
    low, high = quantity.sensible or (quantity.low, quantity.high)
    assert quantity.low <= low < high <= quantity.high
    assert quantity.sensible_at(low) and quantity.sensible_at(high)
    assert not quantity.sensible_at(high + 1) and not quantity.sensible_at(low - 1)


@each_quantity
def test_a_keys_ending_says_its_unit(quantity: Quantity) -> None:
    endings = [end for end in SUFFIX if quantity.key.endswith(end)]
    if endings:
        assert quantity.unit == SUFFIX[max(endings, key=len)]


@each_choice
def test_a_choice_has_several_codes(choice: Choice) -> None:
    assert len(choice.codes) >= 2
    assert len(set(choice.codes)) == len(choice.codes)


def test_every_school_says_why_one_would_choose_it_and_every_finish_has_a_level() -> None:
    assert set(SCHOOLS) <= set(CHOICES)
    assert set(FINISH_LEVEL) == set(CHOICES["finish"].codes)
    assert FINISH_LEVEL["bright"] < FINISH_LEVEL["warm"] < FINISH_LEVEL["show_colour"]


@each_joint
def test_a_joint_asks_for_a_share_of_the_current_and_an_angle_of_the_torch(joint: Joint) -> None:
    assert 0.7 <= joint.current <= 1.3
    assert 30 <= joint.work_deg <= 90
    assert joint.crown >= 0
    if joint.fillet:
        assert joint.work_deg < 90, "between two plates, not over one"


@pytest.mark.parametrize("name", METALS)
def test_a_metal_has_fillers_and_figures_of_sense(name: str) -> None:
    metal = METALS[name]
    assert metal.fillers and set(metal.fillers) <= set(fillers())
    assert 0.3 <= metal.share_of_carbon <= 1.3
    assert 0 < metal.k_w_mm_k < 0.5
    assert metal.rise_k > 500
    assert metal.polarity == ("AC" if metal.family == "aluminium" else "DCEN")


def test_a_pair_is_ruled_by_its_stainless_side_and_filled_for_both() -> None:
    for name in PAIRS:
        stainless, carbon = name.split("+")
        pair = metal_of(name)
        assert pair.share_of_carbon == METALS[stainless].share_of_carbon
        assert pair.fillers == (DISSIMILAR_FILLER,)
        assert METALS[carbon].family == "carbon"
        assert metal_of("+".join(reversed(name.split("+")))) == pair


@pytest.mark.parametrize("name", ["", "lead", "304L+", "304L+aluminium", "carbon+304L+316L", "304L + carbon"])
def test_what_is_no_metal_and_no_pair_is_named(name: str) -> None:
    with pytest.raises(InvalidValue) as refused:
        metal_of(name)
    assert refused.value.field == "metal"


def test_a_large_torch_carries_more_than_a_small_one_cooled_alike() -> None:
    for small, large in ((9, 17), (20, 18)):
        assert TORCHES[small].small and not TORCHES[large].small
        assert TORCHES[small].rating_a < TORCHES[large].rating_a


@pytest.mark.parametrize("key", BANDS)
def test_a_band_goes_from_best_to_worst_and_its_scores_from_ten_to_none(key: str) -> None:
    band = BANDS[key]
    assert 0 < band.best < band.good < band.accepted < band.worst
    figures, scores = zip(*band.curve, strict=True)
    assert list(figures) == sorted(figures)
    assert list(scores) == sorted(scores, reverse=True)
    assert (scores[0], scores[-1]) == (10.0, 0.0)


def test_a_usual_gap_is_no_lapse_and_the_width_asked_for_lies_on_the_card() -> None:
    assert LAPSE_SHORT < 1 < LAPSE_LONG
    assert CARD_WIDTH_SHARE[0] < 1 < CARD_WIDTH_SHARE[1]


@given(st.sampled_from(list(QUANTITIES)), st.floats(allow_nan=True, allow_infinity=True))
def test_what_makes_sense_is_what_lies_between_the_limits(key: str, value: float) -> None:
    quantity = QUANTITIES[key]
    limits = quantity.makes_sense
    assert quantity.sensible_at(value) == (limits.low <= value <= limits.high)
