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
    Choice("purge_school", ("always", "butts", "root", "never")),
    Choice("solvent", ("acetone", "alcohol")),
    Choice("unit_system", ("metric", "us")),
    Choice("locale", ("en-GB", "en-US")),
    Choice("layers", ("weave", "stacked")),
    Choice("cup_school", ("wide", "middling", "small")),
    Choice("gas_part_school", ("gas_lens", "collet_body")),
    Choice("flow_school", ("number", "half", "more", "less")),
    Choice("pulse_school", ("thin", "seldom", "clock")),
    Choice("seams", ("in_turn", "one_to_its_end")),
    Choice("run_order", ("straight_round", "every_second")),
    Choice("dabs_school", ("by_cover", "12", "15", "20", "30")),
    Choice("purge_tacks", ("purge_first", "tacks_first")),
    Choice("start_amps", ("lowest", "lamp", "hot")),
    Choice("end_school", ("slope", "taper")),
    Choice("electrode_school", ("ceriated", "lanthanated", "mixture", "thoriated")),
    Choice("grip_school", ("cue", "fist", "finger_sleeve")),
    Choice("feed_school", ("low", "fed", "laid", "still")),
    Choice("grinding_school", ("fingers", "rest", "drill")),
    Choice("pulse_preset", ("metronome", "thirds", "half_and_half", "fused_sheet", "fast_and_stiff")),
    Choice("prop", ("arm", "finger", "shield", "none")),
    Choice("grip", ("cue", "fist")),
    Choice("feed", ("pinch", "walk", "lift", "lay")),
    Choice("backing", ("none", "bar", "chill_plate", "purge")),
    Choice("control", ("pedal", "pedal_switch", "two_step", "four_step", "scratch")),
    Choice("machine_torch", tuple(TORCHES)),
)  # fmt: skip
CHOICES: dict[str, Choice] = {choice.key: choice for choice in _TABLE}

FINISH_LEVEL = {"bright": 1, "warm": 3, "show_colour": 6}
"""Highest tint level each finish goal accepts; grey (7) is always a reject."""
SCHOOLS = ("pedal_school", "start_school", "finish", "unit_system", "sequence", "purge_school", "solvent", "locale")
"""Choices that a course makes once, because practitioners disagree; each is a column of its course."""
METHODS = (
    "cup_school", "gas_part_school", "flow_school", "pulse_school", "seams", "run_order", "dabs_school", "purge_tacks",
    "start_amps", "end_school", "electrode_school", "grip_school", "feed_school", "grinding_school",
)  # fmt: skip
"""The same, of the work at the bench; together they are one column."""
