"""How a record goes on, in words: for those who teach, and in kinder ones for the student."""

from judicum.core.marking import CRITERIA
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.film import level_name
from judicum.core.progress import Forecast, ToGo
from judicum.core.progress.forecast import WEIGHED
from judicum.words.causes import DONE_WORDS, GONE_WORDS
from judicum.words.units import METRIC, Units, fixed
from judicum.words.units import format_figure as format_figure

TRENDS = {
    "better": "getting better",
    "level": "no clear trend",
    "worse": "getting worse",
    "unknown": "too few attempts for a trend",
}
MANY = 0.8
"""Probability of passing from which it is called likely."""
SOME = 0.5
"""And about even."""
MAX_SHOWN = 40
"""Attempts: no forecast is told as far ahead as that."""
DISCOURAGING = 12
"""Attempts from which a student is told what to gain, not how many more."""
FIGURE_WORDS = {
    "width_cv": "Even width", "pitch_cv": "Even ripples", "toe_waviness": "Straight toes", "tint_level": "Heat tint",
    "total": "Mark",
}  # fmt: skip
"""Figures over time."""
STEP_WORDS = {"done": "done", "tried": "started", "ready": "ready to start", "locked": "locked"}
"""Where a student stands at a step."""


def holds_back_words(key: str | None) -> str:
    """The figure that costs most points now; empty where none does."""
    if key is None:
        return ""
    return CRITERIA[WEIGHED.get(key, "faults")].words.lower()


def returning_words(found: Forecast) -> str:
    """Faults that keep coming back; empty where none does."""
    return ", ".join(
        f"{FAULT_KINDS[fault].words if fault in FAULT_KINDS else fault} in {times} of the last 4"
        for fault, times in found.returning
    )


def to_go_words(found: Forecast, in_a_row: int) -> str:
    """How many more attempts until enough passes in a row."""
    passes = f"{in_a_row} passes in a row" if in_a_row != 1 else "1 pass"
    if found.to_go == 0:
        return f"{passes} reached"
    if not isinstance(found.to_go, ToGo):
        return f"more than {MAX_SHOWN} attempts to {passes}"
    low, high = found.to_go.low, found.to_go.high
    if high >= MAX_SHOWN:
        return f"at least {low} more {'attempt' if low == 1 else 'attempts'} to {passes}"
    many = f"{low}" if low == high else f"{low}–{high}"
    return f"about {many} more {'attempt' if many == '1' else 'attempts'} to {passes}"


def forecast_to_staff(found: Forecast, in_a_row: int) -> str:
    """The record in one line, for those who teach."""
    parts = [f"Chance of passing next: {100 * found.next_pass:.0f}%", to_go_words(found, in_a_row), TRENDS[found.trend]]
    if found.plateau and not found.ready:
        parts.append("on a plateau")
    if held := holds_back_words(found.holds_back):
        parts.append(f"biggest loss: {held}")
    if back := returning_words(found):
        parts.append(f"keeps coming back: {back}")
    return "; ".join(parts)


def forecast_to_student(found: Forecast, in_a_row: int) -> str:
    """The same to the student: what stands, what comes, what to look after. Never so many attempts that it discourages."""
    if found.ready:
        return f"You have {in_a_row} passes in a row: you are ready for the next coupon."
    chance = "likely" if found.next_pass >= MANY else "about even" if found.next_pass >= SOME else "not there yet"
    parts = [f"Passing next time: {chance}"]
    if isinstance(found.to_go, ToGo) and found.to_go.high < DISCOURAGING:
        parts.append(to_go_words(found, in_a_row))
    if found.trend == "better":
        parts.append("you are getting better")
    if held := holds_back_words(found.holds_back):
        parts.append(f"biggest gain: {held}")
    if back := returning_words(found):
        parts.append(f"watch for: {back}")
    return "; ".join(parts) + "."


def figure_words(key: str, value: float, units: Units = METRIC) -> str:
    """A figure over time as page and reports say it: shares in percent, tint by level and name, marks of a hundred, lengths.

    >>> figure_words("width_cv", 0.0734), figure_words("tint_level", 2), figure_words("total", 71.6)
    ('7.3 %', '2 gold', '71.6')
    """
    if key == "tint_level":
        return f"{value:.0f} {level_name(round(value))}"
    if key == "total":
        return format_figure(value, "mark", units)
    return format_figure(value, "length", units) if key.endswith("_mm") else f"{fixed(100 * value, 1)} %"


def became_words(done: str, gone: str) -> str:
    """What became of a change that was asked for; empty where the next attempt does not say."""
    if done in ("", "unknown") and gone in ("", "unknown"):
        return ""
    return "; ".join(format_figure for format_figure in (DONE_WORDS.get(done), GONE_WORDS.get(gone)) if format_figure)


def share_words(now: int, now_of: int, before: int, before_of: int) -> str:
    """In how many beads something shows in the last week of welding, beside the month before."""
    said = f"{now} of {now_of} beads"
    return f"{said}, {before} of {before_of} in the month before" if before_of else said
