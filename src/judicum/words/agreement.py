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
        [difference_words(found.difference, "second marks", "first ones", whole=key == "total")]
        if key != "passed"
        else []
    )
    best = found.icc if key != "passed" else found.kappa
    if best is not None:
        much = "well" if best.value >= GOOD else "fairly" if best.value >= FAIR else "hardly"
        parts.append(f"both agree {much}")
    if found.few:
        parts.append(f"only {found.pairs} {'pair' if found.pairs == 1 else 'pairs'}, so this is far from certain")
    return "; ".join(part for part in parts if part)


def difference_words(found: Interval | None, these: str, those: str, whole: bool = False) -> str:
    """A mean difference and whether chance could make it."""
    if found is None:
        return ""
    digits = 1 if whole else 2
    if found.low <= 0 <= found.high:
        return f"{these} lie level with {those}, as far as can be told"
    side = "above" if found.value > 0 else "below"
    return f"{these} lie {abs(found.value):.{digits}f} {side} {those}"


def severity_words(marks: int, found: Severity | None) -> str:
    """What a marker's control chart says."""
    if found is None:
        return f"{marks} mark: too few to tell"
    beside = "with" if abs(found.usual) < 0.5 else f"{abs(found.usual):.1f} {'above' if found.usual > 0 else 'below'}"
    usual = f"usually {beside} what is suggested"
    if found.drifts is None:
        return f"{usual}; {STEADY - marks + 1 if marks <= STEADY else 0} more marks until drift can be told"
    if found.drifts == "no":
        return f"{usual}; steady"
    return f"{usual}; drifts: {found.drifts} of late than chance would have it"
