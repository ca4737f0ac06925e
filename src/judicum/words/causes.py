"""Symptoms and causes in words: spoken to the student, in the person's units."""

from typing import Any

from judicum.core.causes import SKIPPABLE, Explained, Followed, Ranked, Symptom
from judicum.core.causes.evidence import EvidenceFound
from judicum.core.causes.explain import certainty
from judicum.core.choices import CHOICES
from judicum.core.quantities import QUANTITIES, Quantity
from judicum.words.catalogue import knows, t
from judicum.words.names import field_in_sentence, named, option_name
from judicum.words.units import METRIC, Units, format_figure

TRACKS = {
    "tint": ("grey_all_along", "grey_at_start", "grey_at_end", "grey_in_patches", "tint_dark", "tint_lopsided", "tint_grows_along"),
    "width": ("bead_wide", "bead_narrow", "width_uneven", "width_grows", "toes_wavy"),
    "ripples": ("ripples_random", "ripples_periodic", "ripples_at_restarts"),
    "faults": (
        "undercut", "crater", "pinhole", "pores", "inclusions", "burn_through", "gap", "bulge_at_restart", "bulge",
    ),
}  # fmt: skip
"""Which track under the strip shows a symptom."""


def explained(found: Explained, units: Units = METRIC) -> dict[str, Any]:
    """The contract's JSON values (docs/causes.md), with sentences in the person's units; figures stay SI."""
    causes = [_cause(one, units) for one in found.causes]
    first = causes[0] if causes else None
    return {
        "symptoms": [_symptom(seen) for seen in found.symptoms],
        "causes": causes,
        "change_next": {"cause": first["code"], "message": first["message"]} if first else None,
        "sound": found.sound,
    }


def advice(one: Ranked, units: Units = METRIC) -> str:
    """What to change, from what to what, and why."""
    return t(f"advice-{one.code}", change=_change(one, units))


def _change(one: Ranked, units: Units) -> str:
    quantity = QUANTITIES.get(one.key)
    figures = [
        format_figure(value, quantity.kind, units)
        for value in (one.before, one.after)
        if quantity and isinstance(value, int | float)
    ]
    if (
        isinstance(one.before, int | float)
        and isinstance(one.after, int | float)
        and abs(one.before - one.after) > 1e-9
    ):
        return " → ".join(figures)
    return t("change-about", figure=figures[-1]) if figures else t("change-as-on-the-card")


def _cause(one: Ranked, units: Units) -> dict[str, Any]:
    return {
        "code": one.code,
        "share": one.share,
        "for": [_evidence_json(item) for item in one.speaks_for],
        "against": [_evidence_json(item) for item in one.against],
        "change": {"key": one.key, "from": one.before, "to": one.after},
        "message": advice(one, units),
    }


def _evidence_json(item: EvidenceFound) -> dict[str, Any]:
    shown: dict[str, Any] = {"what": item.what}
    if item.figures:
        shown["figures"] = item.figures
    if item.value is not None:
        shown["value"] = item.value
    return shown


def _symptom(seen: Symptom) -> dict[str, Any]:
    return {
        "code": seen.code,
        "strength": seen.strength,
        "from_mm": seen.from_mm,
        "to_mm": seen.to_mm,
        "figures": seen.figures,
    }


def symptom_card(seen: Symptom) -> dict[str, Any]:
    """A symptom as the desk shows it: in words, and on which track, from where to where."""
    track = next((name for name, codes in TRACKS.items() if seen.code in codes), None)
    return {**_symptom(seen), "words": named("symptom", seen.code), "track": track}


def cause_card(one: Ranked, found: Explained, units: Units = METRIC) -> dict[str, Any]:
    """A cause as the desk shows it: its name, each piece of evidence in words with its place, and the change to make."""
    return {
        "code": one.code,
        "words": named("cause", one.code),
        "share": one.share,
        "certainty": t(f"certainty-{certainty(one.chance)}"),
        "speaks_for": [_evidence(item, found, units) for item in one.speaks_for],
        "against": [_evidence(item, found, units) for item in one.against],
        "advice": advice(one, units),
        "history": _history(one),
    }


def both_words(both: tuple[str, str]) -> str:
    """That two causes are likely there at once, and that the first is changed first."""
    return t("causes-both", first=named("cause", both[0]), second=named("cause", both[1]))


def _history(one: Ranked) -> str:
    """How what was confirmed before tilts this cause; empty where nothing was."""
    counts = {"own": one.history.own, "course": one.history.course, "rejected": one.history.rejected}
    return ", ".join(t(f"history-{key}", count=count) for key, count in counts.items() if count)


def _evidence(item: EvidenceFound, found: Explained, units: Units) -> dict[str, Any]:
    seen = next((s for s in found.symptoms if s.code == item.what), None)
    place = symptom_card(seen) if seen else None
    return {
        "what": item.what,
        "words": evidence_words(item, units),
        "track": place["track"] if place else None,
        "from_mm": place["from_mm"] if place else None,
        "to_mm": place["to_mm"] if place else None,
    }


def evidence_words(item: EvidenceFound, units: Units = METRIC) -> str:
    """A piece of evidence in words: the symptom, the figure with its range, the step, or what was noticed."""
    if knows(f"symptom-{item.what}"):
        return named("symptom", item.what)
    if item.what in SKIPPABLE:
        return t(
            "evidence-not-ticked" if item.value == "skipped" else "evidence-ticked",
            step=named("evidence-step", item.what),
        )
    quantity = QUANTITIES.get(item.what)
    if quantity and "used" in item.figures:
        return _figure_words(item, quantity, units)
    choice = CHOICES.get(item.what)
    if choice is not None and item.value in choice.codes:
        return t("evidence-chosen", field=field_in_sentence(item.what), option=option_name(item.what, item.value))
    if item.value == "false":
        return t("evidence-not-so", evidence=named("evidence", item.what))
    return named("evidence", item.what)


def _figure_words(item: EvidenceFound, quantity: Quantity, units: Units) -> str:
    said = {"field": field_in_sentence(quantity.key), "used": format_figure(item.figures["used"], quantity.kind, units)}
    low, high = item.figures.get("low"), item.figures.get("high")
    if low is not None and high is not None:
        bare = format_figure(low, quantity.kind, units, unit=False)
        return t("evidence-figure-range", **said, low=bare, high=format_figure(high, quantity.kind, units))
    end = low if low is not None else high
    if end is None:
        return t("evidence-figure", **said)
    return t("evidence-figure-limit", **said, limit=format_figure(end, quantity.kind, units))


def followed_words(found: Followed) -> str:
    """What became of the one change that was asked for."""
    return f"{named('change-done', found.done)}; {named('change-gone', found.gone)}"
