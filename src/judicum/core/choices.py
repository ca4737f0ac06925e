"""What is chosen rather than typed: every choice with its codes, the usual one first."""

from dataclasses import dataclass

from judicum.core.errors import Said, one_of
from judicum.core.joints import JOINTS
from judicum.core.metals import METALS, PAIRS, TORCHES, fillers


@dataclass(frozen=True)
class Choice:
    """One choice by its key, with the codes that may be chosen."""

    key: str
    codes: tuple[str | int, ...]

    @property
    def allowed(self) -> Said:
        """What may be chosen, for an error."""
        return one_of(self.codes)


_TABLE = (
    Choice("metal", (*METALS, *PAIRS)),
    Choice("joint", tuple(JOINTS)),
    Choice("position", ("flat", "horizontal", "vertical_up", "overhead")),
    Choice("form", ("sheet", "plate", "tube")),
    Choice("technique", ("dab", "lay_wire", "walk_cup", "fuse")),
    Choice("gas_part", ("gas_lens", "collet_body", "double_mesh")),
    Choice("polarity", ("DCEN", "DCEP", "AC")),
    Choice("torch", tuple(TORCHES)),
    Choice("electrode_kind", ("ceriated_2", "lanthanated_2", "lanthanated_1_5", "thoriated_2", "pure", "rare_earth_mix")),
    Choice("filler_alloy", ("none", *fillers())),
    Choice("gauge_table", ("stainless_sheet", "carbon_sheet", "tube_wall")),
    Choice("electrode_after", ("shiny", "tinted", "dull", "dipped")),
    Choice("rod_end", ("clean", "oxidised", "balled")),
    Choice("arc", ("steady", "wandering", "spiralling")),
    Choice("face", ("flat", "convex", "sunken", "ropey")),
    Choice("back", ("bright", "tinted", "sugared", "not_through", "hangs_through")),
    Choice("bend", ("held", "opened", "broke")),
    Choice("finish", ("warm", "bright", "show_colour")),
    Choice("pedal_school", ("target", "ride")),
    Choice("start_school", ("quick", "settled")),
    Choice("sequence", ("stainless", "carbon")),
    Choice("purge_school", ("always", "root")),
    Choice("solvent", ("acetone", "alcohol")),
    Choice("unit_system", ("metric", "us")),
    Choice("locale", ("en-GB", "en-US")),
)  # fmt: skip
CHOICES: dict[str, Choice] = {choice.key: choice for choice in _TABLE}

FINISH_LEVEL = {"bright": 1, "warm": 3, "show_colour": 6}
"""Highest tint level each finish goal accepts; grey (7) is always a reject."""
SCHOOLS = ("pedal_school", "start_school", "finish", "unit_system", "sequence", "purge_school", "solvent", "locale")
"""Choices that a course makes once, because practitioners disagree."""
