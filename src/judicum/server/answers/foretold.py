"""What would come of settings: foretold, never measured."""

from typing import Any

from judicum.server.answers.base import Answer, Request
from judicum.server.answers.starts import Whose


class ForetoldFigure(Answer):
    """A foretold figure, and what holds 90 % of single beads."""

    value: float
    low: float
    high: float


class ForetoldTint(Answer):
    level: int
    probability: list[float]


class Hazard(Answer):
    """What goes wrong, with its chance; `words` what it is called."""

    code: str
    words: str
    probability: float


class ForetoldBead(Answer):
    """The bead that would come; tints null of a metal without a tint scale."""

    width_mm: ForetoldFigure
    width_end_mm: ForetoldFigure
    tint_bead: ForetoldTint | None
    tint_zone: ForetoldTint | None
    zone_mm: ForetoldFigure | None
    grey_end_mm: ForetoldFigure | None
    hazards: list[Hazard]
    difference_mm: ForetoldFigure | None


class ForetoldBeside(Answer):
    """One figure of this bead: what was foretold of its settings without learning from it, what was measured, and whether that lies
    within."""

    words: str
    foretold: ForetoldFigure
    measured: float
    inside: bool


class ForetoldTintBeside(Answer):
    words: str
    foretold: int
    measured: int


class Foretold(Answer):
    """What would come of settings, beside what is wanted; `settings` those it was reckoned for, `said` how sure it is in words. `beside`
    and `tints_beside` set it against the bead that came of these settings, where it was measured and none was changed."""

    settings: dict[str, Any]
    bead: ForetoldBead
    learned: int
    said: list[str]
    wanted_low_mm: float
    wanted_high_mm: float
    wanted_level: int
    beside: list[ForetoldBeside]
    tints_beside: list[ForetoldTintBeside]


class ForetellRequest(Request):
    """Settings that differ from those the run was welded with, or from the card's where none was."""

    current_a: float | None = None
    travel_mm_s: float | None = None
    postflow_s: float | None = None
    gas_l_min: float | None = None


class SettingsMap(Answer):
    """The chance of a bead as wanted, a row a current, a column a speed; where the card's ranges lie, where passes of the class do, and
    what this machine gives at most; the offered cell to start with, null where none is."""

    current_a: list[float]
    travel_mm_s: list[float]
    probability: list[list[float]]
    card_current_a: list[float]
    card_travel_mm_s: list[float]
    passes: list[list[float]]
    most_a: float | None
    least_a: float | None
    best: list[float] | None
    offered: float


class StartsRequest(Request):
    """Foretold settings to start with, and whose they become."""

    current_a: float
    travel_mm_s: float
    whose: Whose
