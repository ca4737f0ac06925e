"""How a record goes on, in words: for those who teach, and in kinder ones for the student."""

from judicum.core.marking import CRITERIA
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.progress import Forecast, ToGo
from judicum.core.progress.forecast import WEIGHED

TRENDS = {"better": "getting better", "level": "level", "worse": "getting worse", "unknown": "too few to tell a trend"}
MANY, SOME = 0.8, 0.5


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
    """How many more until enough good ones stand in a row."""
    if found.to_go == 0:
        return f"{in_a_row} good ones in a row stand"
    if not isinstance(found.to_go, ToGo):
        return f"more than forty until {in_a_row} good ones stand in a row"
    low, high = found.to_go.low, found.to_go.high
    many = f"{low}" if low == high else f"{low} to {high}" if high < 40 else f"{low} or more"
    return f"{many} more until {in_a_row} good ones stand in a row"


def told(found: Forecast, in_a_row: int) -> str:
    """The record in one line, for those who teach."""
    parts = [f"next passes with {100 * found.next_pass:.0f} %", to_go_words(found, in_a_row), TRENDS[found.trend]]
    if found.plateau and not found.ready:
        parts.append("on a plateau")
    if held := holds_back_words(found.holds_back):
        parts.append(f"{held} costs most")
    if back := returning_words(found):
        parts.append(f"comes back: {back}")
    return "; ".join(parts)


def told_to_student(found: Forecast, in_a_row: int) -> str:
    """The same to the student: what stands, what comes, what to look after."""
    if found.ready:
        return f"{in_a_row} good ones in a row stand: you are ready for the next rung."
    chance = "likely" if found.next_pass >= MANY else "about even" if found.next_pass >= SOME else "still to come"
    parts = [f"A pass next time is {chance}", to_go_words(found, in_a_row)]
    if found.trend == "better":
        parts.append("you are getting better")
    if held := holds_back_words(found.holds_back):
        parts.append(f"most is to be won on: {held}")
    if back := returning_words(found):
        parts.append(f"look after: {back}")
    return "; ".join(parts) + "."
