"""Comparing measurements with the truth of the drawn set, kind by kind."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

import numpy as np

Report = Mapping[str, Any]
NEAR_MM = 3.0
"""A fault counts as found within this distance of its place, a long one of its stretch."""


@dataclass
class Tally:
    """What one kind of photo gave: lists of errors, and counts."""

    photos: int = 0
    measured: int = 0
    errors: dict[str, list[float]] = field(default_factory=dict)
    faults: dict[str, list[int]] = field(default_factory=dict)
    false_in_clean: list[int] = field(default_factory=list)

    def add(self, key: str, value: float) -> None:
        self.errors.setdefault(key, []).append(float(value))

    def mean(self, key: str) -> float | None:
        values = self.errors.get(key)
        return float(np.mean(values)) if values else None


def judge(tally: Tally, truth: Report, report: Report) -> None:
    """Add one measured photo to a kind's tally."""
    tally.photos += 1
    if report["refusal"] is not None:
        return
    tally.measured += 1
    bead, true = report["bead"], truth["bead"]
    wrong = abs(bead["width_mm"]["mean"] - true["width_mm"]["mean"])
    tally.add("width error, mm", wrong)
    tally.add("width within ± 2 u", wrong <= 2 * bead["width_mm"]["uncertainty"])
    tally.add("uncertainty, mm", bead["width_mm"]["uncertainty"])
    tally.add("width cv error", abs(bead["width_mm"]["cv"] - true["width_mm"]["cv"]))
    tally.add("length error, mm", abs(bead["length_mm"] - true["length_mm"]))
    tally.add("straightness error, mm", abs(bead["straightness_mm"] - true["straightness_mm"]))
    _ripple(tally, truth["ripple"], report["ripple"], true)
    tint, shown = truth["tint"], report["tint"]
    for key, part in (("bead", "bead"), ("zone", "haz")):
        off = abs(shown[part]["level"] - tint[part]["level"])
        tally.add(f"tint of the {key}, exact", off == 0)
        tally.add(f"tint of the {key}, within one", off <= 1)
    tally.add(
        "tint width error, mm", np.mean([abs(shown["width_mm"][k] - tint["width_mm"][k]) for k in ("left", "right")])
    )
    false = _faults(tally, truth["defects"], report["defects"])
    if not truth["defects"]:
        tally.false_in_clean.append(false)


def _ripple(tally: Tally, true: Report | None, seen: Report | None, bead: Report) -> None:
    tally.add("ripples null when there are none", (true is None) == (seen is None))
    if true is None or seen is None:
        return
    tally.add("pitch error, %", 100 * abs(seen["pitch_mm"] - true["pitch_mm"]) / true["pitch_mm"])
    tally.add("ripple cv error", abs(seen["cv"] - true["cv"]))
    half, length = bead["width_mm"]["mean"] / 2, bead["length_mm"]

    def counts(s: float) -> bool:
        return half <= s <= length - half and not any(a <= s <= b for a, b in true["ignore_mm"])

    left = list(true["positions_mm"])
    hits = lost = 0
    for s in seen["positions_mm"]:
        near = min(left, key=lambda t: abs(t - s), default=math.inf)
        if abs(near - s) <= 0.3 * true["pitch_mm"]:
            left.remove(near)
            hits += 1
        else:
            lost += counts(s)
    lost += sum(counts(t) for t in left)
    tally.add("fronts found, F1", 2 * hits / max(1, 2 * hits + lost))


def _faults(tally: Tally, true: Sequence[Report], seen: Sequence[Report]) -> int:
    """Count found, false and missed faults by kind; returns the false ones."""
    left = list(seen)
    for fault in true:
        low, high = fault.get("stretch_mm") or (fault["s_mm"], fault["s_mm"])
        near = [f for f in left if f["kind"] == fault["kind"] and low - NEAR_MM <= f["s_mm"] <= high + NEAR_MM]
        counted = tally.faults.setdefault(fault["kind"], [0, 0, 0])
        counted[0 if near else 2] += 1
        left = [f for f in left if f not in near]
    for fault in left:
        tally.faults.setdefault(fault["kind"], [0, 0, 0])[1] += 1
    return len(left)


def table(tallies: Mapping[str, Tally]) -> str:
    """The figures by kind as a Markdown table, then the faults, then what was refused."""
    kinds = list(tallies)
    whole = Tally()
    for tally in tallies.values():
        whole.photos += tally.photos
        whole.measured += tally.measured
        whole.false_in_clean += tally.false_in_clean
        for key, values in tally.errors.items():
            whole.errors.setdefault(key, []).extend(values)
        for kind, counts in tally.faults.items():
            whole.faults[kind] = [a + b for a, b in zip(whole.faults.get(kind, [0, 0, 0]), counts, strict=True)]
    columns = [*[tallies[k] for k in kinds], whole]
    lines = ["| figure | " + " | ".join([*kinds, "all"]) + " |", "|---|" + "---|" * len(columns)]
    lines.append("| photos measured | " + " | ".join(f"{t.measured} of {t.photos}" for t in columns) + " |")
    for key in whole.errors:
        shown = [t.mean(key) for t in columns]
        lines.append(f"| {key} | " + " | ".join("–" if v is None else f"{v:.3f}" for v in shown) + " |")
    lines.append(
        "| false faults in a clean photo | "
        + " | ".join(f"{np.mean(t.false_in_clean or [0]):.2f}" for t in columns)
        + " |"
    )
    lines += ["", "| fault | found | false | missed | precision | recall |", "|---|---|---|---|---|---|"]
    total = [sum(c[k] for c in whole.faults.values()) for k in range(3)]
    for kind, (hit, false, lost) in [*sorted(whole.faults.items()), ("all", total)]:
        right, found = hit / max(1, hit + false), hit / max(1, hit + lost)
        lines.append(f"| {kind} | {hit} | {false} | {lost} | {right:.2f} | {found:.2f} |")
    return "\n".join(lines)
