"""How true measuring is here: checks of phones, callipered widths, and the course's agreement between both."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from judicum.server.answers.base import Answer, Request


class PhoneFigures(Answer):
    """What one photo of the check target said; mm unless it says otherwise, null where it could not be told."""

    beads: int
    bias_mm: float | None
    scatter_mm: float | None
    lens_mm: float | None
    pitch_share: float | None
    smallest_spot_mm: float | None
    tilt_deg: float | None
    px_per_mm: float | None
    blur_mm: float | None
    uneven: float | None
    warm: float | None
    say: list[str]
    refusal: str | None


class PhoneCheck(Answer):
    """A check of a phone: `words` say what to change, `again` that it is due once more."""

    id: int
    phone: str
    at: datetime
    uncertainty_mm: float | None
    figures: PhoneFigures
    words: list[str]
    again: bool


class PhoneChecks(Answer):
    """One's own checks, the newest first."""

    checks: list[PhoneCheck]


class PlaceWidth(Request):
    """A callipered width at a place along the bead; null takes it away."""

    s_mm: float
    width_mm: float | None


class CallipersRequest(Request):
    places: Annotated[list[PlaceWidth], Field(max_length=12)]


class CalliperPlace(Answer):
    """A place along the bead, mm, with what was callipered and measured there."""

    s_mm: float
    width_mm: float | None
    measured_mm: float | None


class Callipers(Answer):
    """Where to hold the callipers, and what was taken; `asked` where the lot asks for it. Measured widths are shown only beside taken
    ones: whoever knows the figure reads it off the callipers, too. `phone_mm` is what the sender's phone is off by, of its last check."""

    asked: bool
    places: list[CalliperPlace]
    phone: str | None
    phone_mm: float | None


class HeldGroup(Answer):
    """How true the attempts of a group were; bias with its 95 % interval and limits of agreement, mm; `held` of ± two uncertainties; by
    what those must grow."""

    kind: str
    name: str
    count: int
    bias_mm: float
    bias_low_mm: float
    bias_high_mm: float
    lower_mm: float
    upper_mm: float
    held: float
    factor: float


class AgreementPoint(Answer):
    attempt: int
    mean_mm: float
    off_mm: float
    claimed_mm: float


class DriftChart(Answer):
    usual_mm: float
    moving_mm: list[float]
    limits_mm: list[float]
    drifts: bool


class FaultLimit(Answer):
    """From which confidence a kind is reported where the limit is taken; how many found ones lie below it, and were removed by hand."""

    confidence: float
    below: int
    wrong: int


class FaultTruth(Answer):
    """How true one kind of fault is: found ones, right ones among them with the interval of their share, missed ones; the limit in
    force (a confidence), and the one that corrections speak for."""

    kind: str
    name: str
    found: int
    right: int
    missed: int
    low: float
    high: float
    limit: float | None
    spoken_for: FaultLimit | None


class CorrectionsTruth(Answer):
    """What people corrected of the beads that they marked, and the rule by which limits are spoken for."""

    beads: int
    kinds: list[FaultTruth]
    said: list[str]
    rule: str


class FaultLimitRequest(Request):
    """Take the limit that corrections speak for, or none."""

    kind: str
    on: bool


class Measuring(Answer):
    """How true measuring is in a course: all attempts with callipered widths, by group, over time."""

    share: int
    count: int
    whole: HeldGroup | None
    groups: list[HeldGroup]
    points: list[AgreementPoint]
    chart: DriftChart | None
    said: list[str]
    corrections: CorrectionsTruth


class CalliperShare(Answer):
    """Percent."""

    share: int


class CalliperShareRequest(Request):
    """Percent."""

    share: int
