"""Places of a tinted strip that a person names by their level; what the scale reads there stands in `core.photo.tint_strip`."""

from collections.abc import Sequence
from dataclasses import dataclass

from judicum.core.errors import InvalidValue, said
from judicum.core.photo.film import GREY_LEVEL

MAX_PATCHES = 24
ALIKE_DE = 12.0
"""CIELAB distance up to which a colour is as the scale has it: half of what lies between neighbouring levels."""


@dataclass(frozen=True)
class Patch:
    """A named place: where (pixels of the flat picture), the level a person gave it, the one that is read there, and how far its colour
    lies from the scale's (CIELAB)."""

    x_px: float
    y_px: float
    level: int
    read_level: int
    distance: float

    @property
    def is_alike(self) -> bool:
        """Whether it is read as it was named."""
        return self.read_level == self.level


def check_patches(places: Sequence[tuple[float, float]], levels: Sequence[int], size_px: tuple[int, int]) -> None:
    """Raises InvalidValue: too few or too many, a level that is none, none untinted, or a place outside of the picture."""
    if not 2 <= len(places) <= MAX_PATCHES:
        raise InvalidValue("patches", len(places), said("allowed-from-to", low=2, high=MAX_PATCHES))
    for level in levels:
        if not 0 <= level <= GREY_LEVEL:
            raise InvalidValue("level", level, said("allowed-from-to", low=0, high=GREY_LEVEL))
    if 0 not in levels:
        raise InvalidValue("level", min(levels), said("allowed-an-untinted-patch"))
    wide, tall = size_px
    for x, y in places:
        if not (0 <= x < wide and 0 <= y < tall):
            raise InvalidValue("place", f"{x:g}, {y:g}", said("allowed-place-in-picture", wide=wide, tall=tall))
