"""The setup card as it is printed: figures in SI, rules, reasons and warnings as sentences (docs/setup-card.md)."""

from pydantic import BaseModel, ConfigDict, Field

from judicum.core.photo.report import LEFT_OUT


class Part(BaseModel):
    """One part of a printed card; every field is always there but `meant`."""

    model_config = ConfigDict(frozen=True, from_attributes=True, json_schema_serialization_defaults_required=True)


class Range(Part):
    """A figure with its acceptance."""

    low: float
    aim: float
    high: float


class CardCurrent(Range):
    """The welding amperage; `machine` is what is set, `because` why it moved from the rule."""

    machine: float
    rule: str
    because: list[str]


class Opinion(Part):
    """What another rule says."""

    rule: str
    current_a: float


class CardCup(Part):
    number: float
    inside_mm: float
    low: float
    high: float


class CardElectrode(Part):
    diameter_mm: float
    taper_mm: float
    kinds: list[str]


class CardFiller(Part):
    alloy: str
    diameter_mm: float
    low_mm: float
    high_mm: float
    length_mm_per_100mm: float


class CardAngles(Part):
    work: float
    travel: float
    filler: float


class CardHeat(Part):
    """Heat input in kJ/mm: of the arc, and with the arc's efficiency."""

    arc: float
    net: float


class CardWarning(Part):
    """`meant` is the figure (SI) that a slip of units probably meant; left out of all others."""

    code: str
    severity: str
    message: str
    meant: float | None = Field(default=None, exclude_if=lambda value: value is None, json_schema_extra=LEFT_OUT)


class CardPurge(Part):
    l_min: Range
    volumes: float
    volume_l: float | None
    wait_s: float | None


class TubeRuns(Part):
    """Runs round a tube; `starts_deg` from the seam's top, `order` the numbers of the runs as they are welded."""

    count: int
    length_mm: float
    dabs: int
    net_mm: float
    starts_deg: list[float]
    order: list[int]
    first: str | None


class CardBead(Part):
    width_mm: Range
    max_tint_level: int | None


class Card(Part):
    """The figures that a student sets and holds."""

    current_a: CardCurrent
    opinions: list[Opinion]
    polarity: str
    cup: CardCup
    gas_part: str
    gas_l_min: Range
    reynolds: float
    stickout_mm: Range
    arc_length_mm: Range
    preflow_s: Range
    postflow_s: Range
    downslope_s: Range
    start_s: Range
    electrode: CardElectrode
    filler: CardFiller | None
    angles_deg: CardAngles
    travel_mm_s: Range
    dab_pitch_mm: Range | None
    dabs_per_s: float | None
    heat_kj_mm: CardHeat
    purge: CardPurge | None
    runs: TubeRuns | None
    turntable_rpm: Range | None
    pulse_mean_a: float | None
    bead: CardBead
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
