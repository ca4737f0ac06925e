"""The setup card as it is printed: figures in SI, rules, reasons and warnings as sentences (docs/setup-card.md)."""

from pydantic import BaseModel, ConfigDict, Field

from judicum.core.photo.report import LEFT_OUT
from judicum.core.setup.record import (
    Angles,
    Band,
    BeadGoal,
    Cover,
    Cup,
    Electrode,
    Filler,
    HeatInput,
    Opinion,
    PlannedRun,
    Purge,
    Runs,
    Seams,
    Tacks,
)


class Part(BaseModel):
    """One part of a printed card; every field is always there but `meant`.

    Parts that hold figures alone are those of the card itself, read anew so that a figure is printed as what its field says.
    """

    model_config = ConfigDict(
        frozen=True,
        from_attributes=True,
        json_schema_serialization_defaults_required=True,
        revalidate_instances="always",
    )


class CardCurrent(Part):
    """The welding amperage; `machine` is what is set, `because` why it moved from the rule."""

    low: float
    aim: float
    high: float
    machine: float
    rule: str
    because: list[str]


class CardWarning(Part):
    """`meant` is the figure (SI) that a slip of units probably meant; left out of all others."""

    code: str
    severity: str
    message: str
    meant: float | None = Field(default=None, exclude_if=lambda value: value is None, json_schema_extra=LEFT_OUT)


class CardNote(Part):
    """What is done beside the figures; `topic` is tacks, between_runs, seams, rules_only or back."""

    topic: str
    words: str


class Card(Part):
    """The figures that a student sets and holds."""

    current_a: CardCurrent
    opinions: tuple[Opinion, ...]
    polarity: str
    cup: Cup
    gas_part: str
    gas_l_min: Band
    reynolds: float
    stickout_mm: Band
    arc_length_mm: Band
    preflow_s: Band
    postflow_s: Band
    downslope_s: Band
    start_s: Band
    electrode: Electrode
    filler: Filler | None
    angles_deg: Angles
    travel_mm_s: Band
    dab_pitch_mm: Band | None
    dabs_per_s: float | None
    heat_kj_mm: HeatInput
    purge: Purge | None
    runs: Runs | None
    cover: Cover | None
    tacks: Tacks | None
    passes: tuple[PlannedRun, ...]
    look_at_back: bool
    seams: Seams | None
    rules_only: str | None
    notes: list[CardNote]
    turntable_rpm: Band | None
    pulse_mean_a: float | None
    bead: BeadGoal
    gas_l_per_run: float
    warnings: list[CardWarning]
    cautions: list[str]


class Deviation(Part):
    """A logged figure off the card: the range, how far outside, and what it usually does to the bead."""

    key: str
    used: float
    low: float
    high: float
    outside: float
    effect: str


class Check(Part):
    """What of a run lies off the card."""

    deviations: list[Deviation]
    warnings: list[CardWarning]
