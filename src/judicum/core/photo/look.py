"""A first look at a photo, or a small copy of it, before it is sent: what would make it useless, and what to do.

It sees in a tenth of a second what measuring would refuse later, and a little that measuring only
suffers from. It never decides: the measurement does.
"""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Pixels
from judicum.core.photo.picture import Picture
from judicum.core.photo.refuse import LEAST_PX_PER_MM, MOST_BLUR_MM, MOST_TILT_DEG, refuse
from judicum.core.photo.scale import Scale, card_geometry, card_of, find_markers
from judicum.core.photo.sharpness import blur_mm

DARK, BRIGHT = 70, 253
"""sRGB level of the picture's brightest tenth under which it is dark, and of its median over which it is washed out."""


@dataclass(frozen=True)
class Seen:
    """Something wrong with a photo: its code and the figures behind it; `judicum.words.photo` says what to do."""

    code: str
    figures: dict[str, float]


def look_over(picture: Pixels, shrunk: float = 1.0) -> list[Seen]:
    """What is wrong with a photo at first sight; nothing where it may be sent.

    Args:
        picture: uint8 (rows, columns, 3), upright; a side of 1200 to 1600 pixels is enough.
        shrunk: how many times larger the photo itself is.
    """
    bright = np.quantile(picture[::4, ::4].max(-1), [0.5, 0.9])
    found = [code for code, seen in (("too_dark", bright[1] < DARK), ("too_bright", bright[0] >= BRIGHT)) if seen]
    markers = find_markers(Picture(picture))
    scale = card_of(markers, (picture.shape[1], picture.shape[0]))
    if scale is None:
        found.append("card_cut_off" if markers else "no_card")
        return [Seen(code, {}) for code in found]
    if _cut_off(picture, scale):
        found.append("card_cut_off")
    if scale.tilt_deg is not None and scale.tilt_deg > MOST_TILT_DEG:
        found.append("card_tilted")
    blur = blur_mm(picture, scale)
    if blur is not None and blur > max(MOST_BLUR_MM, 1.2 * scale.mm_per_px):
        found.append("blurred")
    if shrunk / scale.mm_per_px < LEAST_PX_PER_MM:
        found.append("too_small")
    figures = {"tilt_deg": scale.tilt_deg or 0.0, "px_per_mm": shrunk / scale.mm_per_px}
    return [Seen(code, refuse(code, **figures).figures) for code in found]


def _cut_off(picture: Pixels, scale: Scale) -> bool:
    card = card_geometry()[scale.kind]
    side = card["marker_size"]
    corners = np.array(
        [[x + dx, y + dy] for x, y in (m["at"] for m in card["markers"]) for dx in (0, side) for dy in (0, side)], float
    )
    px = scale.px(corners)
    return bool((px < 0).any() or (px > np.array(picture.shape[1::-1]) - 1).any())
