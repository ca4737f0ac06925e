"""How a record goes on, in words: for those who teach, and in kinder ones for the student."""

from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.progress import Forecast, ToGo
from judicum.core.progress.forecast import WEIGHED
from judicum.words.catalogue import t
from judicum.words.names import listed, named, tint_name
from judicum.words.units import METRIC, Units, fixed, format_figure

MANY = 0.8
"""Probability of passing from which it is called likely."""
SOME = 0.5
"""And about even."""
MAX_SHOWN = 40
"""Attempts: no forecast is told as far ahead as that."""
DISCOURAGING = 12
"""Attempts from which a student is told what to gain, not how many more."""
FIGURES = ("width_cv", "pitch_cv", "toe_waviness", "tint_level", "total")
"""Figures over time."""


def holds_back_words(key: str | None) -> str:
    """The figure that costs most points now; empty where none does."""
    if key is None:
        return ""
    return named("criterion", WEIGHED.get(key, "faults")).lower()


def returning_words(found: Forecast) -> str:
    """Faults that keep coming back; empty where none does."""
    return listed(
        [
            t("fault-returns", fault=named("fault", fault) if fault in FAULT_KINDS else fault, times=times)
            for fault, times in found.returning
        ]
    )


def to_go_words(found: Forecast, in_a_row: int) -> str:
    """How many more attempts until enough passes in a row."""
    if found.to_go == 0:
        return t("to-go-reached", in_a_row=in_a_row)
    if not isinstance(found.to_go, ToGo):
        return t("to-go-many", in_a_row=in_a_row, attempts=MAX_SHOWN)
    low, high = found.to_go.low, found.to_go.high
    if high >= MAX_SHOWN:
        return t("to-go-at-least", in_a_row=in_a_row, low=low)
    if low == high:
        return t("to-go-about", in_a_row=in_a_row, attempts=low)
    return t("to-go-range", in_a_row=in_a_row, low=low, high=high)


def forecast_to_staff(found: Forecast, in_a_row: int) -> str:
    """The record in one line, for those who teach."""
    parts = [
        t("chance-of-passing", percent=f"{100 * found.next_pass:.0f}"),
        to_go_words(found, in_a_row),
        named("trend", found.trend),
    ]
    if found.plateau and not found.ready:
        parts.append(t("on-a-plateau"))
    if held := holds_back_words(found.holds_back):
        parts.append(t("biggest-loss", criterion=held))
    if back := returning_words(found):
        parts.append(t("keeps-coming-back", faults=back))
    return "; ".join(parts)


def forecast_to_student(found: Forecast, in_a_row: int) -> str:
    """The same to the student: what stands, what comes, what to look after. Never so many attempts that it discourages."""
    if found.ready:
        return t("student-ready", in_a_row=in_a_row)
    chance = "likely" if found.next_pass >= MANY else "even" if found.next_pass >= SOME else "not-yet"
    sentences = [t(f"student-chance-{chance}")]
    if isinstance(found.to_go, ToGo) and found.to_go.high < DISCOURAGING:
        sentences.append(t("student-to-go", to_go=to_go_words(found, in_a_row)))
    if found.trend == "better":
        sentences.append(t("student-better"))
    if held := holds_back_words(found.holds_back):
        sentences.append(t("student-biggest-gain", criterion=held))
    if back := returning_words(found):
        sentences.append(t("student-watch-for", faults=back))
    return " ".join(sentences)


def figure_words(key: str, value: float, units: Units = METRIC) -> str:
    """A figure over time as page and reports say it: shares in percent, tint by level and name, marks of a hundred, lengths.

    >>> figure_words("width_cv", 0.0734), figure_words("tint_level", 2), figure_words("total", 71.6)
    ('7.3%', '2 gold', '71.6')
    """
    if key == "tint_level":
        return tint_name(round(value))
    if key == "total":
        return format_figure(value, "mark", units)
    return format_figure(value, "length", units) if key.endswith("_mm") else t("percent", figure=fixed(100 * value, 1))


def became_words(done: str, gone: str) -> str:
    """What became of a change that was asked for; empty where the next attempt does not say."""
    if done in ("", "unknown") and gone in ("", "unknown"):
        return ""
    known = [named(kind, code) for kind, code in (("change-done", done), ("change-gone", gone)) if code]
    return "; ".join(known)


def share_words(now: int, now_of: int, before: int, before_of: int) -> str:
    """In how many beads something shows in the last week of welding, beside the month before."""
    if not before_of:
        return t("share-now", now=now, now_of=now_of)
    return t("share-now-and-before", now=now, now_of=now_of, before=before, before_of=before_of)
