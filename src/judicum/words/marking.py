"""What a suggested score comes from, in words."""

from judicum.core.marking import Suggestion
from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.photo.film import level_name
from judicum.core.quantities import QUANTITIES
from judicum.words.units import METRIC, Units, told

REASONS = {
    "width_cv": "width varies {width_cv} around {width_mean_mm}",
    "even_but_off_target": "varies {width_cv}, but {width_mean_mm} where {target_width_mm} was asked",
    "pitch_cv": "gaps vary {pitch_cv} around {pitch_mm}, {lapses} lapses",
    "no_ripples_to_judge": "no distinct ripples; toes and width count instead",
    "toe_waviness": "toes wave by {left_mm} left, {right_mm} right",
    "within_finish": "bead {bead_level}, up to {accepted_level} accepted",
    "darker_than_finish": "bead {bead_level}, only up to {accepted_level} accepted",
    "tint_lopsided": "bead {bead_level}; zone lopsided, {left_mm} left, {right_mm} right",
    "grey_is_a_reject": "grey on {grey_share} of the bead: always a reject",
    "sugar_is_a_reject": "sugared over {length_mm}: always a reject",
    "as_the_card": "everything logged lies on the card",
    "off_the_card": "off the card: {off}",
    "not_logged": "nothing was logged to judge by",
    "less_for_faults": "mean of the lines above, less {cost} for {counts}",
    "mean_of_the_others": "mean of the lines above",
    "nothing_measured": "nothing measured; set it by eye",
}


def because(suggestion: Suggestion, units: Units = METRIC) -> str:
    """From which figures a suggestion comes."""
    figures = {key: _told(key, value, units) for key, value in suggestion.figures.items() if value is not None}
    counts = ", ".join(f"{count} × {FAULT_KINDS[kind].words}" for kind, count in suggestion.counts.items())
    off = ", ".join(_key(key) for key in suggestion.off)
    return REASONS[suggestion.reason].format(**figures, counts=counts, off=off)


def _key(key: str) -> str:
    return QUANTITIES[key].words.lower() if key in QUANTITIES else key.replace("_", " ")


def _told(key: str, value: float, units: Units) -> str:
    if key.endswith("_level"):
        return f"{value:.0f} {level_name(int(value))}"
    if key.endswith(("_cv", "_share")):
        return f"{100 * value:.1f} %"
    if key.endswith("_mm"):
        return told(value, "length", units, 2 if units.length == "mm" else 0)
    return f"{value:g}"
