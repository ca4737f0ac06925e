"""Where on the card plane a bead may lie."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale, card_geometry

PAPER_MM = 1.5
"""So near to the window's cut edge lies its shadow."""
STRIP_REACH_MM = 38.0
"""How far from a strip card a bead is looked for, to either side."""
STRIP_PAST_MM = 25.0
"""How far past the strip's ends."""
SHADOW_MM = 1.2
"""mm from a strip's edge within which its shadow lies."""
RIM = 0.02
"""Share of a photo without a card that is left out all round."""


@dataclass(frozen=True)
class Region:
    """A box of the card plane (mm) in which a bead may lie."""

    low: Floats
    high: Floats

    @classmethod
    def around(cls, boxes: "Sequence[Region]", margin_mm: float) -> "Region":
        """The smallest box that holds all of these, and a margin around them."""
        low = np.min([box.low for box in boxes], axis=0) - margin_mm
        return cls(low, np.max([box.high for box in boxes], axis=0) + margin_mm)


def regions(picture: Picture, scale: Scale) -> list[Region]:
    """The boxes to search: those of the card, or the whole photo."""
    if scale.of_card:
        return card_regions(scale.kind)
    size = np.array(picture.size_px) * scale.mm_per_px
    return [Region(size * RIM, size * (1 - RIM))]


def card_regions(kind: str) -> list[Region]:
    """The boxes of a card in which a bead may lie: the window's cut-out, or both sides of a strip."""
    card = card_geometry()[kind]
    if "cut_out" in card:
        low, size = (np.array(card["cut_out"][key], float) for key in ("at", "size"))
        return [Region(low + PAPER_MM, low + size - PAPER_MM)]
    width, height = card["size"]
    sides = (-STRIP_REACH_MM, -SHADOW_MM), (height + SHADOW_MM, height + STRIP_REACH_MM)
    return [Region(np.array([-STRIP_PAST_MM, low]), np.array([width + STRIP_PAST_MM, high])) for low, high in sides]
