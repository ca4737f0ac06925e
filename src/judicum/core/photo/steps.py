"""The steps of a correction by hand: what each one holds, and checking it.

A step is a plain dictionary with its kind in `step`.
"""

import math
from collections.abc import Mapping
from typing import Any

from judicum.core.errors import InvalidValue
from judicum.core.photo.fault_kinds import FAULT_KINDS

REACH_MM = 4.0
STEPS: dict[str, dict[str, tuple[float, float] | tuple[str, ...]]] = {
    "move_toe": {"side": ("left", "right"), "s_mm": (0, 1000), "n_mm": (-20, 20), "reach_mm": (1, 60)},
    "move_end": {"end": ("start", "end"), "s_mm": (-20, 1000)},
    "start_at_other_end": {},
    "add_fault": {"kind": FAULT_KINDS, "s_mm": (0, 1000), "n_mm": (-20, 20), "size_mm": (0.1, 200)},
    "remove_fault": {"kind": FAULT_KINDS, "s_mm": (0, 1000), "n_mm": (-20, 20)},
    "add_front": {"s_mm": (0, 1000)},
    "remove_front": {"s_mm": (0, 1000)},
    "no_ripples": {},
}
"""What each step holds: limits in mm of a figure, or the words allowed."""
Step = dict[str, Any]


def check_step(given: Mapping[str, Any]) -> Step:
    """A step with all its fields, numbers as floats, `reach_mm` filled in.

    Raises:
        InvalidValue: no such step, a field missing, unknown or outside what is possible.
    """
    name = given.get("step")
    if name not in STEPS:
        raise InvalidValue("step", name, "one of " + ", ".join(STEPS))
    fields = STEPS[name]
    for key in given:
        if key != "step" and key not in fields:
            raise InvalidValue(key, given[key], f"only {', '.join(fields) or 'nothing'} for {name}")
    clean: Step = {"step": name}
    for key, allowed in fields.items():
        value = given.get(key, REACH_MM if key == "reach_mm" else None)
        if isinstance(allowed[0], str):
            if value not in allowed:
                raise InvalidValue(key, value, "one of " + ", ".join(map(str, allowed)))
            clean[key] = value
        else:
            low, high = float(allowed[0]), float(allowed[1])
            number = isinstance(value, (int, float)) and not isinstance(value, bool) and math.isfinite(value)
            if not number or not low <= float(value) <= high:
                raise InvalidValue(key, value, f"{low:g} to {high:g} mm")
            clean[key] = round(float(value), 3)
    return clean
