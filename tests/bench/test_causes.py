"""The test set of causes: every habit can be welded and drawn, and a habit leaves its mark."""

import numpy as np
import pytest

from judicum.bench.causes import Diagnosis, find, report_of, welders
from judicum.camera import weld
from judicum.camera.habits import HABITS, NOT_DRAWN, Habit
from judicum.camera.logbook import aims_of, run_of
from judicum.camera.welders import COUPONS, Welder, case_of
from judicum.core.causes import CAUSES, explain
from judicum.core.setup import plan_card

CARD = plan_card(COUPONS["butt"])


@pytest.mark.parametrize("code", HABITS)
def test_a_habit_changes_the_bead_the_log_or_what_is_noted(code: str) -> None:
    habit = HABITS[code]
    scene, case = case_of(Welder((code,), 17))
    assert scene.bead is not None
    plain = Habit(coupon=habit.coupon)
    assert habit != plain
    assert explain({**case, "measurement": None}).sound in (None, False, True)
    assert set(habit.skipped) <= set(case.get("skipped", habit.skipped))


def test_the_same_seed_welds_the_same_bead() -> None:
    one, other = case_of(Welder(("pedal_pumping",), 5)), case_of(Welder(("pedal_pumping",), 5))
    assert one[1] == other[1]
    assert one[0].bead is not None and other[0].bead is not None
    assert np.array_equal(one[0].bead.half_mm, other[0].bead.half_mm)


def test_a_run_lies_near_what_the_card_aims_at_but_for_the_habit() -> None:
    rng = np.random.default_rng(3)
    aims = aims_of(CARD)
    plain = run_of(rng, CARD, [])
    assert all(plain[key] == pytest.approx(aim, rel=0.15) for key, aim in aims.items())
    short = run_of(rng, CARD, [(HABITS["postflow_short"], 1.0)])
    assert short["postflow_s"] == pytest.approx(0.25 * aims["postflow_s"])


def test_a_growing_film_is_darker_at_its_end() -> None:
    rng = np.random.default_rng(1)
    bead = weld(
        rng, length_mm=80, width_mm=4, width_cv=0.03, pitch_mm=2.2, pitch_cv=0.06, wander_mm=0.05, bead_level=2, zone_level=3
    )  # fmt: skip
    grown = HABITS["no_taper"].bead(rng, bead, 1.0)  # type: ignore[misc]
    assert grown.film_rise_nm > 0
    assert grown.half_mm[-1] > 1.2 * grown.half_mm[0]


def test_one_welder_is_found_from_photo_to_cause() -> None:
    found = find(Welder(("postflow_short",), 11))
    assert found.causes[:1] == ("postflow_short",)
    assert "grey_at_end" in found.seen


def test_the_table_counts_what_was_found_and_what_was_invented() -> None:
    done = [
        Diagnosis(Welder(("flow_low",), 1), ("flow_low", "dirty_cup"), ("grey_all_along",), False),
        Diagnosis(Welder(("flow_low",), 2, True), ("dirty_cup", "flow_low"), ("grey_all_along",), False),
        Diagnosis(Welder((), 3), (), (), False),
        Diagnosis(Welder((), 4), ("draught",), ("pores",), False),
        Diagnosis(Welder(("flow_low", "no_taper"), 5), ("draught", "no_taper", "flow_low"), ("pores",), False),
    ]
    text = report_of(done)
    assert "on top 0.50, among three 1.00" in text
    assert "a cause invented for 1" in text
    assert "| `flow_low` | 1 of 2 | 2 | dirty_cup 1 | grey_all_along 2 |" in text

    assert "1 with two habits: both among three 1.00, one of them on top 0.00" in text
    assert "1 with one habit and a copied log: on top 0.00, among three 1.00" in text


def test_an_evening_class_has_second_habits_and_copied_logs_and_the_usual_one_has_neither() -> None:
    plain, evening = (welders(2, 3, of) for of in (False, True))
    assert {len(one.habits) for one in plain} == {0, 1}
    assert not any(one.copies for one in plain)
    assert 0.2 < np.mean([len(one.habits) == 2 for one in evening]) < 0.45
    copied = next(one for one in evening if one.copies)
    run, aims = case_of(copied)[1]["runs"][0], aims_of(plan_card(COUPONS[HABITS[copied.habits[0]].coupon]))
    assert {key: run[key] for key in aims} == aims


def test_every_cause_has_a_habit() -> None:
    assert set(HABITS) == set(CAUSES) - NOT_DRAWN
