"""Which bead of a photo is which line of a trial: by place, however the photo is held."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.report import BeadFigures

TOLERANCE_MM = 4.0
"""mm. A hand follows a scribed line within this; the lines of a trial are three times as far apart."""
AS_GOOD_MM = 1.0
"""mm. Two ways of counting whose misfit differs by less cannot be told apart by place."""


@dataclass(frozen=True)
class Match:
    """Which bead lies on which line: `beads` is the place in the list of seen ones by line number; `missing` lines have none.

    `extra` are seen beads that lie on no line. `sure` is False where another way of counting fits as well.
    """

    beads: Mapping[int, int]
    missing: tuple[int, ...]
    extra: tuple[int, ...]
    sure: bool


def match_beads(planned_mm: Sequence[float], seen_mm: Sequence[float]) -> Match:
    """Match beads to lines by their distances alone: shift and direction are free, the order is not.

    As many beads as fit are matched, within `TOLERANCE_MM` of their lines; among equals the way with the least misfit.

    Args:
        planned_mm: places of the lines 1, 2, …, ascending. seen_mm: places across of the beads of the photo, any order.

    >>> lines = [10.0, 40.0, 60.0, 80.0]
    >>> match_beads(lines, [-7.0, 23.5, 63.0]).missing
    (3,)
    >>> match_beads(lines, [90.0, 60.0, 40.0, 20.0]).beads  # held the other way round
    {1: 0, 2: 1, 3: 2, 4: 3}
    """
    planned, seen = np.asarray(planned_mm, float), np.asarray(seen_mm, float)
    lines = len(planned)
    for count in range(min(lines, len(seen)), 1, -1):
        ways = sorted(_ways(planned, seen, count), key=lambda way: way[0])
        if ways:
            misfit, beads = ways[0]
            sure = not any(other != beads and worse < misfit + AS_GOOD_MM for worse, other in ways[1:])
            missing = tuple(k for k in range(1, lines + 1) if k not in beads)
            extra = tuple(k for k in range(len(seen)) if k not in beads.values())
            return Match(beads, missing, extra, sure)
    one = {1: 0} if len(seen) == 1 else {}
    return Match(one, tuple(k for k in range(1, lines + 1) if k not in one), tuple(range(len(one), len(seen))), False)


def _ways(planned: Floats, seen: Floats, count: int) -> Iterator[tuple[float, dict[int, int]]]:
    """Every way of laying `count` of the seen beads on lines in order, from either end: its greatest misfit (mm)."""
    for direction in (1, -1):
        order = np.argsort(direction * seen, kind="stable")
        for chosen in combinations(range(len(seen)), count):
            at = direction * seen[order[list(chosen)]]
            for taken in combinations(range(len(planned)), count):
                off = at - planned[list(taken)]
                misfit = float(np.abs(off - np.median(off)).max())
                if misfit <= TOLERANCE_MM:
                    yield misfit, {line + 1: int(order[bead]) for line, bead in zip(taken, chosen, strict=True)}


def places_across(beads: Sequence[BeadFigures]) -> list[float]:
    """Where beads lie beside one another, mm: their middles across the direction that they share, whatever frame they are in."""
    starts = np.array([bead.start_mm for bead in beads], float)
    ends = np.array([bead.end_mm for bead in beads], float)
    along = ends - starts
    angles = np.arctan2(along[:, 1], along[:, 0])
    shared = 0.5 * np.angle(np.exp(2j * angles).sum())  # a direction and its opposite are one
    across = np.array([-np.sin(shared), np.cos(shared)])
    return [float(one) for one in ((starts + ends) / 2) @ across]
