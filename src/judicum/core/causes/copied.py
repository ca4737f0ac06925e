"""Logs that were written off the card: nobody meets all of its figures to the digit."""

from collections.abc import Iterable, Sequence

from judicum.core.setup.record import Card, Run
from judicum.core.setup.run import run_from_card

FIGURES = (
    "current_a",
    "gas_l_min",
    "stickout_mm",
    "preflow_s",
    "postflow_s",
    "downslope_s",
    "travel_mm_s",
    "work_angle_deg",
    "travel_angle_deg",
)
"""Figures that nobody meets to the digit: a log in which nearly all equal the card was written off it."""
MIN_COPIED = 4
"""So many of them must be there to say so."""
COPIED_SHARE = 0.75
"""From this share on of them a log counts as copied."""
ASKED = ("current_a", "gas_l_min", "postflow_s")
"""Figures that stand on a dial or a tube beside the welder, so that one glance reads them off."""
ASK_EVERY = 2
"""Attempts. More often it is a nuisance, and an answer is copied again."""

Log = tuple[Card, Sequence[Run]]


def copied_keys(card: Card, runs: Sequence[Run], before: Iterable[Log]) -> frozenset[str]:
    """Keys of the figures that equal the card's in a log that was written off it: nearly all of its figures do, together with those
    of the person's logs before, which say how they log."""
    here = _beside_card(card, runs)
    return frozenset(key for key, equal in here if equal) if _written_off([*_all(before), *here]) else frozenset()


def figure_to_read_off(number: int, before: Iterable[Log]) -> str | None:
    """Key of one figure to be read off the machine at somebody's attempt of this number whose logs before repeat the card; None
    where they do not, and at most attempts."""
    if number % ASK_EVERY or not _written_off(_all(before)):
        return None
    return ASKED[number // ASK_EVERY % len(ASKED)]


def _all(logs: Iterable[Log]) -> list[tuple[str, bool]]:
    return [one for card, runs in logs for one in _beside_card(card, runs)]


def _written_off(figures: Sequence[tuple[str, bool]]) -> bool:
    same = sum(equal for _, equal in figures)
    return len(figures) >= MIN_COPIED and same >= COPIED_SHARE * len(figures)


def _beside_card(card: Card, runs: Sequence[Run]) -> list[tuple[str, bool]]:
    """Each logged figure that nobody meets to the digit, and whether it equals the card's."""
    usual = run_from_card(card)
    found = []
    for run in runs:
        for key in FIGURES:
            used, band = getattr(run, key), card.band(key)
            if used is not None:
                aims = (getattr(usual, key), band.aim if band else None)
                found.append((key, any(aim is not None and abs(used - aim) < 1e-6 for aim in aims)))
    return found
