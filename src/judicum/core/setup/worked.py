"""What worked here: the settings of runs that passed, beside the rules."""

from collections.abc import Iterable, Mapping
from statistics import median
from typing import Any

FIGURES = (
    "current_a",
    "gas_l_min",
    "cup",
    "stickout_mm",
    "filler_mm",
    "travel_mm_s",
    "preflow_s",
    "downslope_s",
    "postflow_s",
)


def worked(runs: Iterable[Mapping[str, Any]]) -> list[dict[str, float | int | str]]:
    """Count, median, lowest and highest of each figure over runs that passed; figures nobody logged are left out.

    >>> worked([{"current_a": 50}, {"current_a": 60}, {"current_a": None}])
    [{'key': 'current_a', 'count': 2, 'median': 55.0, 'low': 50, 'high': 60}]
    """
    passed = list(runs)
    found: list[dict[str, float | int | str]] = []
    for key in FIGURES:
        values = [run[key] for run in passed if run.get(key) is not None]
        if values:
            found.append(
                {"key": key, "count": len(values), "median": median(values), "low": min(values), "high": max(values)}
            )
    return found
