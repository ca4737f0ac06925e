"""`./judicum bench-forecast`: simulated classes whose ways of learning are not those of the model, and how well it foresees them.

Learners are drawn by other laws than `core.progress.learning` knows: a power law, a straight line, several steps, none, and
forgetting over a break; noise is normal with a bad session now and then, and some weeks are missed.
"""

import time
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.progress import ToGo, forecast

KINDS = {"fast": 0.25, "slow": 0.30, "steps": 0.15, "none": 0.15, "forgets": 0.15}
LOOKED_AHEAD = 60
"""Attempts that are really simulated after the record ends."""
NEVER = 10_000
EACH = 4
"""Students asked of one class."""
BEGIN = datetime(2026, 9, 1, 18, 0, tzinfo=UTC)


@dataclass(frozen=True)
class Truth:
    """What then happened: whether the next one passed, after how many enough stood in a row, and how the student learns."""

    passed: bool
    to_go: int
    kind: str


def learner(rng: np.random.Generator, count: int, base: float, misses: float) -> tuple[Floats, Floats, str]:
    """Days and totals of `count` attempts of somebody who begins at about `base`, and which of KINDS they are."""
    kind = str(rng.choice(list(KINDS), p=list(KINDS.values())))
    start, top, noise = base + rng.normal(0, 10), rng.uniform(70, 95), rng.uniform(3, 11)
    rate = rng.uniform(0.5, 1.2) if kind == "fast" else rng.uniform(0.15, 0.45)
    steps = np.sort(rng.choice(np.arange(1, 14), 2, replace=False))
    heights = rng.uniform(8, 22, 2)
    day, done = 0.0, 0.0
    days, totals = np.empty(count), np.empty(count)
    for k in range(count):
        pause = float(rng.choice([3, 4, 7, 7, 7, 10])) if k else 0.0
        if k and rng.uniform() < misses:
            pause = float(rng.uniform(20, 60))
            done *= float(rng.uniform(0.1, 0.5)) if kind == "forgets" else 1.0
        day += pause
        level = {
            "none": start + 8,
            "steps": start + float(heights[steps <= k].sum()),
            "fast": top - (top - start) * (1 + done) ** (-1.5 * rate),
            "slow": start + min(top - start, 3.6 * rate * done),
            "forgets": top - (top - start) * float(np.exp(-0.5 * done)),
        }[kind]
        bad = rng.uniform(15, 35) if rng.uniform() < 0.03 else 0.0
        days[k], totals[k] = day, round(float(np.clip(level + rng.normal(0, noise) - bad, 0, 100)), 1)
        done += 1
    return days, totals, kind


def attempts_of(days: Floats, totals: Floats) -> list[dict[str, Any]]:
    """Attempts as the contract has them."""
    return [
        {"at": (BEGIN + timedelta(days=float(day))).isoformat(), "coupon": "butt", "total": float(total)}
        for day, total in zip(days, totals, strict=True)
    ]


def cases(count: int, seed: int) -> list[tuple[dict[str, Any], Truth]]:
    """So many questions with what then happened."""
    rng = np.random.default_rng(1000 + seed)
    made: list[tuple[dict[str, Any], Truth]] = []
    while len(made) < count:
        base, misses = float(rng.uniform(35, 65)), float(rng.choice([0.0, 0.05, 0.12]))
        classmates = [learner(rng, int(rng.integers(2, 14)), base, misses) for _ in range(int(rng.integers(0, 16)))]
        in_a_row, pass_mark = int(rng.integers(2, 4)), float(rng.choice([65, 70, 75]))
        for _ in range(EACH):
            days, totals, kind = learner(rng, 10 + LOOKED_AHEAD, base, misses)
            seen = int(rng.integers(0, 10))
            asked = {
                "coupon": "butt", "pass_mark": pass_mark, "in_a_row": in_a_row, "student": attempts_of(days[:seen], totals[:seen]),
                "class": [attempts_of(d, t) for d, t, _ in classmates],
            }  # fmt: skip
            made.append(
                (asked, Truth(bool(totals[seen] >= pass_mark), _to_go(totals >= pass_mark, seen, in_a_row), kind))
            )
    return made[:count]


def _to_go(good: "np.ndarray[Any, np.dtype[np.bool_]]", seen: int, in_a_row: int) -> int:
    run = 0
    for k, one in enumerate(good):
        if k == seen and run >= in_a_row:
            return 0
        run = run + 1 if one else 0
        if k >= seen and run >= in_a_row:
            return k - seen + 1
    return NEVER


def baselines(asked: dict[str, Any]) -> tuple[float, float]:
    """The student's own share of passes in the last three, smoothed; the class's at that attempt number."""
    own = [one["total"] >= asked["pass_mark"] for one in asked["student"]]
    at = [one[len(own)]["total"] >= asked["pass_mark"] for one in asked["class"] if len(one) > len(own)]
    every = at or [each["total"] >= asked["pass_mark"] for one in asked["class"] for each in one]
    return (sum(own[-3:]) + 1) / (len(own[-3:]) + 2), (sum(every) + 1) / (len(every) + 2)


def bench(count: int = 1000, seed: int = 0) -> str:
    """Ask so many questions; the report as Markdown."""
    asked = cases(count, seed)
    begun = time.perf_counter()
    forecasts = [forecast(one) for one, _ in asked]
    took = time.perf_counter() - begun
    passed = np.array([truth.passed for _, truth in asked], float)
    chance = np.array([one.next_pass for one in forecasts])
    own, klass = np.array([baselines(one) for one, _ in asked]).T
    held = [
        truth.to_go > 40 if one.to_go is None else one.to_go.low <= truth.to_go <= (one.to_go.high if one.to_go.high < 40 else NEVER)
        for one, (_, truth) in zip(forecasts, asked, strict=True)
        if one.to_go is None or isinstance(one.to_go, ToGo)
    ]  # fmt: skip

    def brier(said: Floats) -> float:
        return float(((said - passed) ** 2).mean())

    lines = [
        f"{count} questions, {1000 * took / count:.1f} ms each. Brier score of the next pass {brier(chance):.3f}; the student's own "
        f"last three {brier(own):.3f}; the class at that attempt {brier(klass):.3f}. Mean said {chance.mean():.3f}, came "
        f"{passed.mean():.3f}. The range of further attempts held {np.mean(held):.3f}.",
        "",
        "| said | came | cases |",
        "|---|---|---|",
    ]
    for low in np.arange(0, 1, 0.2):
        inside = (chance >= low) & (chance < low + 0.2 + (low > 0.7))
        if inside.any():
            lines.append(f"| {chance[inside].mean():.2f} | {passed[inside].mean():.2f} | {inside.sum()} |")
    lines += ["", "| learns | Brier | cases |", "|---|---|---|"]
    for kind in KINDS:
        mine = np.array([truth.kind == kind for _, truth in asked])
        lines.append(f"| {kind} | {float(((chance - passed)[mine] ** 2).mean()):.3f} | {mine.sum()} |")
    return "\n".join(lines)
