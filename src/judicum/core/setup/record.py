"""The setup card and a run as records: figures in SI, rules, reasons and warnings as codes (`judicum.words.setup` says them)."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field, fields
from typing import Any, Self

from judicum.core.setup.pulse import Pulse
from judicum.core.setup.warnings import Warned


@dataclass(frozen=True)
class Moved:
    """Something that moves the current away from a flat butt: which choice, its code, and by which share."""

    choice: str
    code: str
    share: float


@dataclass(frozen=True, slots=True)
class Band:
    """A figure with its acceptance: from `low` to `high`, best at `aim`."""

    low: float
    aim: float
    high: float

    @classmethod
    def around(cls, aim: float, low: float, high: float, digits: int = 1) -> "Band":
        """A band from shares of its aim, rounded.

        >>> Band.around(10.0, 0.8, 1.25)
        Band(low=8.0, aim=10.0, high=12.5)
        """
        return cls(round(aim * low, digits), round(aim, digits), round(aim * high, digits))


@dataclass(frozen=True, slots=True)
class CurrentBand(Band):
    """The welding amperage; `machine` is what is set, `rule` where the aim comes from, `because` what moved it."""

    machine: float
    rule: str
    because: tuple[Moved, ...]


@dataclass(frozen=True, slots=True)
class Opinion:
    """What another rule says, A."""

    rule: str
    current_a: float


@dataclass(frozen=True, slots=True)
class Cup:
    """Cup number with its range; inside diameter, mm."""

    number: float
    inside_mm: float
    low: float
    high: float


@dataclass(frozen=True, slots=True)
class Electrode:
    """Diameter and length of the taper, mm; codes of the kinds that do."""

    diameter_mm: float
    taper_mm: float
    kinds: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Filler:
    """Alloy, diameter with its range (mm), and rod per 100 mm of bead (mm)."""

    alloy: str
    diameter_mm: float
    low_mm: float
    high_mm: float
    length_mm_per_100mm: float


@dataclass(frozen=True, slots=True)
class Angles:
    """Work, travel (push) and filler angle, degrees."""

    work: float
    travel: float
    filler: float


@dataclass(frozen=True, slots=True)
class HeatInput:
    """Heat input, kJ/mm: of the arc, and with the arc's efficiency."""

    arc: float
    net: float


@dataclass(frozen=True, slots=True)
class Purge:
    """Purge flow (L/min), volume changes, and where the bore is known its volume (L) and the wait (s)."""

    l_min: Band
    volumes: float
    volume_l: float | None = None
    wait_s: float | None = None


@dataclass(frozen=True, slots=True)
class Runs:
    """Runs round a tube: how many, each one's length, dabs and net advance (mm), where they start (degrees from the seam's
    top), in which order, and a code for what comes first."""

    count: int
    length_mm: float
    dabs: int
    net_mm: float
    starts_deg: tuple[float, ...]
    order: tuple[int, ...]
    first: str | None


@dataclass(frozen=True, slots=True)
class Cover:
    """How far the gas reaches behind the arc (mm) and how long each place stays under it (s); on tube the longest run (mm), its
    dabs, and what limits it: cup, tube, course."""

    reach_mm: float
    under_s: float
    longest_run_mm: float | None = None
    dabs: int | None = None
    limited_by: str | None = None


@dataclass(frozen=True, slots=True)
class Tacks:
    """Tacks in the order in which they are made: where (`degrees` round a tube, or shares `along` the seam), `behind` a flange;
    amps, time (s), distance of the tip (mm), with or without rod, the widest gap (mm), and when the purge comes."""

    count: int
    degrees: tuple[float, ...]
    along: tuple[float, ...]
    behind: bool
    current_a: float
    time_s: Band
    tip_mm: Band
    with_rod: bool
    max_gap_mm: float | None
    purge: str


@dataclass(frozen=True, slots=True)
class PlannedRun:
    """One run of several: what kind, where in the section (row from the root outward, column of columns), how it is welded."""

    number: int
    kind: str
    row: int
    column: int
    columns: int
    technique: str
    current_a: float
    low_a: float
    high_a: float
    cup: float
    stickout_mm: float
    gas_l_min: float
    filler_mm: float | None
    brushed: bool
    cooled: bool


@dataclass(frozen=True, slots=True)
class Seams:
    """Several seams on one part: how many, and in which order (a code of `choices.seams`)."""

    count: int
    order: str


@dataclass(frozen=True, slots=True)
class Advice:
    """What a machine cannot do of a card, by its code with its figures; `hides` the figures of the card that mean nothing on it."""

    code: str
    figures: Mapping[str, tuple[float, str]] = field(default_factory=dict)
    hides: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class BeadGoal:
    """Width (mm) and the darkest tint level that is wanted; None on a metal that does not tint."""

    width_mm: Band
    max_tint_level: int | None


@dataclass(frozen=True, slots=True)
class Card:
    """The setup card of a coupon, by the contract's keys (docs/setup-card.md)."""

    current_a: CurrentBand
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
    turntable_rpm: Band | None
    pulse_mean_a: float | None
    bead: BeadGoal
    gas_l_per_run: float
    warnings: tuple[Warned, ...]
    cautions: tuple[str, ...]

    def band(self, key: str) -> Band | None:
        """The band of a figure by its key; None for a key that is no band, or one that this coupon has none of."""
        found = getattr(self, key, None)
        return found if isinstance(found, Band) else None


@dataclass(frozen=True, kw_only=True)
class Run:
    """What was set, done and noticed for one run, by the fields of `run.RUN`; SI, None where it was not noted."""

    current_a: float | None = None
    machine_a: float | None = None
    gas_l_min: float | None = None
    cup: float | None = None
    gas_part: str | None = None
    stickout_mm: float | None = None
    polarity: str | None = None
    preflow_s: float | None = None
    downslope_s: float | None = None
    postflow_s: float | None = None
    technique: str | None = None
    filler_alloy: str | None = None
    filler_mm: float | None = None
    electrode_kind: str | None = None
    electrode_mm: float | None = None
    torch: int | None = None
    start_current_a: float | None = None
    peak_a: float | None = None
    background_a: float | None = None
    on_share: float | None = None
    per_second: float | None = None
    purge_l_min: float | None = None
    purge_wait_s: float | None = None
    purge_vent: bool | None = None
    backing: str | None = None
    backing_mm: float | None = None
    tacks: int | None = None
    tack_a: float | None = None
    prop: str | None = None
    grip: str | None = None
    feed: str | None = None
    arc_diameters: float | None = None
    arc_s: float | None = None
    travel_mm_s: float | None = None
    dabs: int | None = None
    work_angle_deg: float | None = None
    travel_angle_deg: float | None = None
    pass_number: int | None = None
    cooled_s: float | None = None
    brushed: bool | None = None
    restarts_mm: tuple[float, ...] = ()
    electrode_after: str | None = None
    rod_end: str | None = None
    arc: str | None = None
    puff_at_start: bool | None = None
    draught: bool | None = None
    part_hot: bool | None = None
    note: str = ""

    @classmethod
    def of(cls, values: Mapping[str, Any]) -> Self:
        """The run in a row or in checked values; what else stands there is left."""
        known = {one.name: values[one.name] for one in fields(cls) if values.get(one.name) is not None}
        return cls(**{**known, "restarts_mm": tuple(known.get("restarts_mm", ()))})

    def as_columns(self) -> dict[str, Any]:
        """By the names of `run.RUN`, as a row keeps them."""
        return {one.name: getattr(self, one.name) for one in fields(self)} | {"restarts_mm": list(self.restarts_mm)}


@dataclass(frozen=True, kw_only=True)
class Used(Run):
    """A run as it is looked at beside a card: with what else may be known of it, and its pulse as one."""

    gas_cfh: float | None = None
    arc_length_mm: float | None = None
    dab_pitch_mm: float | None = None
    dabs_per_s: float | None = None
    filler_angle_deg: float | None = None
    pulse: Pulse | None = None

    def figures(self) -> Iterator[tuple[str, float]]:
        """Every figure that is known, by its key."""
        for one in fields(self):
            value = getattr(self, one.name)
            if isinstance(value, int | float) and not isinstance(value, bool):
                yield one.name, value
