"""How often a stock runs out within the range it was given: `python -m judicum.bench.lasts [SEED]`.

Classes are drawn: sessions take a gamma-distributed amount about a mean that the forecast does not know, with a coefficient of
variation that it does not know either; the stock is 3 to 13 sessions' worth.
"""

import sys

import numpy as np

from judicum.core.stock.lasts import HOLDS, LONGEST, lasts

SCATTER = (0.2, 0.4, 0.6)
SESSIONS = (1, 2, 5, 12, 25)
CLASSES = 1000
MEAN = 300.0
"""What a session takes, in any unit."""


def held(rng: np.random.Generator, cv: float, sessions: int, classes: int = CLASSES) -> tuple[float, float]:
    """The share of classes whose stock ran out within the range, and the range's mean width in sessions."""
    inside, wide = 0, []
    for _ in range(classes):
        drawn = rng.gamma(cv**-2, MEAN * cv**2, sessions + LONGEST)
        left = rng.uniform(800, 4000)
        found = lasts(left, list(drawn[:sessions]))
        assert found is not None
        really = int(np.flatnonzero(np.cumsum(drawn[sessions:]) > left)[0])
        high = LONGEST if found.high is None else found.high
        inside += found.low <= really <= high
        wide.append(high - found.low)
    return inside / classes, float(np.mean(wide))


def main() -> None:
    seed = int(sys.argv[1]) if len(sys.argv) > 1 else 0
    print(f"share that runs out within the range (asked: {HOLDS:g}), and its width in sessions")
    print(f"{'sessions seen':<16}" + "".join(f"{f'scatter {cv:g}':>18}" for cv in SCATTER))
    for sessions in SESSIONS:
        rng = np.random.default_rng([seed, sessions])
        cells = [held(rng, cv, sessions) for cv in SCATTER]
        print(f"{sessions:<16}" + "".join(f"{share:>12.2f}{wide:>6.1f}" for share, wide in cells))


if __name__ == "__main__":
    main()
