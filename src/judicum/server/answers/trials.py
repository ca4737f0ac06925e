"""Trials: what may be varied, the plan, what was measured of each bead, and what was found."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from judicum.server.answers.attempts import Run
from judicum.server.answers.base import Answer, OneOf, Request
from judicum.server.answers.photos import Photo
from judicum.server.answers.starts import Key, StartFigure, Value, Whose

MAX_BEADS = 12


class TrialRequest(Request):
    """A trial to be planned: from `low` to `high` in `beads` steps, or the `values` themselves; `judicum.core.trial` checks it."""

    varied: str
    low: float | None = None
    high: float | None = None
    beads: int | None = None
    values: Annotated[list[Value], Field(max_length=MAX_BEADS)] | None = None
    blank_length_mm: float | None = None
    blank_width_mm: float | None = None


class TrialChangeRequest(Request):
    """Which lines are welded; or which bead of the photo lies on each line (null for none; `by_place` lets the server count again)."""

    welded: Annotated[list[int], Field(max_length=MAX_BEADS)] | None = None
    counted: Annotated[list[int | None], Field(max_length=MAX_BEADS)] | None = None
    by_place: bool = False


class StartRequest(Request):
    """A setting to be taken, and whose it becomes."""

    value: Value
    whose: Whose


class TrialProposal(Answer):
    """What may be varied at this coupon, from where to where by its card; `values` of a choice."""

    key: Key
    low: float | None
    high: float | None
    values: list[str]


class TrialLine(Answer):
    """A line of a trial: what is set for it, in words too, where it lies along the blank, when its turn comes, whether it is welded."""

    number: int
    value: Value
    words: str
    at_mm: float
    turn: int
    welded: bool


class TrialBead(Answer):
    """What was measured of the bead on a line, what it shows, and how likely another of this setting is as wanted; `seen_number` is
    the bead's in the photo."""

    line: int
    seen_number: int
    width_mm: float
    width_u_mm: float
    width_cv: float
    pitch_cv: float | None
    tint_bead: int | None
    tint_zone: int | None
    zone_mm: float | None
    faults: list[str]
    seen: str
    as_wanted: bool
    chance: float


class TrialPoint(Answer):
    """The figure's course between the beads: width with the half range that holds 90 % of single beads, level, and the chance of a
    bead as wanted."""

    value: float
    width_mm: float
    half_mm: float
    level: float | None
    chance: float


class TrialCount(Answer):
    """Which bead lies on which line: `missing` lines have none, `extra` beads lie on none; not `sure` where another way fits as well."""

    missing: list[int]
    extra: list[int]
    sure: bool
    by_hand: bool


class TrialFound(Answer):
    """What a trial found: the setting (null: none is worth taking), where it may lie, and why."""

    best: Value | None
    best_words: str | None
    low: float | None
    high: float | None
    lines: list[str]


class Trial(Answer):
    id: int
    number: int
    varied: Key
    made_at: datetime
    blank_length_mm: float
    blank_width_mm: float
    bead_mm: float
    tube_od_mm: float | None
    lines: list[TrialLine]
    photo: Photo | None
    measuring: bool
    refusal: str | None
    count: TrialCount | None
    beads: list[TrialBead]
    curve: list[TrialPoint]
    found: TrialFound | None
    wanted_low_mm: float
    wanted_high_mm: float
    wanted_level: int
    may: list[Annotated[str, OneOf(("change", "count", "take", "take_for_all"))]]


class Trials(Answer):
    """The trials of an attempt, the newest first, what may be varied, what stays as the card has it, and what is started with."""

    trials: list[Trial]
    proposals: list[TrialProposal]
    fixed: Run
    starts: list[StartFigure]
    may_begin: bool
