"""Learning powers from measured welds: Gaussian belief over a sum of terms, moved by what was measured [src: bishop-2006, 3.3].

Machines, people and each person's way of typing a speed are terms of their own, so small a departure from the class as they are
believed to be.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.foretell.laws import MACHINE_SD, PERSON_SD, TYPED_SD, Term
from judicum.core.foretell.welds import Weld

TIMED_SD = 0.06
"""Of the logarithm: what one typed speed tells of all that a person types."""
MIN_POWER = 0.1
"""Of what is believed of a power whose sign always holds: no course makes it less."""


@dataclass(frozen=True)
class Belief:
    """A sum of terms with the mean (k,) and covariance (k, k) of their powers; `extra` names the machines, people and speeds after them."""

    terms: tuple[Term, ...]
    extra: tuple[tuple[str, str], ...]
    mean: Floats
    covariance: Floats

    def row(self, weld: Weld) -> Floats:
        """What multiplies the powers at a weld."""
        return _row(self.terms, self.extra, weld)

    def at(self, weld: Weld) -> tuple[float, float]:
        """Mean and variance of the outcome on average at a weld."""
        row = self.row(weld)
        return float(row @ self.mean), float(row @ self.covariance @ row)

    def power(self, name: str) -> float:
        """Mean power of a term."""
        return float(self.mean[[term.name for term in self.terms].index(name)])

    def of(self, kind: str, name: str | None) -> tuple[float, float] | None:
        """Mean and variance of what a machine or a person adds over the mean of those known; None of one that is not."""
        here = [k for k, (what, _) in enumerate(self.extra) if what == kind]
        mine = [k for k in here if self.extra[k][1] == name]
        if not mine:
            return None
        pick = np.zeros(len(self.mean))
        pick[len(self.terms) + mine[0]] = 1.0
        for k in here:
            pick[len(self.terms) + k] -= 1 / len(here)
        return float(pick @ self.mean), float(pick @ self.covariance @ pick)


def _row(terms: tuple[Term, ...], extra: tuple[tuple[str, str], ...], weld: Weld) -> Floats:
    own = {"machine": weld.machine, "student": weld.student, "typed": weld.student if weld.travel == "typed" else None}
    return np.array(
        [*(term.of(weld) for term in terms), *(float(own[kind] == name and name is not None) for kind, name in extra)]
    )


def _typed(terms: tuple[Term, ...], extra: tuple[tuple[str, str], ...], weld: Weld) -> Floats:
    return np.array([*(0.0 for _ in terms), *(float((kind, name) == ("typed", weld.student)) for kind, name in extra)])


def believe(
    terms: tuple[Term, ...],
    welds: Sequence[Weld] = (),
    outcomes: Sequence[float] = (),
    noise: Sequence[float] = (),
) -> Belief:
    """Belief in the powers of the terms after what was measured.

    Args:
        welds, outcomes: what was measured. noise: standard deviation of each.
    """
    current = next((term.mean for term in terms if term.name == "current"), 0.0)
    slow = next((term.mean for term in terms if term.name == "slow"), 0.0)
    extra = tuple(
        sorted(
            {("machine", w.machine) for w in welds if w.machine}
            | {("student", w.student) for w in welds if w.student}
            | {("typed", w.student) for w in welds if w.student and (w.travel == "typed" or w.typed_off is not None)}
        )
    )
    spread = {"machine": current * MACHINE_SD, "student": current * PERSON_SD, "typed": slow * TYPED_SD}
    mean = np.array([*(term.mean for term in terms), *(0.0 for _ in extra)])
    sd = np.array([*(term.sd for term in terms), *(max(spread[kind], 1e-6) for kind, _ in extra)])
    if not welds:
        return Belief(terms, extra, mean, np.diag(sd**2))
    # Whoever typed a speed and timed the arc too has stated how far off their speeds are.
    stated = [weld for weld in welds if weld.student and weld.typed_off is not None]
    rows = np.array([_row(terms, extra, weld) for weld in welds] + [_typed(terms, extra, weld) for weld in stated])
    rest = np.array([*outcomes, *(slow * (weld.typed_off or 0.0) for weld in stated)]) - rows @ mean
    noise = [*noise, *(max(slow, 1e-3) * TIMED_SD for _ in stated)]
    # With more terms than welds the smaller system is that of the welds.
    gain = (
        (sd**2)[:, None] * rows.T @ np.linalg.inv(rows @ ((sd**2)[:, None] * rows.T) + np.diag(np.asarray(noise) ** 2))
    )
    covariance = np.diag(sd**2) - gain @ rows * (sd**2)[None, :]
    found = mean + gain @ rest
    for k, term in enumerate(terms):
        if term.sign:
            found[k] = max(found[k], MIN_POWER * term.mean)
    return Belief(terms, extra, found, (covariance + covariance.T) / 2)
