"""Sessions in words: when, what to bring, why something has no place."""

from collections.abc import Mapping, Sequence
from datetime import date, datetime, time, timedelta
from typing import Any

from judicum.core.joints import JOINTS
from judicum.core.planning.booths import FEATURES
from judicum.core.quantities import QUANTITIES
from judicum.words.units import Units, format_figure

UNPLACED = {
    "no_booth_has": "no booth has {what}",
    "away": "absent from every session before the due date",
    "too_long": "longer than any session",
    "before_due_full": "no free slot before the due date",
    "waits_for": "waiting for the coupon before it, which is not scheduled",
    "full": "every session is full",
}


def unplaced_words(why: str, what: Sequence[str] | str | None) -> str:
    """Why a coupon has no place.

    >>> unplaced_words("no_booth_has", ["turntable"])
    'no booth has turntable'
    """
    named = [str(FEATURES.get(one) or one) for one in what] if isinstance(what, list) else []
    return UNPLACED[why].format(what=" and ".join(named))


def when_words(day: date, start: time, minutes: int) -> str:
    """Day and clock of something so many minutes after a session's beginning.

    >>> when_words(date(2026, 12, 1), time(18, 0), 40)
    'Tue 1 Dec, 18:40'
    """
    moment = datetime.combine(day, start) + timedelta(minutes=minutes)
    return f"{moment:%a} {moment.day} {moment:%b}, {moment:%H:%M}"


SET = (
    "current_a",
    "machine_a",
    "gas_l_min",
    "cup",
    "preflow_s",
    "downslope_s",
    "postflow_s",
    "peak_a",
    "background_a",
    "per_second",
)
"""What is set at a machine, in the order of its front."""


def set_words(run: Mapping[str, Any], units: Units) -> list[str]:
    """What was set at a machine, one figure each.

    >>> set_words({"current_a": 58.0, "gas_l_min": 9.5, "cup": 10.0, "postflow_s": 9.0}, Units())
    ['welding current 58 A', 'gas flow 9.5 L/min', 'cup number 10', 'post-flow 9 s']
    """
    known = [QUANTITIES[key] for key in SET if run.get(key) is not None]
    return [f"{one.words[0].lower()}{one.words[1:]} {format_figure(run[one.key], one.kind, units)}" for one in known]


def bring_words(joint: str) -> str:
    """What to bring to a slot: the blanks of the joint, and what always comes along."""
    parts = "tube and plugs, cleaned" if JOINTS[joint].tube else "blanks, cut and deburred"
    return f"{parts}; gloves, helmet, scale card, phone"
