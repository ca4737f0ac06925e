"""Runs round a tube: how many, how long, where they begin and in which order."""

import math
from dataclasses import dataclass

from judicum.core.errors import InvalidValue, said

TIE_IN_MM = 3.0
MAX_RUNS = 200


@dataclass(frozen=True)
class TubeRuns:
    """Runs evenly round a seam: number, length of each with its tie-in (mm), dabs in each,
    net advance asked for (mm) and the places of the restarts (degrees)."""

    count: int
    length_mm: float
    dabs: int
    net_mm: float
    starts_deg: tuple[float, ...]


def plan_runs(tube_od_mm: float, pitch_mm: float, dabs: int, tie_in_mm: float = TIE_IN_MM) -> TubeRuns:
    """Divide a seam into runs that end evenly: net = dabs × pitch − tie-in; runs = circumference / net, rounded up.

    Raises:
        InvalidValue: a run that would not advance, or so little that more than `MAX_RUNS` went round.

    >>> plan = plan_runs(48.3, 2.2, 17)
    >>> round(plan.net_mm, 1), plan.count, round(plan.length_mm, 1), plan.dabs
    (34.4, 5, 33.3, 15)
    """
    net = dabs * pitch_mm - tie_in_mm
    if net <= 0:
        raise InvalidValue(
            "dabs", dabs, said("allowed-more-than-a-run-must-advance", tie_in_mm=f"{tie_in_mm / pitch_mm:.0f}")
        )
    round_mm = math.pi * tube_od_mm
    if round_mm / net > MAX_RUNS:
        raise InvalidValue("dabs", dabs, said("allowed-enough-that-at-most-runs-go", most=MAX_RUNS, net=f"{net:.2g}"))
    count = math.ceil(round_mm / net)
    length = round_mm / count + tie_in_mm
    return TubeRuns(count, length, round(length / pitch_mm), net, tuple(360 * k / count for k in range(count)))


def run_order(count: int) -> list[int]:
    """Order of runs (1 to count) in which each lies as far as it can from the one still hot: every second, then the rest.

    >>> run_order(5)
    [1, 3, 5, 2, 4]
    """
    return [*range(1, count + 1, 2), *range(2, count + 1, 2)]
