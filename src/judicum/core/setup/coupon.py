"""The coupon a setup card is made for: reading and checking the input."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, fields
from typing import Any

from judicum.core.errors import InvalidValue
from judicum.core.metals import Metal, metal_of
from judicum.core.setup.gauge import MISMATCH_SHARE, gauge_mm
from judicum.core.setup.pulse import Pulse, read_pulse
from judicum.core.units import MM_PER_INCH

JOINTS = (
    "bead_on_plate", "butt", "lap", "tee", "outside_corner", "edge", "tube_butt", "tube_sleeve", "tube_sleeve_bend",
    "tube_flange", "socket", "turntable",
)  # fmt: skip
TUBE_JOINTS = ("tube_butt", "tube_sleeve", "tube_sleeve_bend", "tube_flange", "socket", "turntable")
CHOICES: dict[str, tuple[str, ...]] = {
    "joint": JOINTS,
    "position": ("flat", "horizontal", "vertical_up", "overhead"),
    "form": ("sheet", "plate", "tube"),
    "technique": ("dab", "lay_wire", "walk_cup", "fuse"),
    "gas_part": ("collet_body", "gas_lens", "double_mesh"),
    "finish": ("bright", "warm", "show_colour"),
    "pedal_school": ("target", "ride"),
    "start_school": ("quick", "settled"),
}
NUMBERS: dict[str, tuple[float, float, str]] = {
    "thickness_mm": (0.01, 300, "mm"),
    "second_thickness_mm": (0.2, 50, "mm"),
    "tube_od_mm": (4, 1000, "mm"),
    "filler_mm": (0.5, 6.4, "mm"),
    "target_width_mm": (1, 25, "mm"),
    "leg_mm": (0.5, 20, "mm"),
    "cup": (3, 24, ""),
    "stickout_mm": (0, 40, "mm"),
    "electrode_mm": (0.5, 6.4, "mm"),
    "bore_length_mm": (10, 20000, "mm"),
    "travel_mm_s": (0.1, 20, "mm/s"),
    "pass": (1, 30, ""),
    "gauge": (10, 24, ""),
    "torch": (9, 26, ""),
}
TORCH_RATING_A = {9: 125, 17: 150, 26: 200, 20: 250, 18: 350}
SMALL_HEADS = (9, 20)


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
    questions: tuple[tuple[str, str], ...] = field(default=())
    """Codes and words of what was odd about the input."""

    @property
    def on_tube(self) -> bool:
        return self.joint in TUBE_JOINTS or self.form == "tube"

    @property
    def thinner_mm(self) -> float:
        """The thinner of both parts: it decides how much heat is too much."""
        return min(self.thickness_mm, self.second_thickness_mm or self.thickness_mm)


ALLOWED = {"metal", "gauge_table", "purge", "pulse", *CHOICES, *NUMBERS}


def read_coupon(given: Mapping[str, Any]) -> Coupon:
    """Read a coupon from JSON values.

    Raises:
        InvalidValue: an unknown field, a missing one, or a value outside what is allowed.
    """
    if not isinstance(given, Mapping):
        raise InvalidValue("coupon", given, "an object with metal, joint and a thickness")
    for key in given:
        if key not in ALLOWED:
            raise InvalidValue(str(key), given[key], "one of the coupon's fields: " + ", ".join(sorted(ALLOWED)))
    values: dict[str, Any] = {}
    for key, options in CHOICES.items():
        value = given.get(key)
        if value is not None and value not in options:
            raise InvalidValue(key, value, "one of " + ", ".join(options))
        if value is not None:
            values[key] = value
    for key, (low, high, unit) in NUMBERS.items():
        if given.get(key) is not None:
            values[key] = check_number(key, given[key], low, high, unit)
    for key in ("metal", "joint"):
        if not isinstance(given.get(key), str):
            raise InvalidValue(
                key, given.get(key), "needed: " + ("a metal such as 304L" if key == "metal" else ", ".join(JOINTS))
            )
    metal = metal_of(given["metal"])
    if values.get("torch") is not None and values["torch"] not in TORCH_RATING_A:
        raise InvalidValue("torch", values["torch"], "one of " + ", ".join(map(str, TORCH_RATING_A)))
    for key in ("purge",):
        if given.get(key) is not None and not isinstance(given[key], bool):
            raise InvalidValue(key, given[key], "true, false or null")
        values[key] = given.get(key)
    values["pulse"] = read_pulse(given.get("pulse"))
    thickness, questions = _thickness(values, given.get("gauge_table"), metal)
    values["thickness_mm"] = thickness
    for key in ("gauge",):
        values.pop(key, None)
    values["run_pass"] = int(values.pop("pass", 1))
    known = {f.name for f in fields(Coupon)}
    return Coupon(
        given["metal"], metal, questions=questions, **{k: v for k, v in values.items() if k in known and v is not None}
    )


def check_number(key: str, value: Any, low: float, high: float, unit: str) -> float:
    """A figure within limits. Raises InvalidValue."""
    allowed = f"{low:g} to {high:g} {unit}".strip()
    if (
        isinstance(value, bool)
        or not isinstance(value, (int, float))
        or not math.isfinite(value)
        or not low <= value <= high
    ):
        raise InvalidValue(key, value, allowed)
    if key in ("pass", "gauge", "torch"):
        if value != int(value):
            raise InvalidValue(key, value, "a whole number, " + allowed)
        return int(value)
    return float(value)


def _thickness(values: dict[str, Any], table: Any, metal: Metal) -> tuple[float, tuple[tuple[str, str], ...]]:
    typed, gauge = values.get("thickness_mm"), values.get("gauge")
    if typed is None and gauge is None:
        raise InvalidValue("thickness_mm", None, "a thickness in mm, or a gauge with its gauge_table")
    if table is not None and not isinstance(table, str):
        raise InvalidValue("gauge_table", table, "stainless_sheet, carbon_sheet or tube_wall")
    questions: list[tuple[str, str]] = []
    if typed is not None and (slip := _unit_slip(typed)) is not None:
        questions.append(
            ("thickness_unit_slip", f"{typed:g} mm looks like {slip[1]}; the card is made for {slip[0]:.2f} mm")
        )
        typed = slip[0]
    if gauge is None:
        assert typed is not None
        return typed, tuple(questions)
    tube = values.get("form") == "tube" or values.get("joint") in TUBE_JOINTS
    named = table or ("tube_wall" if tube else "carbon_sheet" if metal.family == "carbon" else "stainless_sheet")
    by_gauge = gauge_mm(gauge, named)
    if typed is not None and abs(typed - by_gauge) > MISMATCH_SHARE * by_gauge:
        questions.append(
            (
                "gauge_mismatch",
                f"{gauge} gauge is {by_gauge:.2f} mm in the table {named}, but {typed:g} mm was given; the card is made for {typed:g} mm",
            )
        )
    return typed if typed is not None else by_gauge, tuple(questions)


def _unit_slip(typed: float) -> tuple[float, str] | None:
    """The thickness that was probably meant where another unit was typed as mm."""
    if typed > 25:
        return typed * MM_PER_INCH / 1000, "thousandths of an inch"
    if typed < 0.2:
        return typed * MM_PER_INCH, "inches"
    return None
