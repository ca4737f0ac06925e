"""Photos, what was measured of them, and what people do to that by hand."""

from datetime import datetime
from typing import Annotated, Any

from pydantic import Field

from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.pose import ANGLES
from judicum.core.photo.report import LEFT_OUT, Report
from judicum.core.photo.steps import STEPS
from judicum.server.answers.base import Answer, OneOf, Point, Request
from judicum.server.answers.people import Person
from judicum.server.record.photos.models import MeasurementState, PhotoKind

FaultKind = Annotated[str, OneOf(tuple(FAULT_KINDS))]
StepName = Annotated[str, OneOf(tuple(STEPS))]
Side = Annotated[str, OneOf(("left", "right"))]
End = Annotated[str, OneOf(("start", "end"))]
AngleKind = Annotated[str, OneOf(tuple(ANGLES))]
Line = Annotated[list[Annotated[Point, Field(max_length=2)]], Field(max_length=2)]
"""Two points [x, y] in pixels."""


def LeftOut() -> Any:  # noqa: N802  # stands where pydantic's own Field does
    """A field that is left out where it has no value."""
    return Field(default=None, exclude_if=lambda value: value is None, json_schema_extra=LEFT_OUT)


class Strip(Answer):
    """Where the strip's picture is and how it lies: its left edge is `from_mm` before the bead's start."""

    url: str
    from_mm: float
    to_mm: float
    half_height_mm: float


class FaultPlace(Answer):
    """A fault's kind and its place along the bead."""

    kind: str
    s_mm: float


class MeasurementSummary(Answer):
    """The figures that count, as a list shows them; `id` is their measurement's."""

    id: int
    refusal_code: str
    engine_version: str
    strip: Strip | None
    length_mm: float | None
    width_mean_mm: float | None
    width_cv: float | None
    pitch_cv: float | None
    tint_level: int | None
    tint_name: str
    toe_waviness: float | None
    faults: list[FaultPlace]
    corrected: bool


class CorrectionStep(Answer):
    """One step of a correction; which figures it has depends on `step`. Places in mm in the bead frame."""

    step: StepName
    side: Side | None = LeftOut()
    end: End | None = LeftOut()
    kind: FaultKind | None = LeftOut()
    s_mm: float | None = LeftOut()
    n_mm: float | None = LeftOut()
    size_mm: float | None = LeftOut()
    reach_mm: float | None = LeftOut()


class CorrectionRequest(Request):
    """One step of a correction; which figures it needs depends on `step`, and the core checks them."""

    step: StepName
    side: Side | None = None
    end: End | None = None
    kind: FaultKind | None = None
    s_mm: float | None = None
    n_mm: float | None = None
    size_mm: float | None = None
    reach_mm: float | None = None


class Correction(Answer):
    """A step in force: what, by whom, when."""

    id: int
    step: CorrectionStep
    by: Person
    at: datetime


class SeenBead(Answer):
    """One of several beads in a photo: its number, its toes in pixels, whether it counts and whether the server suggested it."""

    number: int
    left: list[Point]
    right: list[Point]
    counts: bool
    suggested: bool


class ChooseBeadRequest(Request):
    """The number of the bead that counts."""

    number: Annotated[int, Field(ge=1)]


class Overlay(Answer):
    """Toes, centreline and ripple fronts as points [x, y] in pixels of the upright photo of `size`.

    Along the strip, in mm: the toes' offsets `left_n_mm` and `right_n_mm` at `s_mm`, and stretches [from, to]
    along which a toe may lie elsewhere; an older engine gave none of these.
    """

    size: list[int]
    left: list[Point]
    right: list[Point]
    centre: list[Point]
    fronts: list[list[Point]]
    px_per_mm: float | None = LeftOut()
    s_mm: list[float] | None = LeftOut()
    left_n_mm: list[float] | None = LeftOut()
    right_n_mm: list[float] | None = LeftOut()
    unsure_mm: list[list[float]] | None = LeftOut()


class Measurement(Answer):
    """A measurement with its whole report and what is drawn over the photo, both with corrections put on.

    `computed` is the report without them, where there are any; `beads` are all of them where the photo shows several.
    """

    id: int
    state: MeasurementState
    refusal_code: str
    engine_version: str
    requested_at: datetime
    finished_at: datetime | None
    strip: Strip | None
    corrected: bool
    report: Report | None
    overlay: Overlay | None
    computed: Report | None
    beads: list[SeenBead]
    corrections: list[Correction]
    scale_set_by: Person | None


class Angle(Answer):
    """A torch angle that was read on the photo, with the two lines drawn, [x, y] in its pixels."""

    which: str
    run: int
    torch: list[Point]
    reference: list[Point]
    angle_deg: float
    uncertainty_deg: float


class AngleRequest(Request):
    """Two drawn lines: the torch from its tip upward, and the plate or the direction of travel from the joint outward."""

    which: AngleKind
    torch: Line
    reference: Line
    run: int = 1


class ScaleRequest(Request):
    """Two points of the photo [x1, y1, x2, y2] in pixels, and the distance between them in mm."""

    points_px: Annotated[list[float], Field(min_length=4, max_length=4)]
    length_mm: float


class PhotoProblem(Answer):
    """Something wrong with a photo at first sight, and what to do."""

    code: str
    message: str


class SamePicture(Answer):
    """Another attempt for which the very same picture was sent."""

    attempt: int
    number: int
    title: str
    student: str


class Photo(Answer):
    """A photo with its measurements, newest first; `gone` where the picture itself is not kept any more, `same_as` where the very
    same picture was sent elsewhere too."""

    id: int
    kind: PhotoKind
    run: int | None
    angles: list[Angle]
    name: str
    url: str
    width_px: int
    height_px: int
    gone: bool
    sent_at: datetime
    same_as: list[SamePicture]
    measurements: list[Measurement]


class Engines(Answer):
    """Figures of earlier engines (`outdated`), those a person corrected, which stay, and how far measuring all again is."""

    present: str
    outdated: int
    corrected: int
    running: bool
    done: int
    total: int
