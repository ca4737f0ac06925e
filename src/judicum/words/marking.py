"""What a suggested score comes from, in words; placeholders of a marker's phrases."""

from string import Formatter

from judicum.core.choices import CHOICES
from judicum.core.marking import CRITERIA, MEASURED_AT, Suggestion
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.film import level_name
from judicum.core.photo.report import Report
from judicum.core.quantities import QUANTITIES
from judicum.words.units import METRIC, Units, format_figure

REASONS = {
    "width_cv": "width variation {width_cv}, mean {width_mean_mm}",
    "width_on_target": "width {width_mean_mm}, target {target_width_mm}",
    "no_width_asked": "no target width",
    "width_drift": "width changes by {drift_share} from start to end",
    "pitch_cv": "ripple variation {pitch_cv}, mean spacing {pitch_mm}, lapses: {lapses}",
    "no_ripples_to_judge": "no distinct ripples; toes and width count instead",
    "toe_waviness": "toe waviness {left_mm} left, {right_mm} right",
    "within_finish": "bead {bead_level}, up to {accepted_level} accepted",
    "darker_than_finish": "bead {bead_level}, only up to {accepted_level} accepted",
    "grey_is_a_reject": "grey on {grey_share} of the bead: automatic fail",
    "sugar_is_a_reject": "sugaring over {length_mm}: automatic fail",
    "metal_without_tint": "this metal has no tint scale",
    "tint_zone": "HAZ tint {haz_level}, {left_mm} left and {right_mm} right of the bead",
    "tint_sides": "HAZ tint {left_mm} left, {right_mm} right",
    "faults": "{counts}",
    "no_faults": "no faults seen",
    "ends": "near ends and restarts: {counts}",
    "ends_clean": "ends and restarts without faults",
    "length_welded": "{length_mm} welded, target {asked_mm}",
    "no_length_asked": "no target length",
    "as_the_card": "all logged settings match the card",
    "off_the_card": "off the card: {off}",
    "not_logged": "no settings logged",
    "prepared": "{done} of {wanted} steps ticked",
    "no_list_kept": "prep checklist not filled in",
    "legs": "vertical leg {upper_mm}, horizontal leg {lower_mm}",
    "leg_size": "leg {leg_mm}, target {asked_mm}",
    "no_leg_asked": "no target leg",
    "throat": "throat {throat_mm} at a leg of {leg_mm}",
    "distortion": "{lift_mm} out of flat",
    "turned": "angular distortion {turned_deg}",
    "time_taken": "{taken_s} of {allowed_s} allowed",
    "no_time_allowed": "no time limit set",
    "found_by_hand": "{option}",
    "to_be_found_by_hand": "check by hand",
    "not_asked_of_this_coupon": "does not apply to this coupon",
    "less_for_faults": "mean of the criteria above, less {cost} for {counts}",
    "mean_of_the_others": "mean of the criteria above",
    "nothing_measured": "not measured; score by eye",
}
PLACEHOLDERS = {
    "name": "first name", "width": "mean width", "target": "target width", "varies": "width variation",
    "gaps": "ripple variation", "pitch": "mean gap", "tint": "tint of the bead", "length": "length",
}  # fmt: skip
"""What a phrase may hold in braces, and what stands for it."""


def because(suggestion: Suggestion, units: Units = METRIC) -> str:
    """From which figures a suggestion comes."""
    figures = {key: _figure(key, value, units) for key, value in suggestion.figures.items() if value is not None}
    counts = ", ".join(f"{count} × {FAULT_KINDS[kind].words}" for kind, count in suggestion.counts.items())
    off = ", ".join(_key(key) for key in suggestion.off)
    choice = CHOICES.get(suggestion.criterion)
    option = choice.options.get(suggestion.figure, "") if choice and isinstance(suggestion.figure, str) else ""
    return REASONS[suggestion.reason].format(**figures, counts=counts, off=off, option=option)


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
        return f"{100 * figure:.3g} %"
    if unit == "mm":
        return format_figure(figure, "length", units)
    return f"{figure:.3g} : 1" if unit == "ratio" else f"{figure:.3g}°" if unit == "deg" else f"{figure:.3g} {unit}"


def _key(key: str) -> str:
    return QUANTITIES[key].words.lower() if key in QUANTITIES else key.replace("_", " ")


def _figure(key: str, value: float, units: Units) -> str:
    if key.endswith("_level"):
        return f"{value:.0f} {level_name(int(value))}"
    if key.endswith(("_cv", "_share")):
        return f"{100 * value:.1f} %"
    if key.endswith("_mm"):
        return format_figure(value, "length", units, 2 if units.length == "mm" else 0)
    if key.endswith("_s"):
        return f"{value:.0f} s"
    return f"{value:g}°" if key.endswith("_deg") else f"{value:g}"


def finding(key: str) -> dict[str, str]:
    """A finding by hand: what it is called, and where it is measured."""
    words = QUANTITIES[key].words if key in QUANTITIES else CHOICES[key].words
    return {"key": key, "words": words, "at": MEASURED_AT[key]}


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
        "varies": f"{100 * bead.width_mm.cv:.0f} %",
        "length": format_figure(bead.length_mm, "length", units),
    }
    if report.ripple and report.ripple.cv is not None:
        values |= {
            "gaps": f"{100 * report.ripple.cv:.0f} %",
            "pitch": format_figure(report.ripple.pitch_mm, "length", units),
        }
    if report.tint:
        values["tint"] = f"{report.tint.bead.level} {report.tint.bead.name}"
    return values
