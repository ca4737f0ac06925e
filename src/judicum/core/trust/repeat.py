"""A repeat study: ten beads, two people, two phones, two photos each. Figures are taken apart by analysis of variance
[src: montgomery-runger-1993]; what is told in kinds (tint, faults) by how often photos of one bead agree [src: fleiss-1971]."""

import math
import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

CLASSES = 1.41
"""Classes of beads that can be told apart: the root of two times part over measuring, rounded down."""
BEADS = (2, 20)
"""Least and most: of fewer nothing is told apart, more than an evening holds is not begun."""
PEOPLE = (1, 4)
PHONES = (1, 4)
PHOTOS = (2, 3)
"""Of one bead by one person with one phone: without a second one the photo's own share is not known."""
MAX_TURNS = 160
"""Photos of a study: an hour's work."""


@dataclass(frozen=True)
class Turn:
    """One photo to be taken: of which bead, by whom, with which phone (indices from 0)."""

    bead: int
    person: int
    phone: int


def turns(beads: int, people: int, phones: int, photos: int, seed: int) -> list[Turn]:
    """Every photo of a study in the order in which it is taken: person, phone and repeat in random blocks, each with all beads in a
    random order of its own, so that nobody takes a bead twice in a row and remembers how.

    >>> len(turns(10, 2, 2, 2, 1))
    80
    """
    rng = random.Random(seed)
    blocks: list[tuple[int, int]] = []
    for _ in range(photos):
        both = [(person, phone) for person in range(people) for phone in range(phones)]
        rng.shuffle(both)
        blocks += both
    found: list[Turn] = []
    for person, phone in blocks:
        order = list(range(beads))
        rng.shuffle(order)
        if found and beads > 1 and found[-1].bead == order[0]:
            order.append(order.pop(0))
        found += [Turn(bead, person, phone) for bead in order]
    return found


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
    rest = max(0.0, total - sum(squares.values())) / rest_free

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


@dataclass(frozen=True)
class Consistency:
    """How alike photos of one bead are told: the share of pairs of photos that agree, and Fleiss' kappa, None where all beads are told
    the same: chance agrees as well then."""

    share: float
    kappa: float | None


def consistency(kinds: Mapping[str, Sequence[str]]) -> Consistency | None:
    """Of each bead what its photos were told to be; None of fewer than two beads or photos, or not equally many photos.

    >>> consistency({"1": ["straw", "straw"], "2": ["blue", "straw"]})
    Consistency(share=0.5, kappa=-0.333)
    """
    from statsmodels.stats.inter_rater import aggregate_raters, fleiss_kappa

    sizes = {len(photos) for photos in kinds.values()}
    if len(kinds) < 2 or len(sizes) != 1 or max(sizes) < 2:
        return None
    table, names = aggregate_raters(np.array([list(photos) for photos in kinds.values()]))
    photos = table.sum(axis=1)
    share = float(((table * (table - 1)).sum(axis=1) / (photos * (photos - 1))).mean())
    return Consistency(round(share, 3), round(float(fleiss_kappa(table)), 3) if len(names) > 1 else None)
