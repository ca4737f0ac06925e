"""The steps of a correction by hand: what each one holds, and checking it.

A step is kept as JSON, its kind in `step`.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from judicum.core.choices import Choice
from judicum.core.errors import InvalidValue, one_of
from judicum.core.fields import Fields
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.quantities import Quantity

REACH_MM = 4.0


def _mm(key: str, low: float, high: float) -> Quantity:
    return Quantity(key, "length", "mm", low, high, 0.1)


S = _mm("s_mm", 0, 1000)
N = _mm("n_mm", -20, 20)
SIZE = _mm("size_mm", 0.1, 200)
KIND = Choice("kind", tuple(FAULT_KINDS))
_TABLE = {
    "move_toe": (Choice("side", ("left", "right")), S, N, _mm("reach_mm", 1, 60)),
    "move_end": (
        Choice("end", ("start", "end")),
        _mm("s_mm", -20, 1000),
    ),
    "start_at_other_end": (),
    "add_fault": (KIND, S, N, SIZE),
    "remove_fault": (KIND, S, N),
    "add_front": (S,),
    "remove_front": (S,),
    "no_ripples": (),
}
STEPS: dict[str, Fields] = {
    name: Fields(name, specs, tuple(s.key for s in specs if s.key != "reach_mm")) for name, specs in _TABLE.items()
}
"""What each step holds."""


@dataclass(frozen=True)
class Step:
    """One step: its kind, and those of the other fields that its kind has (`STEPS`); mm in the frame that the step before left."""

    step: str
    side: str = ""
    end: str = ""
    kind: str = ""
    s_mm: float = 0.0
    n_mm: float = 0.0
    size_mm: float = 0.0
    reach_mm: float = REACH_MM

    def as_json(self) -> dict[str, str | float]:
        """As it is kept: the fields of its kind."""
        return {"step": self.step, **{key: getattr(self, key) for key in STEPS[self.step].keys}}


def check_step(given: Mapping[str, object]) -> Step:
    """A step from JSON values, as given or as kept: figures to 1 µm, `reach_mm` filled in.

    Raises:
        InvalidValues: no such step, a field missing, unknown or outside what is possible.
    """
    name = given.get("step")
    if not isinstance(name, str) or name not in STEPS:
        raise InvalidValue("step", name, one_of(STEPS))
    clean = STEPS[name].check({key: value for key, value in given.items() if key != "step"})
    rounded: dict[str, Any] = {k: round(v, 3) if isinstance(v, float) else v for k, v in clean.items() if v is not None}
    return Step(name, **rounded)
