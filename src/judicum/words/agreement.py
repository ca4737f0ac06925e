"""How alike a course is marked, in words."""

from judicum.core.marking import CRITERIA
from judicum.core.marking.agreement import STEADY, Agreement, Interval, Severity

LINES = {"total": "Total", "passed": "Pass or fail"}
GOOD = 0.75
"""Intraclass correlation from which single marks are good enough to stand alone [src: koo-li-2016]."""
FAIR = 0.5
"""From which they are fair."""


def line_words(key: str) -> str:
    """What a line of the agreement is called."""
    return LINES.get(key) or CRITERIA[key].words


def agreement_words(key: str, found: Agreement) -> str:
    """One line of the agreement."""
    parts = (
        [difference_words(found.difference, "second marks", "first marks", whole=key == "total")]
        if key != "passed"
        else []
    )
    best = found.icc if key != "passed" else found.kappa
    if best is not None:
        much = "good" if best.value >= GOOD else "fair" if best.value >= FAIR else "poor"
        parts.append(f"agreement: {much}")
    if found.few:
        parts.append(f"only {found.pairs} {'pair' if found.pairs == 1 else 'pairs'}, so this is uncertain")
    return "; ".join(part for part in parts if part)


def difference_words(found: Interval | None, these: str, those: str, whole: bool = False) -> str:
    """A mean difference and whether chance could make it."""
    if found is None:
        return ""
    digits = 1 if whole else 2
    if found.low <= 0 <= found.high:
        return f"no clear difference between {these} and {those}"
    side = "above" if found.value > 0 else "below"
    return f"{these} are {abs(found.value):.{digits}f} {side} {those}"


def severity_words(marks: int, found: Severity | None) -> str:
    """What a marker's control chart says."""
    if found is None:
        return f"{marks} {'mark' if marks == 1 else 'marks'}: too few to tell"
    beside = (
        "close to" if abs(found.usual) < 0.5 else f"{abs(found.usual):.1f} {'above' if found.usual > 0 else 'below'}"
    )
    usual = f"usually {beside} the suggested mark"
    if found.drifts is None:
        return f"{usual}; {STEADY - marks + 1 if marks <= STEADY else 0} more marks needed to detect drift"
    if found.drifts == "no":
        return f"{usual}; steady"
    return f"{usual}; drifting: recently {found.drifts} than chance explains"
