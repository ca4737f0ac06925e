import pytest

from judicum.core.errors import InvalidValues
from judicum.core.marking import CRITERIA, check_scores, total

FULL = {c.key: 8.0 for c in CRITERIA}


def test_weights_make_a_hundred() -> None:
    assert sum(c.weight for c in CRITERIA) == 100


def test_the_total_weighs_each_line() -> None:
    assert total(FULL) == 80
    assert total({**FULL, "width_evenness": 10.0}) == pytest.approx(85)


def test_a_line_that_does_not_apply_gives_its_weight_to_the_others() -> None:
    assert total({**FULL, "ripple_evenness": None}) == 80
    assert total({**FULL, "ripple_evenness": None, "tint": 0.0}) == pytest.approx(60)


@pytest.mark.parametrize(
    ("key", "value"), [("tint", 10.5), ("tint", -0.5), ("tint", 7.25), ("tint", True), ("tint", "8")]
)
def test_scores_are_halves_from_0_to_10(key: str, value: object) -> None:
    with pytest.raises(InvalidValues, match=f"scores.{key}"):
        check_scores({**FULL, key: value})  # type: ignore[dict-item]


def test_a_missing_or_unknown_line_is_refused() -> None:
    with pytest.raises(InvalidValues, match=r"scores\.tint"):
        check_scores({k: v for k, v in FULL.items() if k != "tint"})
    with pytest.raises(InvalidValues, match=r"scores\.beauty"):
        check_scores({**FULL, "beauty": 9.0})


def test_a_mark_needs_at_least_one_score() -> None:
    with pytest.raises(InvalidValues, match="at least one"):
        check_scores(dict.fromkeys(FULL))
