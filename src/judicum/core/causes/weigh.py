"""How likely each set of causes is: none, one, or two at once.

A set explains an attempt the better the more of what is seen it would show (noisy-or over its members [src: pearl-1988]), the less of
what it would show is missing, and the more its members' own evidence speaks for them.
"""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.causes.symptoms import CODES
from judicum.core.causes.table import Cause


@dataclass(frozen=True)
class WeighParameters:
    """Probabilities and logarithms of odds."""

    shown_rate: float = 0.7
    """A weight w of the table shows its symptom with a chance of 1 − e^(−rate·w): 2.0 in three of four attempts."""
    by_chance: float = 0.01
    """Chance that a symptom is seen without any cause of it: misread, or of something else."""
    absent: float = 0.7
    """Of the logarithm that a missing symptom speaks with: photos miss things, too."""
    usual: float = 0.9
    """Of what the table says of how usual a cause is."""
    evidence: float = 1.5
    """Of what its own evidence says: weights of the table were set for causes one at a time."""
    surely: float = 0.5
    """The least that a symptom is surely there once it is told, however faint: what is too faint is not told at all."""
    none: float = 0.2
    """Share of attempts with something seen in which it means nothing."""
    two: float = 0.23
    """Share of them with two causes at once."""
    unknown: float = 1.0
    """Odds, as a logarithm, of a cause that is not in the table, which may show anything…"""
    unknown_shows: float = 0.14
    """…with this chance."""


WEIGH = WeighParameters()


def weigh(
    causes: Sequence[Cause], evidence: Sequence[float], seen: Mapping[str, float], could_see: Collection[str]
) -> tuple[Floats, Floats]:
    """Weigh sets of causes, each of which explains something that is seen.

    Args:
        causes: those that can be. evidence: of each, as a logarithm of odds: its own, and its history. seen: symptoms by their
            strength, 0 to 1. could_see: symptoms that would have been seen if they were there.

    Returns:
        The share of each cause, together at most 1: of two at once each counts as a half. And the chance that it is there at all,
        alone or beside another.
    """
    codes = [code for code in CODES if code in seen or code in could_see]
    sure = np.array([WEIGH.surely + (1 - WEIGH.surely) * seen.get(code, 0.0) for code in codes])
    here = np.array([code in seen for code in codes])
    # Logarithm of the chance that a cause does not show a symptom, causes × symptoms.
    silent = np.full((len(causes) + 1, len(codes)), np.log1p(-WEIGH.unknown_shows))  # the last is the unknown one
    for row, cause in zip(silent, causes, strict=False):
        row[:] = [-WEIGH.shown_rate * cause.shows.get(code, 0.0) for code in codes]
    usual = np.array([*(WEIGH.usual * cause.base for cause in causes), WEIGH.unknown])
    own = usual + WEIGH.evidence * np.array([*evidence, 0.0])
    whole = np.log(np.exp(usual).sum())

    def seen_by(quiet: Floats) -> Floats:
        off = np.log1p(-WEIGH.by_chance) + quiet
        on = np.log(-np.expm1(off))
        return np.where(here, sure * on + (1 - sure) * off, WEIGH.absent * off).sum(axis=-1)

    first, second = np.triu_indices(len(own), 1)
    single = seen_by(silent) + own - whole + np.log(1 - WEIGH.two - WEIGH.none)
    pairs = seen_by(silent[first] + silent[second]) + own[first] + own[second] - 2 * whole
    pairs += np.log(2 * WEIGH.two)
    nothing = seen_by(np.zeros((1, len(codes)))) + np.log(WEIGH.none)
    top = max(single.max(), pairs.max(initial=-np.inf), nothing[0])
    single, pairs, nothing = np.exp(single - top), np.exp(pairs - top), np.exp(nothing - top)
    total = single.sum() + pairs.sum() + nothing.sum()
    beside = np.zeros_like(single)
    np.add.at(beside, first, pairs)
    np.add.at(beside, second, pairs)
    return (single + beside / 2)[:-1] / total, (single + beside)[:-1] / total
