"""How alike a course is marked, in words."""

from judicum.core.marking.agreement import STEADY, Agreement, Interval, Severity
from judicum.words.catalogue import t
from judicum.words.names import named

LINES = ("total", "passed")
"""Lines beside those of the criteria."""
GOOD = 0.75
"""Intraclass correlation from which single marks are good enough to stand alone [src: koo-li-2016]."""
FAIR = 0.5
"""From which they are fair."""
NEAR = 0.5
"""Points of a hundred: a marker that far off the suggestion is called close to it."""


def line_words(key: str) -> str:
    """What a line of the agreement is called."""
    return named("agreement-line", key) if key in LINES else named("criterion", key)


def agreement_words(key: str, found: Agreement) -> str:
    """One line of the agreement."""
    parts = [difference_words(found.difference, whole=key == "total")] if key != "passed" else []
    best = found.icc if key != "passed" else found.kappa
    if best is not None:
        parts.append(named("agreement", "good" if best.value >= GOOD else "fair" if best.value >= FAIR else "poor"))
    if found.few:
        parts.append(t("agreement-few-pairs", pairs=found.pairs))
    return "; ".join(part for part in parts if part)


def difference_words(found: Interval | None, kind: str = "second", *, whole: bool = False) -> str:
    """A mean difference and whether chance could make it; `kind` is `second` marks over first ones, or `marker` over suggestion."""
    if found is None:
        return ""
    if found.low <= 0 <= found.high:
        return t(f"difference-none-{kind}")
    return t(
        f"difference-{'above' if found.value > 0 else 'below'}-{kind}",
        points=f"{abs(found.value):.{1 if whole else 2}f}",
    )


def severity_words(marks: int, found: Severity | None) -> str:
    """What a marker's control chart says."""
    if found is None:
        return t("severity-too-few", marks=marks)
    if abs(found.usual) < NEAR:
        usual = t("severity-close")
    else:
        usual = t(f"severity-{'above' if found.usual > 0 else 'below'}", points=f"{abs(found.usual):.1f}")
    if found.drifts is None:
        return f"{usual}; {t('severity-more-marks-needed', marks=STEADY - marks + 1 if marks <= STEADY else 0)}"
    return f"{usual}; {named('severity-drift', found.drifts)}"
