"""Sessions in words: when, what to bring, why something has no place."""

from collections.abc import Mapping, Sequence
from datetime import date, datetime, time, timedelta
from typing import Any

from judicum.core.joints import JOINTS
from judicum.core.planning.booths import FEATURES, OVER
from judicum.core.quantities import QUANTITIES
from judicum.words.catalogue import t
from judicum.words.names import field_in_sentence, listed, named
from judicum.words.units import Units, format_figure, time_words, weekday_words


def unplaced_words(why: str, what: Sequence[str] | str | None) -> str:
    """Why a coupon has no place.

    >>> unplaced_words("no_booth_has", ["turntable"])
    'no booth has turntable'
    """
    features = [_feature(str(one)) for one in what] if isinstance(what, list) else []
    return t(f"unplaced-{why}", what=listed(features))


def _feature(code: str) -> str:
    if code.startswith(OVER):
        return t("feature-over", amps=code.removeprefix(OVER))
    return named("feature", code) if code in FEATURES else code


def when_words(day: date, start: time, minutes: int) -> str:
    """Day and clock of something so many minutes after a session's beginning.

    >>> when_words(date(2026, 12, 1), time(18, 0), 40)
    'Tue 1 Dec, 18:40'
    """
    moment = datetime.combine(day, start) + timedelta(minutes=minutes)
    return t("date-and-time", date=weekday_words(moment.date()), time=time_words(moment.time()))


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
    return [
        t("set-figure", field=field_in_sentence(one.key), figure=format_figure(run[one.key], one.kind, units))
        for one in known
    ]


def bring_words(joint: str) -> str:
    """What to bring to a slot: the blanks of the joint, and what always comes along."""
    return t("bring-tube" if JOINTS[joint].tube else "bring-plate")
