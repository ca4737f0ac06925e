"""Trials: the plan on the blank, which bead is which, what the beads say, and what carries over."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.errors import InvalidValues
from judicum.core.photo.places import TOLERANCE_MM, places_across
from judicum.core.setup import read_coupon
from judicum.core.setup.card import card_of
from judicum.core.trial import VARIED, BeadSeen, Wanted, carried, judge, match_beads, proposals, read_trial
from judicum.core.trial.plan import FIRST_APART, MIN_SPACING_MM

BUTT = read_coupon({"metal": "304L", "joint": "butt", "thickness_mm": 1.5})
TUBE = {"metal": "304L", "joint": "turntable", "thickness_mm": 1.5, "form": "tube"}
WANTED = Wanted(3.5, 4.7, 3)
AMPS = {"varied": "current_a", "low": 38, "high": 68, "beads": 5}


@pytest.mark.parametrize(
    ("given", "field"),
    [
        ({"varied": "luck"}, "varied"),
        ({"varied": "current_a", "low": 60, "high": 40, "beads": 4}, "low"),
        ({"varied": "current_a", "low": 40, "high": 60}, "beads"),
        ({"varied": "current_a", "low": 40, "high": 60, "beads": 1}, "beads"),
        ({"varied": "current_a", "low": 40, "high": 60, "beads": 12}, "beads"),
        ({"varied": "gas_l_min", "low": 8, "high": 900, "beads": 3}, "high"),
        ({"varied": "current_a", "values": [50]}, "values"),
        ({"varied": "current_a", "values": [50, "many"]}, "values"),
        ({"varied": "gas_part", "values": ["gas_lens"]}, "values"),
        ({"varied": "gas_part", "values": ["gas_lens", "sieve"]}, "values"),
        ({**AMPS, "blank_length_mm": 600}, "blank_length_mm"),
        ({**AMPS, "blank_width_mm": 20}, "blank_width_mm"),
        ({**AMPS, "blank_length_mm": 40}, "beads"),
    ],
)
def test_a_trial_that_makes_no_sense_is_refused_by_its_field(given: dict, field: str) -> None:
    with pytest.raises(InvalidValues) as refused:
        read_trial(given)
    assert [one.field for one in refused.value.problems] == [field]


def test_a_choice_is_tried_as_it_stands() -> None:
    trial = read_trial({"varied": "gas_part"})
    assert [line.value for line in trial.lines] == ["gas_lens", "collet_body", "double_mesh"]


@given(st.integers(2, 8), st.floats(30, 60), st.floats(1.05, 2.5))
def test_lines_lie_apart_on_the_blank_and_the_first_apart_from_the_rest(beads: int, low: float, ratio: float) -> None:
    trial = read_trial({"varied": "current_a", "low": low, "high": low * ratio, "beads": beads, "blank_length_mm": 120})
    at = [line.at_mm for line in trial.lines]
    gaps = np.diff(at)
    assert at[0] > 5
    assert at[-1] < 115
    assert gaps.min() >= MIN_SPACING_MM - 0.2
    assert gaps[0] == pytest.approx(FIRST_APART * gaps[-1], abs=0.3) or len(gaps) == 1
    assert sorted(line.turn for line in trial.lines) == list(range(1, len(at) + 1))
    values = [line.value for line in trial.lines]
    assert values == sorted(values)


def test_everything_that_the_card_proposes_can_be_tried() -> None:
    for coupon, od in ((BUTT, None), (read_coupon({**TUBE, "tube_od_mm": 48.3}), 48.3)):
        found = proposals(card_of(coupon), od, pulsed=True)
        assert {one.key for one in found} == {*VARIED} - ({"turntable_rpm"} if od is None else set()) - (
            set() if card_of(coupon).dabs_per_s else {"dabs_per_s"}
        )
        for one in found:
            asked = (
                {"varied": one.key, "low": one.low, "high": one.high, "beads": 3} if one.low else {"varied": one.key}
            )
            assert len(read_trial(asked, od).lines) >= 2, one


LINES = [line.at_mm for line in read_trial({**AMPS, "beads": 6}).lines]


@given(
    st.sets(st.integers(0, 5), max_size=2),
    st.floats(-50, 50),
    st.booleans(),
    st.lists(st.floats(-1.2, 1.2), min_size=6, max_size=6),
)
def test_beads_are_known_by_place_however_the_photo_is_held(
    gone: set[int], shift: float, turned: bool, off: list[float]
) -> None:
    there = [k for k in range(6) if k not in gone]
    seen = [(-1 if turned else 1) * (LINES[k] + off[k]) + shift for k in there]
    found = match_beads(LINES, seen)
    if found.sure:
        assert found.beads == {k + 1: n for n, k in enumerate(there)}
        assert found.missing == tuple(k + 1 for k in range(6) if k in gone)
    else:  # only where the bead that lies apart, or one beside it, is what is missing
        assert gone


def test_a_scratch_far_off_is_no_bead_of_the_trial() -> None:
    found = match_beads(LINES, [*LINES, LINES[-1] + 3 * TOLERANCE_MM + MIN_SPACING_MM])
    assert found.missing == ()
    assert found.extra == (6,)


def test_one_bead_alone_cannot_be_known() -> None:
    assert not match_beads(LINES, [10.0]).sure
    assert match_beads(LINES, []).beads == {}


def test_places_across_do_not_ask_how_the_card_lies() -> None:
    from judicum.core.photo.report import BeadFigures, Sides, WidthFigures

    width = WidthFigures(mean=4, sd=0.1, cv=0.03, min=3.8, max=4.2, uncertainty=0.05)

    def bead(at: float, turn: float, swapped: bool) -> BeadFigures:
        along, across = (np.array([math.cos(turn + a), math.sin(turn + a)]) for a in (0, math.pi / 2))
        ends = [(across * at + along * s).tolist() for s in ((18, -18) if swapped else (-18, 18))]
        sides = Sides(left=0.1, right=0.1)
        return BeadFigures(start_mm=ends[0], end_mm=ends[1], length_mm=36, width_mm=width, straightness_mm=0.1, toe_waviness_mm=sides)  # fmt: skip

    for turn in (0.0, 0.4, 1.5, 3.0):
        places = places_across([bead(at, turn, k % 2 == 1) for k, at in enumerate(LINES)])
        assert np.abs(np.diff(places)) == pytest.approx(np.diff(LINES), abs=0.01)


def bead(number: int, value: float | str, width: float, level: int | None = 2, **more: object) -> BeadSeen:
    return BeadSeen(number, value, width, 0.08, 0.05, level, level, 2.5, 0.1, **more)  # type: ignore[arg-type]


def rising(low: float = 38, high: float = 68, rng: np.random.Generator | None = None, count: int = 5) -> list[BeadSeen]:
    """Beads of a hand whose width and tint grow with amps, as wanted from 47 to 65 A."""
    found = []
    for k in range(count):
        value = low * (high / low) ** (k / (count - 1))
        noise = rng.normal(0, 1, 2) if rng else np.zeros(2)
        width = 3.9 * (value / 53) ** 0.9 * math.exp(0.05 * noise[0])
        level = int(np.clip(round(2 + 6 * math.log(value / 53) + 0.5 * noise[1]), 0, 7))
        found.append(bead(k + 1, value, width, level))
    return found


def test_the_best_lies_where_width_and_tint_are_wanted_and_says_how_surely() -> None:
    found = judge(VARIED["current_a"], rising(), WANTED)
    assert found is not None
    assert found.why == "between"
    assert found.low < 52 < found.high  # type: ignore[operator]
    assert 50 <= found.best <= 60  # type: ignore[operator]
    assert [one.seen for one in found.beads] == ["narrow", "narrow", "as_wanted", "as_wanted", "wide"]


def test_the_best_of_noisy_trials_is_good() -> None:
    rng = np.random.default_rng(8)
    found = [judge(VARIED["current_a"], rising(rng=rng, count=int(rng.integers(4, 8))), WANTED) for _ in range(200)]
    best = np.array([one.best for one in found if one and one.best is not None], float)
    assert len(best) > 195
    assert ((best > 47) & (best < 65)).mean() > 0.97


@pytest.mark.parametrize(("low", "high", "why"), [(70, 110, "none_low"), (20, 33, "none_high")])
def test_where_nothing_fits_it_says_which_way(low: float, high: float, why: str) -> None:
    found = judge(VARIED["current_a"], rising(low, high), WANTED)
    assert (found.best, found.why) == (None, why)  # type: ignore[union-attr]


def test_faster_is_the_other_way_round() -> None:
    slow_ones = [bead(k, v, w, 5) for k, (v, w) in enumerate(((1.0, 7.5), (1.2, 6.9), (1.4, 6.5)), 1)]
    assert judge(VARIED["travel_mm_s"], slow_ones, WANTED).why == "none_high"  # type: ignore[union-attr]


def test_two_of_one_sort_are_not_told_apart_by_a_tenth_of_a_millimetre() -> None:
    lens, body = bead(1, "gas_lens", 4.0), bead(2, "collet_body", 4.1)
    assert judge(VARIED["gas_part"], [lens, body], WANTED).why == "alike"  # type: ignore[union-attr]
    grey = bead(2, "collet_body", 4.1, 7)
    found = judge(VARIED["gas_part"], [lens, grey], WANTED)
    assert (found.best, found.why) == ("gas_lens", "better")  # type: ignore[union-attr]
    assert judge(VARIED["gas_part"], [lens], WANTED) is None


def test_post_flow_is_where_the_end_begins_to_stay_bright_and_two_seconds_more() -> None:
    beads = [
        bead(k, s, 4.0, 1, faults=("crater",) if s < 6 else ()) for k, s in enumerate((2.0, 4.0, 6.0, 8.0, 10.0), 1)
    ]
    found = judge(VARIED["postflow_s"], beads, WANTED)
    assert 6.5 <= found.best <= 9  # type: ignore[union-attr, operator]


def test_a_metal_without_tints_is_judged_by_width() -> None:
    beads = [bead(one.number, one.value, one.width_mm, None) for one in rising()]
    assert 50 <= judge(VARIED["current_a"], beads, WANTED).best <= 60  # type: ignore[union-attr, operator]


def test_what_carries_over_and_what_does_not() -> None:
    thick = read_coupon({"metal": "304L", "joint": "butt", "thickness_mm": 2.0})
    assert carried("current_a", 50.0, BUTT, thick) == pytest.approx(50 * (2.0 / 1.5) ** 0.8, abs=0.2)
    assert carried("gas_part", "double_mesh", BUTT, thick) is None
    assert carried("gas_part", "double_mesh", BUTT, BUTT) == "double_mesh"
    carbon = read_coupon({"metal": "carbon", "joint": "butt", "thickness_mm": 1.5})
    assert carried("current_a", 50.0, BUTT, carbon) is None
    small, large = (read_coupon({**TUBE, "tube_od_mm": od}) for od in (48.3, 76.1))
    assert carried("turntable_rpm", 0.8, small, large) == pytest.approx(0.8 * 48.3 / 76.1, abs=0.001)
    assert carried("turntable_rpm", 0.8, BUTT, large) is None
