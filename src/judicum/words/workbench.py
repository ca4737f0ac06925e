"""What a calculator says beside its figures, and what its results are called."""

from judicum.core.choices import CHOICES
from judicum.core.workbench import Note
from judicum.words.units import METRIC, Units, filled

PANELS = {
    "pulse": "Pulse",
    "gas": "Cup and flow",
    "heat": "Heat per length",
    "runs": "Runs round a tube",
    "turntable": "Turntable bands",
    "consumption": "Gas per run",
    "purge": "Purge wait",
    "filler": "Filler in a fillet",
    "gauge": "Gauge",
}
RESULTS = {
    "mean_a": "Mean current",
    "on_s": "On for",
    "off_s": "Off for",
    "advance_mm": "Advance a pulse",
    "reynolds": "Reynolds number",
    "low_l_min": "Flow, low",
    "aim_l_min": "Flow, aim",
    "high_l_min": "Flow, high",
    "inside_mm": "Cup inside",
    "exit_m_s": "Speed at the exit",
    "arc_kj_mm": "Arc heat",
    "net_kj_mm": "Heat in the work (0.6)",
    "power_w": "Arc power",
    "net_mm": "Net advance",
    "count": "Runs",
    "length_mm": "Length",
    "dabs": "Dabs a run",
    "rpm": "Turns a minute",
    "travel_mm_s": "Travel",
    "other_rpm": "On the other tube",
    "run_l": "Gas a run",
    "bottle_l": "Bottle",
    "runs": "Runs a bottle",
    "volume_l": "Volume",
    "wait_s": "Wait",
    "used_l": "Gas used",
    "area_mm2": "Section",
    "volume_mm3": "Metal added",
    "wire_mm": "Wire used",
    "stainless_sheet_mm": "Stainless sheet",
    "carbon_sheet_mm": "Carbon sheet",
    "tube_wall_mm": "Tube wall",
}
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
