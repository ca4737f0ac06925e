"""What a student logs of one run: the fields, their units and what is in any sense possible.

One table, read by validation, by the API's page of limits and by the log form. The limits are
those of sense, not of good practice: a figure outside is refused, one inside may still be bad.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from judicum.core.errors import InvalidValue, InvalidValues


@dataclass(frozen=True)
class RunField:
    """One logged figure or choice.

    `quantity` says how it is shown (`length` mm or thousandths, `flow` L/min or CFH, or plain);
    `low` to `high` in `unit` for figures, `choices` for choices; `step` is a sensible tap.
    """

    key: str
    quantity: str
    unit: str = ""
    low: float | None = None
    high: float | None = None
    step: float | None = None
    choices: tuple[str, ...] = ()
    required: bool = False

    @property
    def allowed(self) -> str:
        """What is allowed, in words for an error message."""
        if self.choices:
            return "one of " + ", ".join(self.choices)
        if self.quantity == "text":
            return f"text of at most {self.high:.0f} characters"
        return f"{self.low:g} to {self.high:g} {self.unit}".strip()


RUN_FIELDS: tuple[RunField, ...] = (
    RunField("current_a", "current", "A", 3, 500, 1, required=True),
    RunField("machine_a", "current", "A", 3, 500, 1),
    RunField("polarity", "choice", choices=("DCEN", "DCEP", "AC")),
    RunField("cup", "count", "", 3, 24, 1),
    RunField("gas_part", "choice", choices=("collet_body", "gas_lens", "double_mesh")),
    RunField("gas_l_min", "flow", "L/min", 1, 60, 0.5, required=True),
    RunField("stickout_mm", "length", "mm", 0, 40, 1),
    RunField(
        "electrode_kind",
        "choice",
        choices=("ceriated_2", "lanthanated_2", "lanthanated_1_5", "thoriated_2", "pure", "rare_earth_mix"),
    ),
    RunField("electrode_mm", "length", "mm", 0.5, 6.4, 0.4),
    RunField(
        "filler_alloy",
        "choice",
        choices=("none", "308L", "309L", "316L", "347", "ER70S", "4043", "5356", "titanium", "nickel"),
    ),
    RunField("filler_mm", "length", "mm", 0.5, 6.4, 0.2),
    RunField("preflow_s", "time", "s", 0, 20, 0.1),
    RunField("downslope_s", "time", "s", 0, 30, 0.5),
    RunField("postflow_s", "time", "s", 0, 60, 1),
    RunField("work_angle_deg", "angle", "°", 0, 180, 5),
    RunField("travel_angle_deg", "angle", "°", -45, 60, 5),
    RunField("travel_mm_s", "speed", "mm/s", 0.1, 20, 0.1),
    RunField("technique", "choice", choices=("dab", "lay_wire", "walk_cup", "fuse")),
    RunField("pass_number", "count", "", 1, 30, 1),
    RunField("note", "text", "", 0, 2000),
)


def check_run(values: Mapping[str, Any]) -> dict[str, Any]:
    """Check a logged run against `RUN_FIELDS` and return it with every field present (None if not given).

    Args:
        values: SI figures and choices by key.

    Raises:
        InvalidValues: every field that is unknown, missing or outside what is possible.
    """
    known = {field.key: field for field in RUN_FIELDS}
    problems = [InvalidValue(key, values[key], "one of the fields of a run") for key in values if key not in known]
    clean: dict[str, Any] = {}
    for field in RUN_FIELDS:
        value = values.get(field.key)
        if value is None or value == "":
            clean[field.key] = "" if field.quantity == "text" else None
            if field.required:
                problems.append(InvalidValue(field.key, value, field.allowed))
            continue
        clean[field.key] = value
        if not _possible(field, value):
            problems.append(InvalidValue(field.key, value, field.allowed))
    if problems:
        raise InvalidValues(problems)
    return clean


def _possible(field: RunField, value: Any) -> bool:
    if field.choices:
        return value in field.choices
    if field.quantity == "text":
        return isinstance(value, str) and len(value) <= (field.high or 0)
    if isinstance(value, bool) or not isinstance(value, (int, float)):
        return False
    assert field.low is not None and field.high is not None
    return field.low <= value <= field.high
