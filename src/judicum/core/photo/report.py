"""What one photo gave, as a typed structure: the contract's keys, with one way to JSON and one way back (pydantic).

Figures in mm, degrees, plain ratios; what is not known is None. A refused photo has `refusal` and None for what could
not be had; its sentence is put in by whoever tells a person (`judicum.words.photo`).
"""

from typing import Any

from pydantic import BaseModel, ConfigDict, Field, JsonValue

Point = list[float]
"""[x, y]."""
LEFT_OUT: dict[str, JsonValue] = {"x-left-out": True}
"""Says in a field's schema that it is left out where it has no value."""


class Part(BaseModel):
    """One part of a report; what an older engine wrote beside it is passed over."""

    model_config = ConfigDict(frozen=True, extra="ignore", json_schema_serialization_defaults_required=True)


class Refusal(Part):
    """Why a photo was not measured: code, the figures behind it and, once it is told, the sentence."""

    code: str
    message: str = ""


class ScaleRead(Part):
    source: str
    mm_per_px: float
    residual_mm: float | None
    tilt_deg: float | None


UNSURE = "unsure: "
UNSURE_BEAD = UNSURE + "the toes are hard to tell in this photo; check them and correct them by hand"
NO_CARD = "no_card: scale given by hand; colours are not corrected for the light"
TWO_LIGHTS = "two_lights: undercuts were read from two photos with the lamp on either side"
NOT_TWO_LIGHTS = {
    "no_bead": "two_lights_no_bead: the bead was not measured, so the photo in the other light was not read",
    "unreadable": "two_lights_unreadable: the photo in the other light cannot be read",
    "no_card": "two_lights_no_card: no card was found in the photo in the other light",
    "other_place": "two_lights_other_place: part or card was moved between the two photos",
    "same_light": "two_lights_same_light: the lamp stood on the same side in both photos",
}
"""Warnings of a measurement, as they are kept; what begins with UNSURE is settled by a toe that a person has set. The last by why two
photos were not read together."""


class Quality(Part):
    sharpness: float | None
    clipped_share: float | None
    warnings: list[str]


class WidthFigures(Part):
    mean: float
    sd: float
    cv: float
    min: float
    max: float
    uncertainty: float


class Sides(Part):
    left: float
    right: float


class BeadFigures(Part):
    start_mm: Point
    end_mm: Point
    length_mm: float
    width_mm: WidthFigures
    straightness_mm: float
    toe_waviness_mm: Sides


class Profile(Part):
    s_mm: list[float]
    width_mm: list[float]
    centre_mm: list[Point]


class RippleFigures(Part):
    count: int
    pitch_mm: float
    cv: float | None
    positions_mm: list[float]
    lapses_mm: list[float]


class Level(Part):
    level: int
    name: str


class TintFigures(Part):
    bead: Level
    haz: Level
    width_mm: Sides
    along: list[int]
    share: dict[str, float]


class Defect(Part):
    """A fault; `pinhole` is said of craters only and left out elsewhere."""

    kind: str
    s_mm: float
    n_mm: float
    x_mm: float
    y_mm: float
    size_mm: float
    confidence: float
    pinhole: bool | None = Field(default=None, exclude_if=lambda value: value is None, json_schema_extra=LEFT_OUT)


class Report(Part):
    """What one photo gave; every part but `photo` may be None."""

    photo: str = ""
    refusal: Refusal | None = None
    scale: ScaleRead | None = None
    quality: Quality | None = None
    bead: BeadFigures | None = None
    profile: Profile | None = None
    ripple: RippleFigures | None = None
    tint: TintFigures | None = None
    defects: list[Defect] | None = None
    bead_number: int | None = None
    beads_seen: int | None = None

    def as_json(self) -> dict[str, Any]:
        """The contract's JSON values."""
        return self.model_dump()

    @classmethod
    def from_json(cls, given: dict[str, Any]) -> "Report":
        """The report of JSON values, also of those an older engine wrote."""
        return cls.model_validate(given)

    def replace(self, **parts: Any) -> "Report":
        """The same report with some parts put in their place."""
        return self.model_copy(update=parts)
