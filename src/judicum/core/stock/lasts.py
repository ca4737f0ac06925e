"""How long a stock lasts: sessions until it runs out, with a range, from what sessions took and from what is planned."""

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil, sqrt
from statistics import fmean

import numpy as np
from scipy.special import stdtrit

USUAL_CV = 0.4
"""Standard deviation over the mean of what sessions take, where few sessions cannot say: attendance and coupons change by that."""
WEIGHS = 2.0
"""As how many sessions that belief weighs."""
HOLDS = 0.8
"""Of the stocks, how many run out within the range."""
MIN_MIDDLE = 1e-9
"""Below any amount, for sessions that take nothing."""
MAX_HALF_WIDTH = 5.0
"""Natural logarithm of the widest factor told of, a hundred and fifty."""
LONGEST = 60
"""Sessions looked ahead: past a year of weekly ones nobody orders by a forecast."""


@dataclass(frozen=True)
class Lasts:
    """Sessions that are still covered: the fewest and the most likely to be, and the middle; None for LONGEST or more.

    `per_session` is what one session takes in the middle.
    """

    low: int
    mid: int | None
    high: int | None
    per_session: float


def lasts(
    left: float, past: Sequence[float], planned: Sequence[float | None] = (), left_uncertainty: float = 0.0
) -> Lasts | None:
    """How many of the coming sessions a stock covers; None where nothing says what a session takes.

    Args:
        left: in the stock's unit. left_uncertainty: its standard uncertainty.
        past: what each past session really took, oldest first, those that took nothing among them.
        planned: what the plan asks of each coming session, None where it says nothing; after the last as the past.
    """
    amounts = [amount for amount in planned if amount is not None]
    if not past and not amounts:
        return None
    usual = fmean(past) if past else fmean(amounts)
    if usual <= 0 and not any(amounts):
        return None
    ahead = [amount if amount is not None else usual for amount in planned][:LONGEST]
    ahead += [usual] * (LONGEST - len(ahead))
    middle = np.cumsum(ahead)
    sessions = np.arange(1, LONGEST + 1)
    own = len(past)
    scale = max(usual, fmean(ahead))
    about = sum((amount - usual) ** 2 for amount in past)
    spread = sqrt((about + WEIGHS * (USUAL_CV * scale) ** 2) / (own + WEIGHS))
    # Sessions scatter about a mean that is itself known from `own` of them only.
    off = np.sqrt(sessions * spread**2 + (sessions * spread) ** 2 / max(own, 1) + left_uncertainty**2)
    # As factors: what is taken is never below nothing, and few sessions misjudge it by a factor rather than by an amount.
    wide = float(stdtrit(own + WEIGHS, (1 + HOLDS) / 2)) * off / np.maximum(middle, MIN_MIDDLE)
    reach = np.exp(np.minimum(wide, MAX_HALF_WIDTH))
    low = _covered(middle * reach, left)
    return Lasts(
        LONGEST if low is None else low, _covered(middle, left), _covered(middle / reach, left), round(usual, 3)
    )


def _covered(consumed: np.ndarray, left: float) -> int | None:
    """Sessions before the first whose running sum is over what is left; None where there is none."""
    over = np.flatnonzero(consumed > left)
    return int(over[0]) if over.size else None


def to_order(left: float, found: Lasts, sessions: int, planned: Sequence[float | None] = ()) -> float:
    """How much to order so that the coming sessions are covered with the usual spread to spare, in whole units; 0 for none."""
    ahead = [found.per_session if amount is None else amount for amount in planned][:sessions]
    ahead += [found.per_session] * (sessions - len(ahead))
    spare = USUAL_CV * found.per_session * sqrt(max(sessions, 1))
    return max(0.0, float(ceil(sum(ahead) + spare - left)))
