import pytest

from judicum.core.errors import InvalidValues
from judicum.core.setup import RUN, check_run, plan_card, run_from_card
from judicum.core.setup.gas import flow_band_l_min
from judicum.words.problems import allowed

GOOD = {"current_a": 62, "gas_l_min": 11.0}


def test_a_run_comes_back_with_every_field() -> None:
    run = check_run({**GOOD, "polarity": "DCEN"})
    assert list(run.as_columns()) == list(RUN.keys)
    assert (run.current_a, run.cup, run.note) == (62, None, "")


def test_every_wrong_field_is_named_with_what_was_given_and_what_is_allowed() -> None:
    with pytest.raises(InvalidValues) as refused:
        check_run({"current_a": 9000, "polarity": "backwards", "colour": "red"})
    said = {p.field: (p.given, allowed(p)) for p in refused.value.problems}
    assert said["current_a"] == (9000, "1 to 1000 A")
    assert said["polarity"] == ("backwards", "one of DCEN, DCEP, AC")
    assert said["colour"][1].startswith("one of current_a, ")
    assert said["gas_l_min"][0] is None


@pytest.mark.parametrize("value", [True, "62", float("nan"), float("inf"), [62], -1])
def test_what_is_no_possible_current_is_refused(value: object) -> None:
    with pytest.raises(InvalidValues):
        check_run({**GOOD, "current_a": value})


def test_the_limits_themselves_are_allowed() -> None:
    assert check_run({**GOOD, "gas_l_min": 60}).gas_l_min == 60
    with pytest.raises(InvalidValues):
        check_run({**GOOD, "gas_l_min": 60.1})


def test_a_collet_body_takes_more_flow_than_a_lens_for_the_same_cover() -> None:
    assert flow_band_l_min(10, "gas_lens") == pytest.approx((7.45, 9.0, 13.2))
    assert flow_band_l_min(10, "collet_body") == pytest.approx((10.0, 12.5, 17.5))


FLAT = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat", "technique": "dab"}


def test_the_run_that_follows_the_card_is_set_in_steps_of_a_machine() -> None:
    card = plan_card(FLAT)
    run = run_from_card(card)
    assert check_run(run.as_columns()) == run
    assert run.current_a == round(card.current_a.aim)
    assert (2 * run.gas_l_min).is_integer() and abs(run.gas_l_min - card.gas_l_min.aim) <= 0.25
    assert run.postflow_s.is_integer() and 0 <= run.postflow_s - card.postflow_s.aim < 1
    assert (run.technique, run.filler_alloy) == ("dab", "308L")


def test_a_fused_one_has_no_filler() -> None:
    run = run_from_card(plan_card({**FLAT, "technique": "fuse"}))
    assert (run.technique, run.filler_alloy, run.filler_mm) == ("fuse", "none", None)
