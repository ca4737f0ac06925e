"""`./judicum bench-causes`: welders with a hidden habit each, drawn, measured and explained; how often the habit is found. With
`--evening` a third have a second habit, and a third copy the card into their log.

End to end: the bead is drawn as the habit leaves it, photographed by the simulated camera, measured by the engine and
explained with what such a welder would have logged. A quarter of the logs has a figure off its range that did nothing, some
keep no list of preparation, some noticed nothing.
"""

import os
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass

import cv2
import numpy as np

from judicum.camera import take_photo
from judicum.camera.habits import HABITS
from judicum.camera.welders import Welder, case_of
from judicum.core.causes import explain
from judicum.core.photo.measure import measure_photo

NONE = "none"
"""A welder without a habit: the bead must be called sound."""
SOUND_SHARE = 0.2
"""Good beads among all, so that inventing a cause costs."""
TWO_HABITS = 1 / 3
COPIES = 1 / 3
"""Shares of an evening class: welders with a second habit, and those who copy the card into their log."""


@dataclass(frozen=True)
class Diagnosis:
    """What was found of one welder: the causes in their order, the symptoms."""

    welder: Welder
    causes: tuple[str, ...]
    seen: tuple[str, ...]
    refused: bool


def find(welder: Welder) -> Diagnosis:
    """One welder from the habit to what is made of it."""
    cv2.setNumThreads(1)
    scene, case = case_of(welder)
    report = measure_photo(take_photo(scene).jpeg, "bead.jpg").report
    found = explain({**case, "measurement": report.as_json()})
    causes = tuple(one.code for one in found.causes)
    return Diagnosis(welder, causes, tuple(s.code for s in found.symptoms), report.refusal is not None)


def welders(each: int, seed: int, evening: bool) -> list[Welder]:
    """`each` welders of every habit and a share of sound ones; in an evening class a third have a second habit that shows on the same
    coupon, and a third copy the card."""
    rng = np.random.default_rng(seed)
    chosen: list[tuple[str, ...]] = [(code,) for code in HABITS for _ in range(each)]
    if evening:
        chosen = [(*one, *_second(rng, one[0])) if rng.uniform() < TWO_HABITS else one for one in chosen]
    chosen += [()] * round(len(chosen) * SOUND_SHARE)
    return [
        Welder(codes, 100_000 * (seed + 1) + k, evening and bool(rng.uniform() < COPIES))
        for k, codes in enumerate(chosen)
    ]


def _second(rng: np.random.Generator, first: str) -> tuple[str, ...]:
    """Another habit that shows on the same coupon and sets none of the same figures; none where there is none."""
    one = HABITS[first]
    fitting = [c for c, h in HABITS.items() if c != first and h.coupon == one.coupon and not {*h.run} & {*one.run}]
    return (str(rng.choice(fitting)),) if fitting else ()


def bench(each: int = 3, seed: int = 0, evening: bool = False) -> str:
    """Explain welders drawn, photographed and measured; the report as Markdown."""
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        done = list(pool.map(find, welders(each, seed, evening), chunksize=2))
    return report_of(done)


def report_of(done: list[Diagnosis]) -> str:
    """How often the habit was on top and among three, both of two among three; a line of confusion for each habit alone."""
    one_habit, two, sound = ([one for one in done if len(one.welder.habits) == count] for count in (1, 2, 0))
    copied = [one for one in one_habit if one.welder.copies]
    invented = sum(bool(one.causes) for one in sound)
    lines = [
        f"{len(one_habit)} welders with a habit: on top {_share(one_habit, 1):.2f}, among three {_share(one_habit, 3):.2f}. "
        f"{len(sound)} without one: a cause invented for {invented}. Photos refused: {sum(one.refused for one in done)}.",
        "",
    ]
    if two or copied:
        lines += [
            f"{len(two)} with two habits: both among three {_share(two, 3):.2f}, one of them on top "
            f"{sum(one.causes[:1] != () and one.causes[0] in one.welder.habits for one in two) / max(len(two), 1):.2f}. "
            f"{len(copied)} with one habit and a copied log: on top {_share(copied, 1):.2f}, among three {_share(copied, 3):.2f}.",
            "",
        ]
    lines += ["| habit | on top | among three | taken for | symptoms seen |", "|---|---|---|---|---|"]
    for code in dict.fromkeys(
        one.welder.habits[0] if one.welder.habits else NONE for one in done if len(one.welder.habits) < 2
    ):
        mine = [one for one in (sound if code == NONE else one_habit) if code in (NONE, *one.welder.habits)]
        tops = Counter(one.causes[0] if one.causes else "sound" for one in mine)
        seen = Counter(symptom for one in mine for symptom in one.seen)
        others = ", ".join(f"{other} {n}" for other, n in tops.most_common() if other != code)
        right = tops["sound"] if code == NONE else tops[code]
        near = right if code == NONE else sum(code in one.causes[:3] for one in mine)
        symptoms = ", ".join(f"{symptom} {n}" for symptom, n in seen.most_common(4))
        lines.append(f"| `{code}` | {right} of {len(mine)} | {near} | {others or '–'} | {symptoms or '–'} |")
    return "\n".join(lines)


def _share(done: list[Diagnosis], first: int) -> float:
    """How often all habits are among the first causes."""
    return sum({*one.welder.habits} <= {*one.causes[:first]} for one in done) / max(len(done), 1)
