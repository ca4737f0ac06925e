"""What a calculator says beside its figures, and what its results are called."""

from judicum.core.choices import CHOICES
from judicum.core.workbench import Note
from judicum.words.units import METRIC, Units, filled

NOTES = {
    "on_too_long": "Above {most} on the pulse has no benefit left.",
    "background_above_peak": "The background lies above the peak.",
    "turbulent": "Turbulent: the jet drags air in and pushes the puddle about.",
    "nearly_turbulent": "Close to turning turbulent: less gas, or a wider cup.",
    "little": "Little for this cup.",
    "much": "Much for this cup.",
    "two_conventions": "Two conventions: with the arc's heat, and with the {share} of it that reaches the work. Say which.",
    "thin_side_first": "On a bend weld the thin, stretched side first, while cold, a few amps lower.",
    "read_the_bands": "Too slow: hot, dark, wide. Too fast: the puddle jumps, the centre line sinks, the seam shows.",
    "vent": "Vent the far end, or pressure pushes the root out. Argon displaces air: never in a closed space or pit.",
    "not_that_gauge": "{measured} is not {gauge} gauge of: {tables}.",
}


def note(one: Note, units: Units = METRIC) -> str:
    """A note as a sentence."""
    tables = ", ".join(str(CHOICES["gauge_table"].options[code]) for code in one.codes)
    return filled(NOTES[one.code], one.figures, units, tables=tables)
