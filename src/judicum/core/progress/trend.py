"""How a figure moves from attempt to attempt."""

from collections.abc import Sequence

import numpy as np


def trend_per_attempt(values: Sequence[float]) -> float | None:
    """Change per attempt by the median of all pairwise slopes (Theil-Sen), or None under three values.

    [src: theil-1950]

    >>> trend_per_attempt([0.12, 0.10, 0.08, 0.06])
    -0.02
    """
    if len(values) < 3:
        return None
    first, second = np.triu_indices(len(values), 1)
    slopes = np.diff(np.take(values, np.stack([first, second])), axis=0)[0] / (second - first)
    return round(float(np.median(slopes)), 6)


def good_in_a_row(passed: Sequence[bool]) -> int:
    """How many of the latest marks in a row passed; in order of time.

    >>> good_in_a_row([True, False, True, True])
    2
    """
    run = 0
    for good in reversed(passed):
        if not good:
            break
        run += 1
    return run
