"""What a card or a log is warned of: codes, how serious each is, and what it says."""

from dataclasses import dataclass

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


@dataclass(frozen=True)
class Warned:
    """One warning; `severity` is stop, warn or note. `meant` is the figure (SI) that a slip of units probably meant."""

    code: str
    message: str
    meant: float | None = None

    @property
    def severity(self) -> str:
        return SEVERITY[self.code]

    def as_json(self) -> dict[str, str | float]:
        """The warning as the contract prints it, with `meant` where there is one."""
        told: dict[str, str | float] = {"code": self.code, "severity": self.severity, "message": self.message}
        return told if self.meant is None else {**told, "meant": self.meant}
