"""Where on the card plane a bead may lie."""

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
RIM = 0.02
"""Share of a photo without a card that is left out all round."""


@dataclass(frozen=True)
class Region:
    """A box of the card plane (mm) in which a bead may lie."""

    low: Floats
    high: Floats


def regions(picture: Picture, scale: Scale) -> list[Region]:
    """The boxes to search: the window's cut-out, both sides of the strip, or the whole photo."""
    if scale.kind == "window":
        cut = card_geometry()["window"]["cut_out"]
        low, size = np.array(cut["at"], float), np.array(cut["size"], float)
        return [Region(low + PAPER_MM, low + size - PAPER_MM)]
    if scale.kind == "strip":
        width, height = card_geometry()["strip"]["size"]
        return [
            Region(np.array([-STRIP_PAST_MM, -STRIP_REACH_MM]), np.array([width + STRIP_PAST_MM, -1.2])),
            Region(
                np.array([-STRIP_PAST_MM, height + 1.2]), np.array([width + STRIP_PAST_MM, height + STRIP_REACH_MM])
            ),
        ]
    size = np.array(picture.size_px) * scale.mm_per_px
    return [Region(size * RIM, size * (1 - RIM))]
