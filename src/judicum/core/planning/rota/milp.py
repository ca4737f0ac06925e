"""A mixed-integer program with sparse rows, handed to the solver of a kept library."""

from collections.abc import Sequence

import numpy as np

from judicum.core.arrays import Floats

Row = tuple[dict[int, float], float]
"""Coefficients of a constraint by variable, and the most that their sum may be."""
GAP = 1e-6
"""Share of the cost by which an answer may be off: costs are whole minutes and sittings, of which no class has a million."""


def solve(cost: Floats, rows: Sequence[Row], low: Floats, high: Floats, whole: Floats, seconds: float) -> Floats | None:
    """The variables (n,) from `low` to `high` that cost least, those whole where `whole` is 1; None where there are none.

    Args:
        seconds: after so long the best so far.
    """
    # The library takes longer to load than the server to begin, and few processes ever plan.
    from scipy.optimize import Bounds, LinearConstraint, milp
    from scipy.sparse import coo_array

    at, columns, values = [], [], []
    for k, (coefficients, _) in enumerate(rows):
        at += [k] * len(coefficients)
        columns += list(coefficients)
        values += list(coefficients.values())
    matrix = coo_array((values, (at, columns)), shape=(len(rows), len(cost))).tocsr()
    done = milp(
        cost,
        integrality=whole,
        bounds=Bounds(low, high),
        constraints=[LinearConstraint(matrix, -np.inf, np.array([most for _, most in rows]))] if rows else [],
        options={"time_limit": seconds, "mip_rel_gap": GAP},
    )
    return None if done.x is None else np.asarray(done.x)
