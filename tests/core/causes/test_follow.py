"""Whether the change that was asked for was made, and whether what it was asked for has gone."""

from typing import Any

import pytest

from judicum.core.causes import explain_case, followed, read_case, strengths
from judicum.core.causes.explain import MAX_HISTORY
from tests.core.causes.cases import bead, case, grey

POSTFLOW = {"key": "postflow_s", "from": 3.0, "to": 8.0}
GREY = {"grey_at_end": 0.8, "electrode_dull": 0.7}


def looked_at(change: dict[str, Any], before: dict[str, float] = GREY, **attempt: Any) -> tuple[str, Any, str]:
    found = followed(read_case(case(attempt.pop("measurement", None), **attempt)), change, before)
    return found.done, found.used, found.gone


@pytest.mark.parametrize(
    ("used", "done"), [(3.0, "not"), (4.0, "not"), (5.0, "partly"), (7.0, "done"), (8.0, "done"), (11.0, "done")]
)
def test_a_figure_is_changed_by_how_far_it_came_of_the_way(used: float, done: str) -> None:
    assert looked_at(POSTFLOW, run={"postflow_s": used})[:2] == (done, used)


def test_a_figure_that_had_to_come_down_is_looked_at_the_other_way_round() -> None:
    less = {"key": "current_a", "from": 80.0, "to": 46.0}
    assert looked_at(less, run={"current_a": 48})[0] == "done"
    assert looked_at(less, run={"current_a": 66})[0] == "partly"
    assert looked_at(less, run={"current_a": 82})[0] == "not"


def test_of_several_runs_the_one_furthest_off_counts() -> None:
    runs = [{"current_a": 47, "postflow_s": 8}, {"current_a": 47, "postflow_s": 4}]
    assert looked_at(POSTFLOW, runs=runs)[:2] == ("not", 4.0)


def test_what_was_not_logged_or_is_no_figure_cannot_be_said() -> None:
    assert looked_at(POSTFLOW, runs=[])[:2] == ("unknown", None)
    assert looked_at({"key": "hold", "from": None, "to": None})[0] == "unknown"


def test_a_step_of_the_list_is_done_where_it_was_ticked() -> None:
    wipe = {"key": "rod_wiped", "from": None, "to": None}
    assert looked_at(wipe, skipped=[])[0] == "done"
    assert looked_at(wipe, skipped=["rod_wiped"])[0] == "not"
    assert looked_at(wipe)[0] == "unknown"


def test_another_gas_part_is_done_where_it_was_fitted() -> None:
    lens = {"key": "gas_part", "from": "collet_body", "to": "gas_lens"}
    assert looked_at(lens, run={"gas_part": "gas_lens"})[:2] == ("done", "gas_lens")
    assert looked_at(lens, run={"gas_part": "collet_body"})[0] == "not"


def test_a_figure_without_an_old_one_is_done_within_its_range() -> None:
    only = {"key": "postflow_s", "from": None, "to": 8.0}
    assert looked_at(only, run={"postflow_s": 7})[0] == "done"
    assert looked_at(only, run={"postflow_s": 2})[0] == "not"


def test_a_symptom_has_gone_is_less_or_is_still_there() -> None:
    assert looked_at(POSTFLOW)[2] == "gone"
    whole = {"measurement": bead(along=grey((60, 80))), "looks": {"electrode_after": "dull"}}
    assert looked_at(POSTFLOW, **whole)[2] == "still"
    assert looked_at(POSTFLOW, measurement=bead(along=grey((76, 80))))[2] == "less"
    assert looked_at(POSTFLOW, before={})[2] == "unknown"
    refused = {"photo": "x.jpg", "refusal": {"code": "no_scale", "message": ""}}
    assert looked_at(POSTFLOW, measurement=refused)[2] == "unknown"


def test_only_symptoms_that_the_cause_explains_are_kept() -> None:
    found = explain_case(read_case(case(bead(along=grey((68, 80)), wavy=(0.5, 0.5)))))
    assert set(strengths(found.symptoms, ("grey_at_end", "crater"))) == {"grey_at_end"}


def test_what_was_confirmed_and_set_aside_tilts_the_start_and_is_said() -> None:
    from dataclasses import replace

    plain = read_case(case(bead(along=grey((68, 80)))))
    before = {one.code: one.share for one in explain_case(plain).causes}
    held = replace(
        plain, usual={"torch_pulled_early": 9}, rejected={"postflow_short": 5}, confirmed=("torch_pulled_early",)
    )
    after = {one.code: one for one in explain_case(held).causes}
    assert after["torch_pulled_early"].share > before["torch_pulled_early"]
    history = after["torch_pulled_early"].history
    assert (history.own, history.course, history.rejected) == (1, 9, 0)
    assert 0 < history.tilt <= MAX_HISTORY
    many = replace(plain, confirmed=("torch_pulled_early",) * 40)
    assert next(o for o in explain_case(many).causes if o.code == "torch_pulled_early").history.tilt == MAX_HISTORY
