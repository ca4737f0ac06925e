"""A repeat study: ten beads, two people, two phones, two photos each; what differs is taken apart by analysis of variance [src: montgomery-runger-1993]."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

CLASSES = 1.41
"""Classes of beads that can be told apart: the root of two times part over measuring, rounded down."""


@dataclass(frozen=True)
class Reading:
    """One photo of one bead: which bead, who took it with which phone, and the figure."""

    bead: str
    person: str
    phone: str
    value: float


@dataclass(frozen=True)
class Study:
    """Standard deviations of what differs, in the figure's unit: the same photo again (`repeat`), people, phones, beads; the
    measuring's share of all that differs, and how many classes of beads it tells apart. `beads` and `photos` say of how many."""

    beads: int
    photos: int
    repeat: float
    people: float
    phones: float
    part: float
    measuring: float
    share: float
    classes: int


def study(readings: Sequence[Reading]) -> Study | None:
    """Take a balanced study apart; None of fewer than two beads or photos, or where it is not balanced.

    Main effects of bead, person and phone; what is left is the photo's own. Negative estimates of a variance are nought.
    """
    beads, people, phones = (sorted({getattr(one, key) for one in readings}) for key in ("bead", "person", "phone"))
    cells: dict[tuple[str, str, str], list[float]] = {}
    for one in readings:
        cells.setdefault((one.bead, one.person, one.phone), []).append(one.value)
    counts = {len(values) for values in cells.values()}
    if len(beads) < 2 or len(counts) != 1 or counts == {1} or len(cells) != len(beads) * len(people) * len(phones):
        return None
    table = np.array([[[cells[bead, person, phone] for phone in phones] for person in people] for bead in beads])
    mean = float(table.mean())
    sizes = table.shape
    total = float(((table - mean) ** 2).sum())
    squares, free = {}, {}
    for axis, name in enumerate(("part", "people", "phones")):
        others = tuple(k for k in range(4) if k != axis)
        n = table.size // sizes[axis]
        squares[name] = n * float(((table.mean(axis=others) - mean) ** 2).sum())
        free[name] = sizes[axis] - 1
    rest_free = table.size - 1 - sum(free.values())
    rest = (total - sum(squares.values())) / rest_free

    def variance(axis: int, name: str) -> float:
        if not free[name]:
            return 0.0
        return max(0.0, (squares[name] / free[name] - rest) / (table.size // sizes[axis]))

    part, who, what = (variance(axis, name) for axis, name in enumerate(("part", "people", "phones")))
    measuring = rest + who + what
    return Study(
        beads=len(beads),
        photos=table.size,
        repeat=math.sqrt(rest),
        people=math.sqrt(who),
        phones=math.sqrt(what),
        part=math.sqrt(part),
        measuring=math.sqrt(measuring),
        share=math.sqrt(measuring / (measuring + part)) if measuring + part else 0.0,
        classes=int(CLASSES * math.sqrt(part / measuring)) if measuring else 0,
    )
