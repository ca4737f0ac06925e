"""A strip of one's own metal tinted by a torch in steps, photographed beside the card: what the tint scale reads where a person says
which level it is. It is told beside the scale and shifts nothing."""

from collections.abc import Sequence

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats, Pixels
from judicum.core.errors import UnreadablePicture, said
from judicum.core.photo.clip import decode_photo
from judicum.core.photo.film import linear_to_srgb, srgb_to_linear, tint_levels
from judicum.core.photo.light import card_gains
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import card_geometry, find_card
from judicum.core.photo.tint import against_plate, levels_of
from judicum.core.photo.tint_patches import Patch
from judicum.core.photo.unwrap import Line, read_grid

DENSITY = 8.0
"""Pixels a millimetre of the flat picture: a patch of colour needs no more."""
RADIUS_MM = 1.2
"""mm around a named place whose colour is read, by the median: a scratch or a glint does not move it."""
BESIDE_STRIP_MM = 25.0
"""mm to either side of a strip card that are shown: so near to it beads lie."""


def flattened(data: bytes) -> Pixels:
    """The card's window from straight above (of a strip card what lies beside it), its colours balanced by the card's greys.

    Returns:
        uint8 (rows, columns, 3), DENSITY pixels a millimetre.

    Raises:
        UnreadablePicture: no picture, or no card in it.
    """
    picture = Picture(decode_photo(data))
    scale = find_card(picture)
    if scale is None:
        raise UnreadablePicture(said("refused-tint-strip-without-card"))
    card = card_geometry()[scale.kind]
    (x, y), (wide, tall) = (
        (card["cut_out"]["at"], card["cut_out"]["size"])
        if "cut_out" in card
        else ((0.0, -BESIDE_STRIP_MM), (card["size"][0], card["size"][1] + 2 * BESIDE_STRIP_MM))
    )
    line = Line(np.zeros(2), np.array([1.0, 0.0]))
    plane = read_grid(picture, scale, line, (x, x + wide), (y, y + tall), DENSITY)
    light = np.clip(srgb_to_linear(plane) * card_gains(picture, scale), 0, 1)
    return np.asarray((255 * linear_to_srgb(light)).round(), np.uint8)


def read_patches(picture: Pixels, places: Sequence[tuple[float, float]], levels: Sequence[int]) -> list[Patch]:
    """What the tint scale reads at named places of a flat picture.

    Args:
        places: [x, y] in pixels of it. levels: 0 to 7 of each, as `check_patches` lets them pass; those of level 0 are what all others
            are read against.
    """
    light = np.array([_light_at(picture, place) for place in places])
    bare = light[np.array(levels) == 0].mean(axis=0)
    lab = against_plate(light, bare)
    read = levels_of(lab[:, None])[:, 0]
    known = np.array([tint_levels()[level]["lab"] for level in levels], float)
    return [
        Patch(x, y, level, int(seen), round(float(np.linalg.norm(colour - scale)), 1))
        for (x, y), level, seen, colour, scale in zip(places, levels, read, lab, known, strict=True)
    ]


def _light_at(picture: Pixels, place: tuple[float, float]) -> Floats:
    """Linear light around a place, blue, green, red."""
    x, y = place
    rows, columns = picture.shape[:2]
    down, right = np.ogrid[:rows, :columns]
    near: Flags = (right - x) ** 2 + (down - y) ** 2 <= (RADIUS_MM * DENSITY) ** 2
    return np.asarray(np.median(srgb_to_linear(picture[near]), axis=0))


def encoded(picture: Pixels) -> bytes:
    """The flat picture as a PNG file, which keeps its colours as they are."""
    return cv2.imencode(".png", picture)[1].tobytes()
