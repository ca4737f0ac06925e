"""Every figure a person types or reads: its unit, what may be typed, how far one tap goes.

One table. The columns of a run, every check of input, the card, steppers, forms and the page's limits
all read it. `low` to `high` is what makes sense at all, not what is good practice.
"""

from dataclasses import dataclass
from typing import Literal

from judicum.core.errors import Limits

Kind = Literal[
    "length", "size", "flow", "speed", "pressure", "current", "time", "angle", "count", "share", "rate", "plain"
]  # fmt: skip
"""How a figure is shown: lengths, sizes (of what is bought), flows, speeds and pressures change with the person's units."""


@dataclass(frozen=True)
class Quantity:
    """One figure by its key, which ends in the SI unit.

    `low` to `high` may be typed; `sensible` (None: the same) is narrower where a figure outside of it must be
    explained by another unit, or is refused. `step` is one tap of a stepper. `whole` figures have no fraction.
    """

    key: str
    kind: Kind
    unit: str
    low: float
    high: float
    step: float = 1.0
    whole: bool = False
    sensible: tuple[float, float] | None = None

    @property
    def limits(self) -> Limits:
        """What may be typed, for an error message."""
        return Limits(self.low, self.high, self.kind, self.unit, self.whole)

    @property
    def makes_sense(self) -> Limits:
        """What makes sense in this unit."""
        low, high = self.sensible or (self.low, self.high)
        return Limits(low, high, self.kind, self.unit, self.whole)

    def sensible_at(self, value: float) -> bool:
        """Whether a figure makes sense in this unit."""
        low, high = self.sensible or (self.low, self.high)
        return low <= value <= high


def _amps(key: str, low: float = 1) -> Quantity:
    # From the least that holds an arc to the most any practice machine gives.
    return Quantity(key, "current", "A", low, 1000)


_TABLE = (
    _amps("current_a"),
    _amps("machine_a"),
    _amps("start_current_a"),
    _amps("peak_a"),
    _amps("background_a", 0),
    Quantity("on_share", "share", "", 0.01, 0.99, 0.05),
    Quantity("per_second", "rate", "1/s", 0.1, 5000, 0.1),
    Quantity("cup", "count", "", 3, 24),
    Quantity("gas_l_min", "flow", "L/min", 0.01, 4000, 0.5, sensible=(1, 60)),
    Quantity("gas_cfh", "plain", "CFH", 0.01, 8500, 1, sensible=(2, 127)),
    Quantity("cup_flow_l_min", "flow", "L/min", 1, 60, 0.5),
    Quantity("purge_l_min", "flow", "L/min", 0.2, 60, 0.5),
    Quantity("purge_wait_s", "time", "s", 0, 7200, 5),
    Quantity("stickout_mm", "length", "mm", 0, 60),
    Quantity("arc_length_mm", "length", "mm", 0, 20, 0.5),
    Quantity("electrode_mm", "size", "mm", 0.5, 6.4, 0.4),
    Quantity("filler_mm", "size", "mm", 0.5, 6.4, 0.2),
    Quantity("preflow_s", "time", "s", 0, 60, 0.1),
    Quantity("downslope_s", "time", "s", 0, 60, 0.5),
    Quantity("postflow_s", "time", "s", 0, 120),
    Quantity("work_angle_deg", "angle", "°", 0, 180, 5),
    Quantity("travel_angle_deg", "angle", "°", -45, 90, 5),
    Quantity("filler_angle_deg", "angle", "°", 0, 90, 5),
    Quantity("travel_mm_s", "speed", "mm/s", 0.05, 50, 0.1),
    Quantity("dab_pitch_mm", "length", "mm", 0.2, 20, 0.1),
    Quantity("dabs_per_s", "rate", "1/s", 0.05, 10, 0.1),
    Quantity("turntable_rpm", "plain", "1/min", 0.01, 60, 0.05),
    Quantity("beads", "count", "", 2, 12, whole=True),
    Quantity("arc_s", "time", "s", 0.1, 3600),
    Quantity("dabs", "count", "", 0, 2000, whole=True),
    Quantity("pass_number", "count", "", 1, 30, whole=True),
    Quantity("pass", "count", "", 1, 30, whole=True),
    Quantity("passes", "count", "", 1, 12, whole=True),
    Quantity("seams_planned", "count", "", 1, 24, whole=True),
    Quantity("dabs_per_run", "count", "", 2, 200, whole=True),
    Quantity("arc_diameters", "plain", "", 0.1, 6, 0.25),
    Quantity("cooled_s", "time", "s", 0, 7200, 10),
    Quantity("tacks", "count", "", 0, 60, whole=True),
    _amps("tack_a"),
    Quantity("backing_mm", "size", "mm", 0.5, 100),
    _amps("min_a"),
    _amps("max_a"),
    _amps("start_min_a"),
    _amps("mains_a"),
    Quantity("pulse_max_per_second", "rate", "1/s", 0.1, 5000, 1),
    Quantity("turn_s", "time", "s", 1, 3600, 1),
    Quantity("mean_a", "current", "A", 1, 1000),
    Quantity("restart_mm", "length", "mm", 0, 2000, 0.5),
    Quantity("thickness_mm", "size", "mm", 0.01, 300, 0.1, sensible=(0.2, 25)),
    Quantity("second_thickness_mm", "size", "mm", 0.2, 50, 0.1),
    Quantity("tube_od_mm", "size", "mm", 4, 1000, 0.1),
    Quantity("bore_length_mm", "size", "mm", 10, 20000, 10),
    Quantity("bore_mm", "size", "mm", 3, 1000),
    Quantity("target_width_mm", "length", "mm", 1, 25, 0.1),
    Quantity("leg_mm", "length", "mm", 0.5, 20, 0.1),
    Quantity("length_mm", "size", "mm", 5, 5000, 5),
    Quantity("gauge", "count", "", 10, 24, whole=True),
    Quantity("leg_upper_mm", "length", "mm", 0, 50, 0.1),
    Quantity("leg_lower_mm", "length", "mm", 0, 50, 0.1),
    Quantity("throat_mm", "length", "mm", 0, 50, 0.1),
    Quantity("distortion_mm", "length", "mm", 0, 200, 0.5),
    Quantity("distortion_deg", "angle", "°", 0, 90, 0.5),
    Quantity("time_taken_s", "time", "s", 1, 86400, 10),
    Quantity("time_limit_s", "time", "s", 10, 86400, 10),
    Quantity("part_c", "plain", "°C", -30, 900, 5),
    Quantity("width_mm", "length", "mm", 0.1, 40, 0.1),
    Quantity("width_start_mm", "length", "mm", 0.1, 40, 0.1),
    Quantity("width_end_mm", "length", "mm", 0.1, 40, 0.1),
    Quantity("zone_mm", "length", "mm", 0, 100, 0.1),
    Quantity("grey_end_mm", "length", "mm", 0, 5000, 0.5),
    Quantity("tint_bead", "count", "", 0, 7, whole=True),
    Quantity("tint_zone", "count", "", 0, 7, whole=True),
    Quantity("pass_mark", "plain", "of 100", 0, 100, 5),
    Quantity("weight", "plain", "", 0.1, 1000, 1),
    Quantity("bottle_l", "plain", "L", 0.5, 60, 1),
    Quantity("bottle_bar", "pressure", "bar", 0, 320, 5),
    Quantity("bottle_c", "plain", "°C", -20, 50, 1),
    Quantity("blank_length_mm", "size", "mm", 5, 6000, 5),
    Quantity("blank_width_mm", "size", "mm", 5, 3000, 5),
    Quantity("kerf_mm", "length", "mm", 0, 10, 0.1),
    Quantity("price", "plain", "", 0, 100_000, 1),
    Quantity("lead_days", "count", "days", 0, 365, whole=True),
    Quantity("low_at", "plain", "", 0, 1_000_000, 1),
    Quantity("good_in_a_row", "count", "", 1, 20, whole=True),
)
QUANTITIES: dict[str, Quantity] = {quantity.key: quantity for quantity in _TABLE}
