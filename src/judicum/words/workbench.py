"""What a calculator says beside its figures."""

from judicum.core.workbench import Note
from judicum.words.catalogue import t
from judicum.words.names import listed, option_name, tint_name
from judicum.words.units import METRIC, Units, figure_forms


def note(one: Note, units: Units = METRIC) -> str:
    """A note as a sentence."""
    tables = listed([option_name("gauge_table", code) for code in one.codes])
    levels = {name: tint_name(level) for name, level in one.levels.items()}
    return t(f"note-{one.code}", **figure_forms(one.figures, units), **levels, tables=tables)
