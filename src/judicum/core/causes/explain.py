"""Ranking causes by evidence: from one attempt to its symptoms, its likeliest causes and the one thing to change.

Each cause that explains a symptom collects the logarithms of odds of what speaks for it and against it; shares are their
exponentials over the sum of all and of a cause that nobody thought of. Causes are ranked, never asserted.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import exp, log
from typing import Any

from judicum.core.causes.case import Case, read_case
from judicum.core.causes.evidence import TESTS, EvidenceFound
from judicum.core.causes.symptoms import Symptom, symptoms_of
from judicum.core.causes.table import CAUSES, Cause, Evidence

MAX_CAUSES = 6
MIN_SHARE = 0.02
UNKNOWN = 1.5
"""Odds, as a logarithm, of a cause that is not in the table."""
UNEXPLAINED = 0.9
"""Cost of each symptom, by its strength, that a cause leaves unexplained."""
OWN_HISTORY = 0.35
"""Odds, as a logarithm, that one earlier confirmation of this student's adds."""
COURSE_HISTORY = 0.5
"""The same of being the course's only cause."""
MAX_HISTORY = 0.9
"""The most of both together: the bead in hand speaks louder."""


@dataclass(frozen=True)
class Ranked:
    """One cause with its share of all odds, what speaks for and against it, and what to change from what to what."""

    code: str
    share: float
    speaks_for: tuple[EvidenceFound, ...]
    against: tuple[EvidenceFound, ...]
    key: str
    before: float | str | None
    after: float | str | None
    history: "History"


@dataclass(frozen=True)
class History:
    """What was confirmed of a cause before (this student's attempts, the course's), set aside in the course, and what it adds."""

    own: int
    course: int
    rejected: int
    tilt: float


@dataclass(frozen=True)
class Explained:
    """`sound`: nothing is wrong; None: nothing could be seen either way."""

    symptoms: tuple[Symptom, ...]
    causes: tuple[Ranked, ...]
    sound: bool | None


def explain(given: Mapping[str, Any]) -> Explained:
    """Explain one attempt (docs/causes.md). Raises InvalidValues."""
    return explain_case(read_case(given))


def explain_case(case: Case) -> Explained:
    """The same of a case that was read."""
    seen = symptoms_of(case)
    if not seen:
        measured = case.report is not None and case.report.bead is not None
        looked = any(value not in (False, [], None) for value in (*case.looks.values(), *case.by_hand.values()))
        return Explained((), (), True if measured or looked else None)
    scored = [found for cause in CAUSES.values() if (found := _score(case, seen, cause)) is not None]
    whole = exp(UNKNOWN) + sum(exp(score) for score, _, _, _ in scored)
    ranked = [_ranked(case, cause, exp(score) / whole, met, against) for score, cause, met, against in scored]
    ranked.sort(key=lambda one: -one.share)
    kept = [one for one in ranked[:MAX_CAUSES] if one.share >= MIN_SHARE] or ranked[:1]
    return Explained(tuple(seen), tuple(kept), False)


def _score(
    case: Case, seen: Sequence[Symptom], cause: Cause
) -> tuple[float, Cause, tuple[EvidenceFound, ...], tuple[EvidenceFound, ...]] | None:
    """Logarithm of a cause's odds with its evidence; None where it explains nothing that is seen, or cannot be."""
    shown = [s for s in seen if s.code in cause.shows]
    if not shown or (cause.needs is not None and _test(case, seen, cause.needs) is None):
        return None
    score = cause.base + _history(case, cause.code).tilt
    score += sum(cause.shows[s.code] * s.strength for s in shown)
    score -= UNEXPLAINED * sum(s.strength for s in seen if s.code not in cause.shows)
    met = [EvidenceFound(s.code, s.strength) for s in shown]
    against: list[EvidenceFound] = []
    for kept, sign, every in ((met, 1, cause.speaks_for), (against, -1, cause.against)):
        for evidence, weight in every:
            if (found := _test(case, seen, evidence)) is not None:
                score += sign * weight * found.strength
                kept.append(found)
    return score, cause, tuple(met), tuple(against)


def _test(case: Case, seen: Sequence[Symptom], evidence: Evidence) -> EvidenceFound | None:
    name, *arguments = evidence
    return TESTS[name](case, seen, *arguments)


def _history(case: Case, code: str) -> History:
    """What was confirmed or set aside before tilts the start and never decides alone."""
    own, course, rejected = case.confirmed.count(code), case.usual.get(code, 0), case.rejected.get(code, 0)
    judged = sum(case.usual.values()) + sum(case.rejected.values())
    usual = COURSE_HISTORY * (log(1 + course) - log(1 + rejected)) / log(1 + judged) if judged else 0.0
    return History(own, course, rejected, round(min(MAX_HISTORY, OWN_HISTORY * own + usual), 3))


def _ranked(
    case: Case, cause: Cause, share: float, met: tuple[EvidenceFound, ...], against: tuple[EvidenceFound, ...]
) -> Ranked:
    key, how = cause.change
    before: float | str | None = None
    after: float | str | None = None
    figures = case.figures(key)
    if how == "aim":
        off = [value for value, low, high in figures if not low <= value <= high]
        before = off[0] if off else figures[0][0] if figures else None
        after = _aim(case, key)
    elif key == "gas_part":
        before, after = "collet_body", how
    elif key == "purge_l_min":
        before, purge = 0.0, case.card.purge
        after = purge.l_min.aim if purge else None
    return Ranked(cause.code, round(share, 3), met, against, key, before, after, _history(case, cause.code))


def _aim(case: Case, key: str) -> float | None:
    """What to aim at: the card's own figure, within the range of the cup and part that were used."""
    card = case.card
    if key == "work_angle_deg":
        return float(card.angles_deg.work)
    if key == "travel_angle_deg":
        return float(card.angles_deg.travel)
    if key == "filler_mm":
        return float(card.filler.diameter_mm) if card.filler else None
    found = card.band(key)
    aim = found.aim if found else None
    for band in case.bands[:1]:
        if aim is not None and key in band:
            low, high = band[key]
            aim = aim if low <= aim <= high else round((low + high) / 2, 1)
    return aim
