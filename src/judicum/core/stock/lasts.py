"""How long a stock lasts: evenings until it runs out, with a range, from what evenings took and from what is planned."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil, sqrt
from statistics import fmean

import numpy as np
from scipy.special import stdtrit

USUAL_CV, WEIGHS = 0.4, 2.0
"""Standard deviation over the mean of what evenings take, where few evenings cannot say, and as how many evenings it weighs
(attendance and coupons change by about that from evening to evening)."""
HOLDS = 0.8
"""Of the stocks, how many run out within the range."""
LEAST, WIDEST = 1e-9, 5.0
"""Below any amount, for evenings that take nothing; the logarithm of the widest factor told of, a hundred and fifty."""
LONGEST = 60
"""Evenings looked ahead: past a year of weekly ones nobody orders by a forecast."""


@dataclass(frozen=True)
class Lasts:
    """Evenings that are still covered: the fewest and the most likely to be, and the middle; None for LONGEST or more.

    `per_evening` is what one evening takes in the middle.
    """

    low: int
    mid: int | None
    high: int | None
    per_evening: float


def lasts(
    left: float, past: Sequence[float], planned: Sequence[float | None] = (), left_uncertainty: float = 0.0
) -> Lasts | None:
    """How many of the coming evenings a stock covers; None where nothing says what an evening takes.

    Args:
        left: in the stock's unit. left_uncertainty: its standard uncertainty.
        past: what each past evening really took, oldest first, those that took nothing among them.
        planned: what the plan asks of each coming evening, None where it says nothing; after the last as the past.
    """
    told = [amount for amount in planned if amount is not None]
    if not past and not told:
        return None
    usual = fmean(past) if past else fmean(told)
    if usual <= 0 and not any(told):
        return None
    ahead = [amount if amount is not None else usual for amount in planned][:LONGEST]
    ahead += [usual] * (LONGEST - len(ahead))
    middle = np.cumsum(ahead)
    evenings = np.arange(1, LONGEST + 1)
    own = len(past)
    scale = max(usual, fmean(ahead))
    about = sum((amount - usual) ** 2 for amount in past)
    spread = sqrt((about + WEIGHS * (USUAL_CV * scale) ** 2) / (own + WEIGHS))
    # Evenings scatter about a mean that is itself known from `own` of them only.
    off = np.sqrt(evenings * spread**2 + (evenings * spread) ** 2 / max(own, 1) + left_uncertainty**2)
    # As factors: what is taken is never below nothing, and few evenings misjudge it by a factor rather than by an amount.
    wide = float(stdtrit(own + WEIGHS, (1 + HOLDS) / 2)) * off / np.maximum(middle, LEAST)
    reach = np.exp(np.minimum(wide, WIDEST))
    low = _covered(middle * reach, left)
    return Lasts(
        LONGEST if low is None else low, _covered(middle, left), _covered(middle / reach, left), round(usual, 3)
    )


def _covered(taken: np.ndarray, left: float) -> int | None:
    """Evenings before the first whose running sum is over what is left; None where there is none."""
    over = np.flatnonzero(taken > left)
    return int(over[0]) if over.size else None


def to_order(left: float, found: Lasts, evenings: int, planned: Sequence[float | None] = ()) -> float:
    """How much to order so that the coming evenings are covered with the usual spread to spare, in whole units; 0 for none."""
    ahead = [found.per_evening if amount is None else amount for amount in planned][:evenings]
    ahead += [found.per_evening] * (evenings - len(ahead))
    spare = USUAL_CV * found.per_evening * sqrt(max(evenings, 1))
    return max(0.0, float(ceil(sum(ahead) + spare - left)))
