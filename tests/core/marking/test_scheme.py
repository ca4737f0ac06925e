import copy
import json
from dataclasses import replace
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from judicum.core.errors import InvalidValues
from judicum.core.marking import CRITERIA, KNOCK_OUTS, SCHEMES, check_scores, read_scheme, total
from judicum.core.marking.readings import READERS

SIX = SCHEMES["six_lines"]
FULL: dict[str, float | None] = dict.fromkeys(SIX.keys, 8.0)
BODY = SCHEMES["training"].as_json()


def test_every_criterion_has_a_reader_and_its_options_are_those_of_its_choice() -> None:
    assert set(READERS) == set(CRITERIA) - {"overall"}
    from judicum.core.choices import CHOICES

    for key, criterion in CRITERIA.items():
        assert bool(criterion.curve) != bool(criterion.options)
        if criterion.options:
            assert set(criterion.options) == set(CHOICES[key].codes)


@pytest.mark.parametrize("code", SCHEMES)
def test_a_shipped_scheme_is_read_as_it_is_written(code: str) -> None:
    scheme = SCHEMES[code]
    assert read_scheme(scheme.as_json()).as_json() == scheme.as_json()
    assert sum(scheme.share(key) for key in scheme.keys) == pytest.approx(100, abs=0.5)
    assert set(scheme.knock_outs) <= set(KNOCK_OUTS)


def test_the_total_weighs_each_line() -> None:
    assert total(SIX, FULL) == 80
    assert total(SIX, {**FULL, "width_evenness": 10.0}) == pytest.approx(85)


@pytest.mark.parametrize("case", json.loads((Path(__file__).parents[2] / "cases" / "totals.json").read_text())["cases"])
def test_totals_are_those_that_the_page_shows_while_marking(case: dict[str, Any]) -> None:
    lines = tuple(replace(line, weight=weight) for line, weight in zip(SIX.lines, case["weights"], strict=False))
    scores = dict(zip((line.criterion.key for line in lines), case["scores"], strict=True))
    assert total(replace(SIX, lines=lines), scores) == case["total"]


def test_a_line_that_does_not_apply_gives_its_weight_to_the_others() -> None:
    assert total(SIX, {**FULL, "ripple_evenness": None}) == 80
    assert total(SIX, {**FULL, "ripple_evenness": None, "tint": 0.0}) == pytest.approx(60)


@pytest.mark.parametrize(
    ("key", "value"), [("tint", 10.5), ("tint", -0.5), ("tint", 7.25), ("tint", True), ("tint", "8")]
)
def test_scores_are_halves_from_0_to_10(key: str, value: object) -> None:
    with pytest.raises(InvalidValues, match=f"scores.{key}"):
        check_scores(SIX, {**FULL, key: value})  # type: ignore[dict-item]


def test_a_missing_or_unknown_line_is_refused() -> None:
    with pytest.raises(InvalidValues, match=r"scores\.tint"):
        check_scores(SIX, {k: v for k, v in FULL.items() if k != "tint"})
    with pytest.raises(InvalidValues, match=r"scores\.beauty"):
        check_scores(SIX, {**FULL, "beauty": 9.0})


def test_a_mark_needs_at_least_one_score() -> None:
    with pytest.raises(InvalidValues, match="at-least-one"):
        check_scores(SIX, dict.fromkeys(FULL))


def line(**changes: Any) -> dict[str, Any]:
    return {**BODY, "lines": [{"criterion": "tint", "weight": 10, **changes}]}


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ([], "scheme"),
        ({**BODY, "title": ""}, "title"),
        ({**BODY, "lines": []}, "lines"),
        ({**BODY, "colour": 1}, "colour"),
        ({**BODY, "pass_mark": 101}, "pass_mark"),
        ({**BODY, "knock_outs": ["ugly"]}, "knock_outs"),
        ({**BODY, "knock_outs": ["not_in_time"]}, "time_limit_s"),
        ({**BODY, "lines": BODY["lines"][:1] * 2}, r"lines\.1\.criterion"),
        (line(criterion="beauty"), r"lines\.0\.criterion"),
        (line(weight=0), r"lines\.0\.weight"),
        (line(weight=None), r"lines\.0\.weight"),
        (line(curve=[[0, 10]]), r"lines\.0\.curve"),
        (line(curve=[[1, 10], [0, 0]]), r"lines\.0\.curve"),
        (line(curve=[[0, 11], [1, 0]]), r"lines\.0\.curve"),
        (line(curve=[[0, True], [1, 0]]), r"lines\.0\.curve"),
        ({**BODY, "lines": [{"criterion": "face", "weight": 1, "options": {"flat": 10}}]}, r"lines\.0\.options"),
    ],
)
def test_what_is_no_scheme_is_refused_by_its_field(body: Any, field: str) -> None:
    with pytest.raises(InvalidValues, match=field):
        read_scheme(body)


def test_a_curve_and_options_of_one_s_own_are_kept() -> None:
    own = copy.deepcopy(BODY)
    own["lines"] = [
        {"criterion": "tint", "weight": 3, "curve": [[0, 10], [1, 0]]},
        {"criterion": "face", "weight": 1, "options": {"flat": 10, "convex": 5, "sunken": 0, "ropey": 0}},
    ]
    scheme = read_scheme(own)
    assert scheme.lines[0].curve == ((0, 10), (1, 0))
    assert scheme.lines[1].options["convex"] == 5
    assert scheme.share("tint") == 75


json_values = st.recursive(
    st.none() | st.booleans() | st.floats(allow_nan=False) | st.text(max_size=8),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.sampled_from(["title", "lines", "weight", "criterion", "curve"]), inner, max_size=4),
    max_leaves=12,
)  # fmt: skip


@given(json_values)
def test_any_json_is_a_scheme_or_refused(body: Any) -> None:
    try:
        found: object = read_scheme(body).lines
    except InvalidValues as error:
        found = error.problems
    assert found
