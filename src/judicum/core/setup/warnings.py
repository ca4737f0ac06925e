"""What a card or a log is warned of: codes, how serious each is, and the figures that belong to it.

The sentences stand in `judicum.words.setup`.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field

SEVERITY: dict[str, str] = {
    "gauge_mismatch": "warn",
    "gas_unit_slip": "warn",
    "thickness_unit_slip": "warn",
    "torch_overload": "stop",
    "torch_part_mismatch": "stop",
    "gas_turbulent": "warn",
    "gas_low": "warn",
    "gas_high": "warn",
    "collet_body_on_stainless": "note",
    "cup_needs_second_mesh": "warn",
    "stickout_long": "warn",
    "filler_wrong_alloy": "stop",
    "filler_oversize": "warn",
    "free_machining_steel": "warn",
    "fused_aluminium": "stop",
    "polarity_wrong": "stop",
    "postflow_short": "warn",
    "preflow_short": "warn",
    "pulse_on_share_high": "note",
    "pulse_mean_off": "warn",
    "no_purge_on_bright_tube": "warn",
    "electrode_small": "stop",
    "angle_flat": "warn",
    "speed_out_of_range": "warn",
}

Figure = tuple[float, str]
"""A figure in SI and its kind (`quantities.Kind`, or a unit that is shown as it is)."""


@dataclass(frozen=True)
class Warned:
    """One warning: its figures by name, its codes (of choices, units, tables) by name.

    `key` is the field it is about where a deviation may say the same; `meant` the figure (SI) that a slip of
    units probably meant.
    """

    code: str
    figures: Mapping[str, Figure] = field(default_factory=dict)
    codes: Mapping[str, str] = field(default_factory=dict)
    key: str | None = None

    @property
    def severity(self) -> str:
        """stop, warn or note."""
        return SEVERITY[self.code]

    @property
    def meant(self) -> float | None:
        return self.figures["meant"][0] if self.code == "gas_unit_slip" else None
