"""The setup card, the log beside it, preparation and cautions in words."""

from collections.abc import Mapping, Sequence
from dataclasses import replace

from judicum.core.setup import Card, Checked, Warned
from judicum.core.setup.kit import Part
from judicum.core.setup.record import Advice, Moved, Tacks
from judicum.words import card as printed
from judicum.words.catalogue import knows, t
from judicum.words.names import named, option_name
from judicum.words.units import METRIC, Units, figure_forms, format_figure

CODES = ("slip", "unit", "how", "table", "what")
"""Codes of a warning that are named; the others are names themselves."""
TIGHT_GAP_MM = 0.1
"""mm: what a tight fit-up is told to keep under."""


def warning(warned: Warned, units: Units = METRIC) -> str:
    """A warning as a sentence."""
    figures = figure_forms(warned.figures, units)
    codes = {name: _code_words(name, code, warned, figures) for name, code in warned.codes.items()}
    effect = named("effect", f"{warned.key}-below") if knows(f"effect-{warned.key}-below") else ""
    return t(f"warning-{warned.code}", **figures, effect=effect[:1].upper() + effect[1:], **codes)


def _code_words(name: str, code: str, warned: Warned, figures: Mapping[str, str]) -> str:
    if name not in CODES:
        return code
    if name == "what":
        return t(f"code-what-{code}", **figures, **{key: value for key, value in warned.codes.items() if key != "what"})
    return option_name("gauge_table", code) if name == "table" else named(f"code-{name}", code)


def step(code: str, solvent: str, units: Units = METRIC) -> str:
    """A step of the preparation list as a sentence; `solvent` is the course's school."""
    gap = format_figure(TIGHT_GAP_MM, "length", units)
    return t(f"prep-{code}", gap=gap, solvent=option_name("solvent", solvent).lower())


def how_to(code: str) -> str:
    """How a step of the preparation list is done."""
    return t(f"how-{code}")


def moved(one: Moved) -> str:
    """A reason why the current moved."""
    if one.choice == "metal":
        return one.code
    if one.choice == "pedal_school":
        return t("moved-pedal", percent=f"{100 * one.share:.0f}")
    if one.choice in ("wire", "pulse", "asked"):
        return t(f"moved-{one.choice}", code=one.code, percent=f"{100 * one.share:+.0f}")
    name = t("moved-warm-run") if one.choice == "pass" else option_name(one.choice, one.code)
    return t("moved-by", name=name, percent=f"{100 * one.share:+.0f}")


def _warnings(found: Sequence[Warned], units: Units) -> list[printed.CardWarning]:
    return [
        printed.CardWarning(code=w.code, severity=w.severity, message=warning(w, units), meant=w.meant) for w in found
    ]


def card_in_words(card: Card, units: Units = METRIC) -> printed.Card:
    """The setup card as the contract prints it, with sentences in the person's units."""
    current, rod, runs = card.current_a, card.electrode, card.runs
    same = {name: getattr(card, name) for name in printed.Card.model_fields if name not in SAID}
    return printed.Card(
        **same,
        current_a=printed.CardCurrent(
            low=current.low,
            aim=current.aim,
            high=current.high,
            machine=current.machine,
            rule=named("rule", current.rule),
            because=[moved(one) for one in current.because],
        ),
        opinions=tuple(replace(one, rule=named("rule", one.rule)) for one in card.opinions),
        electrode=replace(rod, kinds=tuple(option_name("electrode_kind", kind) for kind in rod.kinds)),
        runs=runs and replace(runs, first=t("runs-first") if runs.first else None),
        cover=card.cover
        and replace(card.cover, limited_by=card.cover.limited_by and named("cover", card.cover.limited_by)),
        passes=tuple(
            replace(one, kind=named("pass-kind", one.kind), technique=option_name("technique", one.technique))
            for one in card.passes
        ),
        notes=_notes(card, units),
        warnings=_warnings(card.warnings, units),
    )


def _notes(card: Card, units: Units) -> list[printed.CardNote]:
    """What is done beside the figures, in the order of the work."""
    found = [printed.CardNote(topic="tacks", words=words) for words in _tacks(card.tacks, units)] if card.tacks else []
    if card.passes:
        found.append(printed.CardNote(topic="between_runs", words=t("card-between-runs")))
    if card.seams:
        found.append(printed.CardNote(topic="seams", words=t(f"card-seams-{card.seams.order}", count=card.seams.count)))
    if card.rules_only:
        found.append(printed.CardNote(topic="rules_only", words=t(f"card-rules-only-{card.rules_only}")))
    if card.look_at_back:
        found.append(printed.CardNote(topic="back", words=t("card-look-at-back")))
    return found


def _tacks(tacks: Tacks, units: Units) -> list[str]:
    degrees = ", ".join(f"{place:.0f}°" for place in tacks.degrees)
    where = "behind" if tacks.behind else "where-degrees" if tacks.degrees else "where-along"
    said = [
        t(f"tacks-{where}", count=tacks.count, degrees=degrees),
        t(
            "tacks-how",
            current=format_figure(tacks.current_a, "current", units),
            time=format_figure(tacks.time_s.high, "time", units),
            tip=format_figure(tacks.tip_mm.aim, "length", units),
            rod="yes" if tacks.with_rod else "no",
        ),
    ]
    if tacks.max_gap_mm is not None:
        said.append(t("tacks-gap", gap=format_figure(tacks.max_gap_mm, "length", units, 2)))
    said.append(t("tacks-watch") if tacks.degrees else t("tacks-spacing"))
    return [*said, named("tacks-purge", tacks.purge)] if tacks.purge != "none" else said


def advised(one: Advice, units: Units = METRIC) -> str:
    """What a machine cannot do of a card, as a sentence."""
    return t(f"machine-{one.code}", **figure_forms(one.figures, units))


def kit_words(parts: Sequence[tuple[Part, float | None]], units: Units = METRIC) -> list[str]:
    """A kit list, one part a line, with the sessions that one of it lasts (None: not known)."""
    return [_with_spare(_part(one, units), sessions) for one, sessions in parts]


def _with_spare(part: str, sessions: float | None) -> str:
    return part if sessions is None else t("kit-spare", part=part, sessions=max(1, round(sessions)))


def _part(one: Part, units: Units) -> str:
    figures = figure_forms(one.figures, units)
    if one.code.startswith("rod_"):
        return t("kit-rod", alloy=one.code.removeprefix("rod_"), **figures)
    return t(f"kit-{one.code}", **figures)


SAID = ("current_a", "opinions", "electrode", "runs", "cover", "passes", "notes", "warnings")
"""Parts of a card that hold codes."""


FLOWS = {"gas_cfh": "gas_l_min"}
"""The same figure in another unit has the same effect."""


def check_in_words(found: Checked, units: Units = METRIC) -> printed.Check:
    """What lies off the card as the contract prints it."""
    return printed.Check(
        deviations=[
            printed.Deviation(
                key=d.key,
                used=d.used,
                low=d.low,
                high=d.high,
                outside=d.outside,
                effect=named("effect", f"{FLOWS.get(d.key, d.key)}-{'below' if d.below else 'above'}"),
            )
            for d in found.deviations
        ],
        warnings=_warnings(found.warnings, units),
    )


def besides(found: Checked) -> list[str]:
    """Codes of the warnings that say more than the deviations do."""
    off = {d.key for d in found.deviations}
    return [w.code for w in found.warnings if w.key not in off]


def cautions(codes: Sequence[str]) -> list[dict[str, str]]:
    """Cautions with their words."""
    return [{"code": code, "words": named("caution", code)} for code in codes]
