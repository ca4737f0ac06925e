"""What a suggested score comes from, in words; placeholders of a marker's phrases."""

from string import Formatter
from typing import Any

from judicum.core.marking import CRITERIA, Suggestion
from judicum.core.photo.report import Report
from judicum.words.catalogue import t
from judicum.words.names import field_in_sentence, field_name, listed, named, option_name, tint_name
from judicum.words.units import METRIC, Units, format_figure

PLACEHOLDERS = ("name", "width", "target", "varies", "gaps", "pitch", "tint", "length")
"""What a phrase may hold in braces."""


def because(suggestion: Suggestion, units: Units = METRIC) -> str:
    """From which figures a suggestion comes."""
    said: dict[str, Any] = {
        key: _figure(key, value, units) for key, value in suggestion.figures.items() if value is not None
    }
    said["counts"] = listed(
        [t("count-of", count=count, what=named("fault", kind)) for kind, count in suggestion.counts.items()]
    )
    said["off"] = listed([field_in_sentence(key) for key in suggestion.off])
    if isinstance(suggestion.figure, str):
        said["option"] = option_name(suggestion.criterion, suggestion.figure)
    return t(f"because-{suggestion.reason}", **said)


def figure_in_words(suggestion: Suggestion, units: Units = METRIC) -> str:
    """Where the line's curve is read, with its unit."""
    figure = suggestion.figure
    if figure is None or isinstance(figure, str):
        return str(figure or "")
    return on_axis(suggestion.criterion, figure, units)


def on_axis(criterion: str, figure: float, units: Units = METRIC) -> str:
    """A figure on a criterion's curve, as a person reads it."""
    unit = CRITERIA[criterion].unit
    if unit == "share":
        return t("percent", figure=f"{100 * figure:.3g}")
    if unit == "mm":
        return format_figure(figure, "length", units)
    return f"{figure:.3g} : 1" if unit == "ratio" else f"{figure:.3g}°" if unit == "deg" else f"{figure:.3g} {unit}"


def _figure(key: str, value: float, units: Units) -> str:
    if key.endswith("_level"):
        return tint_name(int(value))
    if key.endswith(("_cv", "_share")):
        return t("percent", figure=f"{100 * value:.1f}")
    if key.endswith("_mm"):
        return format_figure(value, "length", units, 2 if units.length == "mm" else 0)
    if key.endswith("_s"):
        return f"{value:.0f} s"
    return f"{value:g}°" if key.endswith("_deg") else f"{value:g}"


def finding(key: str) -> dict[str, str]:
    """A finding by hand: what it is called, and where it is measured."""
    return {"key": key, "words": field_name(key), "at": named("measured-at", key)}


def placeholders_in(text: str) -> set[str]:
    """Names in braces in a phrase; a brace that stands alone is one that nobody knows."""
    try:
        return {name for _, name, _, _ in Formatter().parse(text) if name is not None}
    except ValueError:
        return {"{"}


def placeholder_values(
    report: Report | None, target_width_mm: float, name: str, units: Units = METRIC
) -> dict[str, str]:
    """What stands for each placeholder at one attempt; "–" where it was not measured."""
    values = {**dict.fromkeys(PLACEHOLDERS, "–"), "name": name.split(" ")[0]}
    values["target"] = format_figure(target_width_mm, "length", units)
    bead = report.bead if report else None
    if report is None or bead is None:
        return values
    values |= {
        "width": format_figure(bead.width_mm.mean, "length", units),
        "varies": t("percent", figure=f"{100 * bead.width_mm.cv:.0f}"),
        "length": format_figure(bead.length_mm, "length", units),
    }
    if report.ripple and report.ripple.cv is not None:
        values |= {
            "gaps": t("percent", figure=f"{100 * report.ripple.cv:.0f}"),
            "pitch": format_figure(report.ripple.pitch_mm, "length", units),
        }
    if report.tint:
        values["tint"] = tint_name(report.tint.bead.level)
    return values
