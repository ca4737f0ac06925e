"""Evenings in words: when, what to bring, why something has no place."""

from collections.abc import Sequence
from datetime import date, datetime, time, timedelta

from judicum.core.joints import JOINTS
from judicum.core.planning.booths import FEATURES

UNPLACED = {
    "no_booth_has": "no booth has {what}",
    "away": "away on every evening up to its due date",
    "too_long": "longer than any evening",
    "before_due_full": "no room before it is due",
    "waits_for": "waits for the coupon before it, which has no place",
    "full": "every evening is full",
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


def bring_words(joint: str) -> str:
    """What to bring to a sitting: the blanks of the joint, and what always comes along."""
    parts = "tube and plugs, cleaned" if JOINTS[joint].tube else "blanks, cut and deburred"
    return f"{parts}; gloves, helmet, scale card, phone"
