"""What a student logs of one run: the fields, in groups as they are asked for.

Only current and gas are needed; the rest is there for those who know it, and for whoever asks later why.
"""

from collections.abc import Mapping
from typing import Any

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, refuse_all
from judicum.core.fields import Fields, Flag, Several, Spec, Text
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.pulse import KEYS as PULSE_KEYS

Q = QUANTITIES
C = CHOICES
GROUPS: dict[str, tuple[Spec, ...]] = {
    "set": (
        Q["current_a"], Q["machine_a"], Q["gas_l_min"], Q["cup"], C["gas_part"], Q["stickout_mm"], C["polarity"],
        Q["preflow_s"], Q["downslope_s"], Q["postflow_s"],
    ),
    "tools": (
        C["technique"], C["filler_alloy"], Q["filler_mm"], C["electrode_kind"], Q["electrode_mm"], C["torch"],
        Q["start_current_a"],
    ),
    "pulse": tuple(Q[key] for key in PULSE_KEYS),
    "purge": (Q["purge_l_min"], Q["purge_wait_s"]),
    "hands": (
        Q["arc_s"], Q["travel_mm_s"], Q["dabs"], Q["work_angle_deg"], Q["travel_angle_deg"], Q["pass_number"],
        Several("restarts_mm", "Restarts at", Q["restart_mm"], 40),
    ),
    "noticed": (
        C["electrode_after"], C["rod_end"], C["arc"], Flag("puff_at_start", "Gas puffed at the start"),
        Flag("draught", "A draught"), Flag("part_hot", "Part still hot from before"),
    ),
    "note": (Text("note", "Note"),),
}  # fmt: skip
"""Groups of the log, in the order in which they are asked for."""
RUN = Fields(
    "a run",
    tuple(spec for group in GROUPS.values() for spec in group),
    required=("current_a", "gas_l_min"),
    sensible=True,
)


def check_run(values: Mapping[str, Any]) -> dict[str, Any]:
    """Check a logged run and return it with every field present (None if not given).

    Args:
        values: SI figures and choices by key.

    Raises:
        InvalidValues: every field that is unknown, missing or outside what makes sense.
    """
    clean = RUN.check(values)
    problems: list[InvalidValue] = []
    pulse = [clean[key] for key in PULSE_KEYS]
    if any(p is not None for p in pulse):
        problems += [InvalidValue(k, None, Q[k].limits) for k, p in zip(PULSE_KEYS, pulse, strict=True) if p is None]
    peak, background = clean["peak_a"], clean["background_a"]
    if peak is not None and background is not None and background > peak:
        problems.append(InvalidValue("background_a", background, f"no more than the peak of {peak:g} A"))
    refuse_all(problems)
    return clean | {"restarts_mm": clean["restarts_mm"] or []}
