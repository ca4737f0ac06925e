"""The coupon a setup card is made for: reading and checking the input."""

from collections.abc import Mapping
from dataclasses import dataclass, field, fields
from typing import Any

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, said
from judicum.core.fields import Fields, Flag
from judicum.core.joints import JOINTS, Joint
from judicum.core.metals import Metal, metal_of
from judicum.core.quantities import QUANTITIES
from judicum.core.setup.gauge import MISMATCH_SHARE, gauge_mm
from judicum.core.setup.pulse import Pulse, read_pulse
from judicum.core.setup.warnings import Warned
from judicum.core.units import MM_PER_INCH

CHOSEN = (
    "joint",
    "position",
    "form",
    "technique",
    "gas_part",
    "torch",
    "finish",
    "pedal_school",
    "start_school",
    "gauge_table",
    "layers",
    "cup_school",
    "flow_school",
    "run_order",
    "seams",
    "purge_tacks",
    "electrode_school",
)
TYPED = (
    "thickness_mm", "gauge", "second_thickness_mm", "tube_od_mm", "filler_mm", "pass", "passes", "seams_planned", "dabs_per_run", "target_width_mm", "leg_mm", "cup",
    "stickout_mm", "electrode_mm", "bore_length_mm", "travel_mm_s", "cup_flow_l_min",
)  # fmt: skip
COUPON = Fields(
    "a coupon",
    (*(CHOICES[key] for key in CHOSEN), *(QUANTITIES[key] for key in TYPED), Flag("purge")),
    required=("joint",),
)
APART = ("metal", "pulse")
"""Fields with a reader of their own: pairs of metals, and the pulse's parts."""


@dataclass(frozen=True)
class Coupon:
    """A coupon as it was asked for; `thickness_mm` is the one to plan with, after gauge and slips."""

    metal_name: str
    metal: Metal
    joint: str
    thickness_mm: float
    position: str = "flat"
    form: str = "sheet"
    technique: str = "dab"
    tube_od_mm: float | None = None
    second_thickness_mm: float | None = None
    filler_mm: float | None = None
    run_pass: int = 1
    target_width_mm: float | None = None
    leg_mm: float | None = None
    cup: float | None = None
    gas_part: str = "gas_lens"
    stickout_mm: float | None = None
    torch: int | None = None
    electrode_mm: float | None = None
    finish: str = "warm"
    pedal_school: str = "target"
    start_school: str = "quick"
    purge: bool | None = None
    bore_length_mm: float | None = None
    pulse: Pulse | None = None
    travel_mm_s: float | None = None
    cup_flow_l_min: float | None = None
    runs_planned: int = 1
    layers: str = "weave"
    dabs_per_run: int | None = None
    seams_planned: int = 1
    seams: str = "in_turn"
    cup_school: str = "wide"
    flow_school: str = "number"
    run_order: str = "straight_round"
    purge_tacks: str = "purge_first"
    electrode_school: str = "ceriated"
    questions: tuple[Warned, ...] = field(default=())
    """What was odd about the input."""

    @property
    def kind(self) -> Joint:
        """The joint with all that depends on it."""
        return JOINTS[self.joint]

    @property
    def on_tube(self) -> bool:
        return self.kind.tube or self.form == "tube"

    @property
    def thinner_mm(self) -> float:
        """The thinner of both parts: it decides how much heat is too much."""
        return min(self.thickness_mm, self.second_thickness_mm or self.thickness_mm)

    @property
    def heated_mm(self) -> float:
        """The thickness that takes the heat: on tube the thinner part, else the sheet's own."""
        return self.thinner_mm if self.on_tube else self.thickness_mm


def read_coupon(given: Mapping[str, Any]) -> Coupon:
    """Read a coupon from JSON values.

    Raises:
        InvalidValues: an unknown field, a missing one, or a value outside what is allowed.
    """
    if not isinstance(given, Mapping):
        raise InvalidValue("coupon", given, said("allowed-an-object-with-metal-joint-and"))
    if not isinstance(given.get("metal"), str):
        raise InvalidValue("metal", given.get("metal"), said("allowed-needed-a-metal-such-as-304l"))
    values = COUPON.check({key: value for key, value in given.items() if key not in APART})
    metal = metal_of(given["metal"])
    values |= {
        "pulse": read_pulse(given.get("pulse")),
        "run_pass": values.pop("pass"),
        "runs_planned": values.pop("passes"),
    }
    values["thickness_mm"], questions = _thickness(values, metal)
    known = {f.name for f in fields(Coupon)}
    return Coupon(
        given["metal"], metal, questions=questions, **{k: v for k, v in values.items() if k in known and v is not None}
    )


def _thickness(values: dict[str, Any], metal: Metal) -> tuple[float, tuple[Warned, ...]]:
    typed, gauge = values["thickness_mm"], values["gauge"]
    if typed is None and gauge is None:
        raise InvalidValue("thickness_mm", None, said("allowed-a-thickness-in-mm-or-a"))
    questions: list[Warned] = []
    if typed is not None and (slip := _unit_slip(typed)) is not None:
        meant, unit = slip
        questions.append(
            Warned("thickness_unit_slip", {"used": (typed, "mm"), "meant": (meant, "size")}, {"unit": unit})
        )
        typed = meant
    if gauge is None:
        assert typed is not None
        return typed, tuple(questions)
    on_tube = values["form"] == "tube" or JOINTS[values["joint"]].tube
    named = values["gauge_table"] or ("tube_wall" if on_tube else metal.gauge_table)
    by_gauge = gauge_mm(gauge, named)
    if typed is not None and abs(typed - by_gauge) > MISMATCH_SHARE * by_gauge:
        figures = {"gauge": (gauge, "count"), "by_gauge": (by_gauge, "size"), "used": (typed, "size")}
        questions.append(Warned("gauge_mismatch", figures, {"table": named}))
    return typed if typed is not None else by_gauge, tuple(questions)


def _unit_slip(typed: float) -> tuple[float, str] | None:
    """The thickness that was probably meant where another unit was typed as mm, and that unit."""
    low, high = QUANTITIES["thickness_mm"].sensible or (0.0, 0.0)
    if typed > high:
        return typed * MM_PER_INCH / 1000, "thou"
    if typed < low:
        return typed * MM_PER_INCH, "inch"
    return None
