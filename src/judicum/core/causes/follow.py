"""Whether the one thing that was asked to change was changed, and whether what was seen has gone."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

from judicum.core.causes.case import SKIPPABLE, Case
from judicum.core.causes.symptoms import symptoms_of

Done = Literal["done", "partly", "not", "unknown"]
Gone = Literal["gone", "less", "still", "unknown"]
NEARLY = 0.25
"""Of the way from the old figure to the one asked for that may be missing, and it is still done."""
LESS = 0.2
"""Less strength than before that counts as less."""


@dataclass(frozen=True)
class Followed:
    """`used` is the figure that was set this time, None where the change is none of a figure."""

    done: Done
    used: float | str | None
    gone: Gone


def followed(case: Case, change: Mapping[str, object], before: Mapping[str, float]) -> Followed:
    """Look at an attempt for a change that was asked for (`key`, `from`, `to`) and for the symptoms it was asked for.

    Args:
        before: symptoms by code with their strength, as they were when the change was asked for.
    """
    done, used = _done(case, str(change.get("key") or ""), change.get("from"), change.get("to"))
    return Followed(done, used, _gone(case, before))


def _done(case: Case, key: str, old: object, new: object) -> tuple[Done, float | str | None]:
    if key in SKIPPABLE:
        if case.skipped is None:
            return "unknown", None
        return ("not" if key in case.skipped else "done"), None
    if isinstance(new, str):
        used = [value for run in case.runs if (value := getattr(run, key, None)) is not None]
        return ("unknown", None) if not used else ("done" if used[-1] == new else "not", used[-1])
    figures = case.figures(key)
    if not figures or not isinstance(new, int | float):
        return "unknown", None
    # Of several runs the one furthest from what was asked for counts.
    value, low, high = max(figures, key=lambda one: abs(one[0] - new))
    if not isinstance(old, int | float) or old == new:
        return ("done" if low <= value <= high else "not"), value
    way = (value - old) / (new - old)
    return ("done" if way >= 1 - NEARLY else "partly" if way >= NEARLY else "not"), value


def _gone(case: Case, before: Mapping[str, float]) -> Gone:
    measured = case.report is not None and case.report.bead is not None
    if not before or not (measured or case.looks or case.by_hand):
        return "unknown"
    now = {seen.code: seen.strength for seen in symptoms_of(case)}
    then, left = sum(before.values()), sum(now.get(code, 0.0) for code in before)
    if not left:
        return "gone"
    return "less" if left < then - LESS else "still"


def strengths(symptoms: Iterable[Any], codes: Iterable[str]) -> dict[str, float]:
    """Of the symptoms that were seen, those a cause explains, by code with their strength."""
    wanted = set(codes)
    return {seen.code: seen.strength for seen in symptoms if seen.code in wanted}
