"""One table of quantities and choices, one way to check what is given."""

import re
from pathlib import Path

import pytest

import judicum
from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, InvalidValues
from judicum.core.fields import Fields, Flag, Several, Text
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import check_run

SOURCE = Path(judicum.__file__).parent
THING = Fields(
    "a thing",
    (QUANTITIES["current_a"], QUANTITIES["dabs"], CHOICES["torch"], Text("note", 5), Flag("hot"),
     Several("at", QUANTITIES["restart_mm"], 2)),
    required=("current_a",),
)  # fmt: skip


def test_what_is_not_given_is_none_and_text_is_empty() -> None:
    assert THING.check({"current_a": 60, "dabs": None, "note": ""}) == {
        "current_a": 60, "dabs": None, "torch": None, "note": "", "hot": None, "at": None,
    }  # fmt: skip


@pytest.mark.parametrize(
    ("field", "value"),
    [
        ("current_a", "60"), ("current_a", True), ("current_a", float("nan")), ("current_a", 1001), ("dabs", 2.5), ("dabs", "2"),
        ("dabs", True), ("torch", 12), ("torch", "17"), ("note", "longer"), ("hot", "yes"), ("hot", 1), ("at", [1, 2, 3]), ("at", 4), ("odd", 1),
    ],
)  # fmt: skip
def test_what_is_no_such_value_is_named_with_what_is_allowed(field: str, value: object) -> None:
    with pytest.raises(InvalidValue) as refused:
        THING.check({"current_a": 60, field: value})
    assert (refused.value.field, refused.value.given) == (field, value) or value != value
    assert refused.value.allowed


def test_whole_figures_may_come_as_json_writes_them() -> None:
    assert THING.check({"current_a": 60, "dabs": 12.0, "torch": 17, "at": [1.5, 20]})["dabs"] == 12


def test_everything_wrong_is_said_at_once() -> None:
    with pytest.raises(InvalidValues) as refused:
        THING.check({"dabs": -1, "odd": 2})
    assert {p.field for p in refused.value.problems} == {"current_a", "dabs", "odd"}


@pytest.mark.parametrize("given", [None, [], "x", 3])
def test_what_is_no_object_is_refused(given: object) -> None:
    with pytest.raises(InvalidValue, match="allowed-object"):
        THING.check(given)


def test_every_quantity_is_whole_in_itself() -> None:
    for key, quantity in QUANTITIES.items():
        assert quantity.low < quantity.high and quantity.step > 0, key
        low, high = quantity.sensible or (quantity.low, quantity.high)
        assert quantity.low <= low < high <= quantity.high, key
        if quantity.unit in ("mm", "s", "A"):
            assert key.endswith("_" + quantity.unit.lower()), key


def test_a_run_keeps_a_pulse_whole_or_not_at_all() -> None:
    good = {"current_a": 60, "gas_l_min": 10}
    pulse = {"peak_a": 120, "background_a": 20, "on_share": 0.3, "per_second": 1}
    assert check_run(good | pulse).peak_a == 120
    with pytest.raises(InvalidValues) as refused:
        check_run(good | {"peak_a": 120})
    assert {p.field for p in refused.value.problems} == {"background_a", "on_share", "per_second"}
    with pytest.raises(InvalidValue, match="no-more-than-the-peak"):
        check_run(good | pulse | {"background_a": 130})


def test_every_source_key_resolves_in_the_references() -> None:
    known = set(re.findall(r"^\| `([\w-]+)` \|", (SOURCE.parents[1] / "docs" / "references.md").read_text(), re.M))
    for file in SOURCE.rglob("*.py"):
        for key in re.findall(r"\[src: ([\w-]+)\]", file.read_text()):
            assert key in known, f"{file.name}: {key}"
