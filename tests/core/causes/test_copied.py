"""Logs that repeat the card: known by the person's logs together, and asked of once in a while."""

from dataclasses import replace

from judicum.core.causes.copied import ASKED, copied_keys, figure_to_read_off
from judicum.core.setup import plan_card, run_from_card
from judicum.core.setup.record import Run

CARD = plan_card({"metal": "304L", "joint": "butt", "thickness_mm": 1.5})
COPY = run_from_card(CARD)
SHORT = Run(current_a=COPY.current_a, gas_l_min=COPY.gas_l_min)
OWN = replace(COPY, current_a=57.0, gas_l_min=9.2, stickout_mm=6.5, preflow_s=0.7, postflow_s=5.0, travel_mm_s=2.05)


def test_a_log_that_equals_the_card_says_nothing() -> None:
    assert {"current_a", "gas_l_min", "postflow_s"} <= copied_keys(CARD, [COPY], [])
    assert copied_keys(CARD, [OWN], []) == frozenset()


def test_a_short_log_is_known_by_those_before() -> None:
    assert copied_keys(CARD, [SHORT], []) == frozenset()
    assert copied_keys(CARD, [SHORT], [(CARD, [COPY])]) == {"current_a", "gas_l_min"}
    assert copied_keys(CARD, [SHORT], [(CARD, [OWN]), (CARD, [OWN])]) == frozenset()


def test_one_figure_is_asked_for_now_and_then_of_those_who_copy() -> None:
    asked = [figure_to_read_off(number, [(CARD, [COPY])]) for number in range(1, 9)]
    assert asked[0::2] == [None] * 4
    assert set(asked[1::2]) == set(ASKED)
    assert [figure_to_read_off(number, [(CARD, [OWN])]) for number in range(1, 9)] == [None] * 8
    assert figure_to_read_off(2, []) is None
