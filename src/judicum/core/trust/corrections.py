"""What people corrected as truth: per kind of fault how often measuring was right, how far toes were moved, how often fronts were
cut or added; and from when a kind is worth reporting in a course.

A bead counts once somebody has marked it: they looked, and what they left alone they took for right.
"""

import math
from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from judicum.core.photo.report import Defect, Report

SAME_PLACE_MM = 1.5
"""mm on the plate within which a fault put back by hand is the one that was found: a moved one was right."""
MOVED_MM = 0.02
"""mm of mean width from which toes count as moved; less is rounding."""
MIN_FOUND = 20
"""Faults of a kind that were found and looked at before a limit is offered: of fewer, chance decides."""
MIN_BELOW = 8
"""Of them below the limit."""
WRONG_SHARE = 0.75
"""Of those below the limit, so many were removed by hand at least: three wrong ones go for each right one that is lost."""
Z_95 = 1.96
"""Standard deviations that hold 95 % of a normal distribution."""


@dataclass(frozen=True)
class Verdict:
    """A fault that measuring found: its kind, how sure it was, and whether whoever marked it let it stand."""

    kind: str
    confidence: float
    stands: bool


@dataclass(frozen=True)
class Reviewed:
    """One bead that was looked at: its faults, the kinds that were added, by how much its mean width was changed (mm), and how many
    fronts were found, removed and added."""

    faults: tuple[Verdict, ...]
    added: tuple[str, ...]
    width_changed_mm: float
    fronts: int
    fronts_removed: int
    fronts_added: int


@dataclass(frozen=True)
class Limit:
    """From which confidence a kind would be reported, and how many of those below it were found and were wrong."""

    confidence: float
    below: int
    wrong: int


@dataclass(frozen=True)
class KindTruth:
    """How true one kind of fault is: found, right ones among them with the 95 % interval of their share, missed ones, and the limit
    that the course's corrections speak for."""

    kind: str
    found: int
    right: int
    missed: int
    low: float
    high: float
    limit: Limit | None


def review(
    computed: Report, result: Report, steps: Iterable[Mapping[str, Any]], below: Sequence[Defect] = ()
) -> Reviewed:
    """What was corrected of one bead.

    Args:
        computed: as measured. result: with the corrections in force. steps: those corrections. below: faults that the course's limit
        kept back: right where somebody added them by hand.
    """
    standing = list(result.defects or [])
    found = [*(computed.defects or []), *below]
    faults = []
    for fault in found:
        same = next((one for one in standing if one.kind == fault.kind and _away_mm(one, fault) <= SAME_PLACE_MM), None)
        if same is not None:
            standing.remove(same)
        faults.append(Verdict(fault.kind, fault.confidence, same is not None))
    counts: dict[str, int] = defaultdict(int)
    for step in steps:
        counts[step["step"]] += 1
    fronts = len(computed.ripple.positions_mm) if computed.ripple else 0
    changed = result.bead.width_mm.mean - computed.bead.width_mm.mean if result.bead and computed.bead else 0.0
    removed = fronts if counts["no_ripples"] else counts["remove_front"]
    return Reviewed(tuple(faults), tuple(one.kind for one in standing), changed, fronts, removed, counts["add_front"])


def kinds_of(reviewed: Sequence[Reviewed]) -> list[KindTruth]:
    """How true each kind of fault is that was found or missed, by its name."""
    by_kind: dict[str, list[Verdict]] = defaultdict(list)
    missed: dict[str, int] = defaultdict(int)
    for bead in reviewed:
        for fault in bead.faults:
            by_kind[fault.kind].append(fault)
        for kind in bead.added:
            missed[kind] += 1
    return [
        KindTruth(kind, len(mine), right, missed[kind], *_interval(right, len(mine)), limit_of(mine))
        for kind in sorted({*by_kind, *missed})
        for mine in [by_kind[kind]]
        for right in [sum(fault.stands for fault in mine)]
    ]


def limit_of(faults: Sequence[Verdict]) -> Limit | None:
    """The highest confidence below which at least WRONG_SHARE of the found ones were removed by hand; None where too few were found,
    too few lie below it, or none is so.

    >>> limit_of([Verdict("pore", 0.4, False)] * 10 + [Verdict("pore", 0.9, True)] * 10)
    Limit(confidence=0.9, below=10, wrong=10)
    """
    if len(faults) < MIN_FOUND:
        return None
    best = None
    for confidence in sorted({fault.confidence for fault in faults}):
        below = [fault for fault in faults if fault.confidence < confidence]
        wrong = sum(not fault.stands for fault in below)
        if len(below) >= MIN_BELOW and wrong >= WRONG_SHARE * len(below):
            best = Limit(confidence, len(below), wrong)
    return best


def with_limits(report: dict[str, Any], limits: Mapping[str, float]) -> dict[str, Any]:
    """A report (JSON) of a course with limits: faults below them stand in `below_limit` instead of `defects`."""
    faults = report.get("defects") or []
    below = [one for one in faults if one["confidence"] < limits.get(one["kind"], 0.0)]
    if not below:
        return report
    return {**report, "defects": [one for one in faults if one not in below], "below_limit": below}


def _interval(right: int, count: int) -> tuple[float, float]:
    """The 95 % interval of a share, by Wilson's score [src: wilson-1927]; 0 to 1 of none. By hand: the library that has it takes
    seconds to load into a web process.

    >>> [round(value, 3) for value in _interval(8, 10)]
    [0.49, 0.943]
    """
    if count == 0:
        return 0.0, 1.0
    share, z2 = right / count, Z_95**2
    middle = (share + z2 / (2 * count)) / (1 + z2 / count)
    reach = Z_95 * math.sqrt(share * (1 - share) / count + z2 / (4 * count**2)) / (1 + z2 / count)
    return middle - reach, middle + reach


def _away_mm(one: Defect, other: Defect) -> float:
    return math.hypot(one.x_mm - other.x_mm, one.y_mm - other.y_mm)
