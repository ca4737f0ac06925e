"""Ranking causes by evidence: from one attempt to its symptoms, its likeliest causes and the one thing to change.

Each cause that explains a symptom collects the logarithms of odds of what speaks for it and against it, and of what was before; shares
come of weighing sets of them (`weigh`). Causes are ranked, never asserted.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import log
from typing import Any

from judicum.core.causes.case import Case, Earlier, read_case
from judicum.core.causes.evidence import TESTS, EvidenceFound
from judicum.core.causes.symptoms import Symptom, could_see, symptoms_of
from judicum.core.causes.table import CAUSES, Cause, Evidence
from judicum.core.causes.weigh import weigh

MAX_CAUSES = 6
MIN_SHARE = 0.01
OWN_HISTORY = 0.35
"""Odds, as a logarithm, that one earlier confirmation of this student's adds."""
NAMED_BEFORE = 2.5
"""The same of one that was named at the last attempt…"""
SHOWN_BEFORE = 2.5
"""…and of one that was surely there beside what was named, or while nothing was: a second habit is carried on like this."""
NOT_THERE = 0.05
"""Chance under which an attempt is one without it."""
SURE = 4.0
"""Odds, as a logarithm, of a cause that somebody who stood there has named."""
FADES = 0.9
"""Of that, with each attempt since…"""
GONE = 0.85
"""…and with each one that shows none of its symptoms."""
COURSE_HISTORY = 0.5
"""The same of being the course's only cause."""
MAX_HISTORY = 2.0
"""The most of both together: the bead in hand speaks louder."""


LIKELY = 0.6
"""Chance from which a cause is called likely: it is there more often than not by a clear margin."""
MAYBE = 0.25
"""Chance from which it is called possible: one time in four."""


@dataclass(frozen=True)
class Ranked:
    """One cause with its share of all odds, the chance that it is there, alone or beside another, what speaks for and against it, and
    what to change from what to what."""

    code: str
    share: float
    chance: float
    speaks_for: tuple[EvidenceFound, ...]
    against: tuple[EvidenceFound, ...]
    key: str
    before: float | str | None
    after: float | str | None
    history: "History"


def certainty(chance: float) -> str:
    """How sure a cause is, as a code: likely, maybe, unlikely."""
    if chance >= LIKELY:
        return "likely"
    return "maybe" if chance >= MAYBE else "unlikely"


def both_likely(causes: Sequence[Ranked]) -> tuple[str, str] | None:
    """The two causes that are likely both there, the one to change first in front; None where there are none such."""
    likely = [one.code for one in causes if one.chance >= LIKELY]
    return (likely[0], likely[1]) if len(likely) > 1 else None


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
    before = _before(case)
    could = [found for found in _explaining(case, seen, before) if not _stays_out(case, found)]
    if not could:
        return Explained(tuple(seen), (), False)
    weighed = _weighed(case, seen, could, [one.evidence for one in could])
    ranked = [_ranked(case, one, share, chance) for one, (share, chance) in zip(could, weighed, strict=True)]
    ranked.sort(key=lambda one: -one.share)
    kept = [one for one in ranked[:MAX_CAUSES] if one.share >= MIN_SHARE] or ranked[:1]
    return Explained(tuple(seen), tuple(kept), False)


@dataclass(frozen=True)
class _Could:
    """A cause that explains something that is seen: its own evidence as a logarithm of odds, what speaks for it and against it."""

    cause: Cause
    evidence: float
    met: tuple[EvidenceFound, ...]
    against: tuple[EvidenceFound, ...]
    history: History


def _evidence(case: Case, seen: Sequence[Symptom], cause: Cause, before: Sequence["_Before"]) -> _Could | None:
    """A cause with its own evidence; None where it explains nothing that is seen, or cannot be."""
    shown = [s for s in seen if s.code in cause.shows]
    if not shown or (cause.needs is not None and _test(case, seen, cause.needs) is None):
        return None
    history = _history(case, cause.code, before)
    weight_for = history.tilt
    met = [EvidenceFound(s.code, s.strength) for s in shown]
    against: list[EvidenceFound] = []
    for kept, sign, every in ((met, 1, cause.speaks_for), (against, -1, cause.against)):
        for evidence, weight in every:
            if (found := _test(case, seen, evidence)) is not None:
                weight_for += sign * weight * found.strength
                kept.append(found)
    return _Could(cause, weight_for, tuple(met), tuple(against), history)


def _explaining(case: Case, seen: Sequence[Symptom], before: Sequence["_Before"]) -> list[_Could]:
    """Every cause that explains something that is seen, in the order of the table."""
    return [found for cause in CAUSES.values() if (found := _evidence(case, seen, cause, before)) is not None]


def _weighed(
    case: Case, seen: Sequence[Symptom], could: Sequence[_Could], evidence: Sequence[float]
) -> list[tuple[float, float]]:
    """Share and chance of each cause, with its evidence."""
    shares, chances = weigh([one.cause for one in could], evidence, {s.code: s.strength for s in seen}, could_see(case))
    return [(float(share), float(chance)) for share, chance in zip(shares, chances, strict=True)]


def _stays_out(case: Case, found: _Could) -> bool:
    """Whether a cause was ruled out of this attempt and nothing new speaks for it."""
    spoke = case.ruled_out.get(found.cause.code)
    return spoke is not None and (not spoke or {item.what for item in found.met} <= spoke)


def _test(case: Case, seen: Sequence[Symptom], evidence: Evidence) -> EvidenceFound | None:
    name, *arguments = evidence
    return TESTS[name](case, seen, *arguments)


def _history(case: Case, code: str, before: Sequence["_Before"]) -> History:
    """What was confirmed or set aside before tilts the start and never decides alone."""
    own, course, rejected = case.confirmed.count(code), case.usual.get(code, 0), case.rejected.get(code, 0)
    judged = sum(case.usual.values()) + sum(case.rejected.values())
    usual = COURSE_HISTORY * (log(1 + course) - log(1 + rejected)) / log(1 + judged) if judged else 0.0
    habit = _habit(before, code) if before else OWN_HISTORY * own
    return History(own, course, rejected, round(min(MAX_HISTORY, habit + usual), 3))


@dataclass(frozen=True)
class _Before:
    """An attempt before: what was named, and the chance of each cause that it was there beside that (None: it was not told whole)."""

    confirmed: str | None
    chances: Mapping[str, float] | None


def _before(case: Case) -> list[_Before]:
    return [_Before(one.confirmed, _chances(one)) for one in case.earlier]


def _chances(one: Earlier) -> Mapping[str, float] | None:
    """How likely each cause was there in an attempt before, by itself; what was named then is taken as there."""
    if one.case is None:
        return None
    seen = symptoms_of(one.case)
    could = _explaining(one.case, seen, ())
    if not could:
        return {}
    own = [found.evidence + (SURE if found.cause.code == one.confirmed else 0.0) for found in could]
    weighed = _weighed(one.case, seen, could, own)
    return {found.cause.code: chance for found, (_, chance) in zip(could, weighed, strict=True)}


def _habit(before: Sequence[_Before], code: str) -> float:
    """What earlier attempts say of a habit: one that was named lately counts most, one whose symptoms went away after it little."""
    tilt = 0.0
    for one in before:
        tilt *= FADES
        if one.confirmed == code:
            tilt += NAMED_BEFORE
        elif one.chances is not None:
            chance = one.chances.get(code, 0.0)
            tilt = tilt * (GONE if chance < NOT_THERE else 1.0) + SHOWN_BEFORE * chance
    return tilt


def _ranked(case: Case, could: _Could, share: float, chance: float) -> Ranked:
    cause = could.cause
    key, how = cause.change
    before: float | str | None = None
    after: float | str | None = None
    figures = case.figures(key)
    if how == "aim":
        off = [value for value, low, high in figures if not low <= value <= high]
        before = off[0] if off else figures[0][0] if figures else None
        after = case.aim(key)
    elif key == "gas_part":
        before, after = "collet_body", how
    elif key == "purge_l_min":
        before, purge = 0.0, case.card.purge
        after = purge.l_min.aim if purge else None
    return Ranked(
        cause.code, round(share, 3), round(chance, 3), could.met, could.against, key, before, after, could.history
    )
