"""What is chosen rather than typed: every choice with its options and what they are called. The usual one comes first."""

from collections.abc import Mapping
from dataclasses import dataclass

from judicum.core.joints import JOINTS
from judicum.core.metals import METALS, PAIRS, TORCHES, fillers


@dataclass(frozen=True)
class Choice:
    """One choice by its key; `options` is each code with its words, `why` what speaks for it where it is a school."""

    key: str
    words: str
    options: Mapping[str | int, str]
    why: Mapping[str, str] | None = None

    @property
    def codes(self) -> tuple[str | int, ...]:
        return tuple(self.options)

    @property
    def allowed(self) -> str:
        """What may be chosen, in words for an error message."""
        return "one of " + ", ".join(map(str, self.options))


_TABLE = (
    Choice("metal", "Metal", dict[str | int, str]([*((k, m.words) for k, m in METALS.items()), *PAIRS.items()])),
    Choice("joint", "Joint", {key: joint.words for key, joint in JOINTS.items()}),
    Choice("position", "Position", {"flat": "flat", "horizontal": "horizontal", "vertical_up": "vertical up", "overhead": "overhead"}),
    Choice("form", "Form", {"sheet": "sheet", "plate": "plate", "tube": "tube"}),
    Choice("technique", "Technique", {"dab": "dab", "lay_wire": "lay wire", "walk_cup": "walk the cup", "fuse": "fuse (no filler)"}),
    Choice("gas_part", "Gas lens or collet body", {"gas_lens": "gas lens", "collet_body": "collet body", "double_mesh": "double-mesh cup"}),
    Choice("polarity", "Polarity", {"DCEN": "DC, electrode negative", "DCEP": "DC, electrode positive", "AC": "AC"}),
    Choice("torch", "Torch head", {key: f"{key}: {torch.words}" for key, torch in TORCHES.items()}),
    Choice("electrode_kind", "Tungsten", {
        "ceriated_2": "ceriated 2 %", "lanthanated_2": "lanthanated 2 %", "lanthanated_1_5": "lanthanated 1.5 %",
        "thoriated_2": "thoriated 2 %", "pure": "pure tungsten", "rare_earth_mix": "rare earth mix",
    }),
    Choice("filler_alloy", "Filler alloy", dict[str | int, str]([("none", "no filler"), *fillers().items()])),
    Choice("gauge_table", "Gauge of", {"stainless_sheet": "stainless sheet", "carbon_sheet": "carbon sheet", "tube_wall": "tube wall"}),
    Choice("electrode_after", "Tungsten after the weld", {"shiny": "shiny", "tinted": "faintly tinted", "dull": "dull grey, blue or black", "dipped": "dipped"}),
    Choice("rod_end", "Filler rod end", {"clean": "clean", "oxidised": "oxidised", "balled": "balled"}),
    Choice("arc", "Arc", {"steady": "steady", "wandering": "wandering", "spiralling": "spiralling"}),
    Choice("face", "Face", {"flat": "flat", "convex": "convex", "sunken": "concave", "ropey": "ropey"}),
    Choice("back", "Back side", {
        "bright": "bright", "tinted": "tinted", "sugared": "sugared", "not_through": "lack of penetration", "hangs_through": "excess penetration",
    }),
    Choice("bend", "Bend or break test", {"held": "held", "opened": "opened", "broke": "broke"}),
    Choice("finish", "Finish goal", {"warm": "warm", "bright": "bright", "show_colour": "show colour"}, {
        "warm": "up to copper", "bright": "silver or straw only, root purged", "show_colour": "up to blue wanted, never grey",
    }),
    Choice("pedal_school", "Pedal", {"target": "Set the target, floor it", "ride": "Set above, ride the pedal"}, {
        "target": "One variable fewer; the card's machine setting is the aim.", "ride": "Machine 35 % above the aim; wets the toes when cold.",
    }),
    Choice("start_school", "Start", {"quick": "Quick start", "settled": "Settled start"}, {
        "quick": "Puddle made and moving in 1 to 3 s; heat soaks in.", "settled": "A little filler, then wait 3 to 8 s until the puddle has settled.",
    }),
    Choice("sequence", "Coupon sequence", {"stainless": "Stainless first", "carbon": "Carbon steel first"}, {
        "stainless": "Straight on what is built.", "carbon": "Cheaper and forgiving, then the same steps on stainless.",
    }),
    Choice("purge_school", "Purge", {"always": "Always on tube", "root": "Where the root matters"}, {
        "always": "Butts and turntable tube are purged.", "root": "Only for a bright finish and on the turntable.",
    }),
    Choice("solvent", "Wiping", {"acetone": "Acetone", "alcohol": "Denatured alcohol"}, {"acetone": "Flash off, cap it.", "alcohol": "Flash off, cap it."}),
    Choice("unit_system", "Units for new members", {"metric": "mm and L/min", "us": "thousandths and CFH"}),
)  # fmt: skip
CHOICES: dict[str, Choice] = {choice.key: choice for choice in _TABLE}

FINISH_LEVEL = {"bright": 1, "warm": 3, "show_colour": 6}
"""Highest tint level each finish goal accepts; grey (7) is always a reject."""
SCHOOLS = ("pedal_school", "start_school", "finish", "unit_system", "sequence", "purge_school", "solvent")
"""Choices that a course makes once, because practitioners disagree."""
