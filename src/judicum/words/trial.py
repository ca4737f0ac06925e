"""Trials in words: what a bead shows, what was found, what to do next."""

from judicum.core.quantities import QUANTITIES
from judicum.core.trial import VARIED, Judged
from judicum.words.catalogue import knows, t
from judicum.words.names import field_in_sentence, option_name
from judicum.words.units import METRIC, Units, format_figure


def value_words(key: str, value: float | str, units: Units = METRIC) -> str:
    """A varied figure as a person reads it, with its unit; a choice by its name."""
    if isinstance(value, str):
        return option_name(key, value)
    return format_figure(value, QUANTITIES[key].kind, units)


def seen_words(key: str, seen: str) -> str:
    """What a bead shows, said of what was varied where it has a word of its own for it."""
    heat = VARIED[key].heat
    way = {1: "more", -1: "faster", 0: "cover"}[heat]
    for name in (f"trial-seen-{seen}-{way}", f"trial-seen-{seen}"):
        if knows(name):
            return t(name)
    raise LookupError(seen)


def start_words(
    key: str, value: float | str, whose: str, carried_from: str | None, units: Units = METRIC, foretold: bool = False
) -> str:
    """A setting to start with: what, whose, and from which coupon it was carried over."""
    said = t(
        f"trial-start-{'foretold' if foretold else whose}",
        what=field_in_sentence(key),
        value=value_words(key, value, units),
    )
    return said if carried_from is None else t("trial-carried", start=said, title=carried_from)


def found_words(key: str, found: Judged, units: Units = METRIC) -> list[str]:
    """What the trial found: the setting with its range and why, and how sure it is."""
    what = field_in_sentence(key)
    lines: list[str] = []
    if found.best is not None and found.low is not None and found.high is not None:
        low, high = (value_words(key, one, units) for one in (found.low, found.high))
        lines.append(t("trial-best", what=what, best=value_words(key, found.best, units), low=low, high=high))
    elif found.best is not None:
        lines.append(t("trial-better", best=value_words(key, found.best, units)))
    lines.append(t(f"trial-why-{found.why}"))
    if len(found.beads) == 2:
        lines.append(t("trial-two-only"))
    return lines
