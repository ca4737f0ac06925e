"""The precheck of a photo, or a small copy of it, before it is sent: what would make it useless, and what to do.

It sees in a tenth of a second what measuring would refuse later, and a little that measuring only
suffers from. It never decides: the measurement does.
"""

from typing import cast

import cv2
import numpy as np

from judicum.core.arrays import Pixels
from judicum.core.photo.decode import decode
from judicum.core.photo.picture import Picture
from judicum.core.photo.picture_file import PhotoProblem
from judicum.core.photo.refuse import MAX_BLUR_MM, MAX_TILT_DEG, MIN_PX_PER_MM, refuse
from judicum.core.photo.scale import Scale, card_geometry, card_of, find_markers
from judicum.core.photo.sharpness import blur_mm

DARK_LEVEL = 70
"""sRGB level of the picture's brightest tenth under which it is dark."""
BRIGHT_LEVEL = 253
"""sRGB level of the picture's median over which it is washed out."""
COPY_LONG_SIDE_PX = 1600
"""px. A copy is shrunk to this: the card's markers are found and blur is told at half of it."""
MAX_COPY_PIXELS = 12_000_000
"""The page sends a copy of about two million; a picture that claims more is not unpacked for a precheck."""


def precheck_file(data: bytes, long_side_px: int | None = None) -> list[PhotoProblem]:
    """What is wrong at first sight with a photo of which `data` is a small copy (JPEG, PNG or HEIC).

    Args:
        long_side_px: the long side of the photo itself; None where `data` is the photo.

    Raises:
        UnreadablePicture: no picture, or over MAX_COPY_PIXELS.
    """
    picture = decode(data, MAX_COPY_PIXELS)
    own = max(picture.shape[:2])
    if (down := COPY_LONG_SIDE_PX / own) < 1:
        picture = cast(Pixels, cv2.resize(picture, None, fx=down, fy=down, interpolation=cv2.INTER_AREA))
    return precheck(picture, (long_side_px or own) / max(picture.shape[:2]))


def precheck(picture: Pixels, shrunk: float = 1.0) -> list[PhotoProblem]:
    """What is wrong with a photo at first sight; nothing where it may be sent.

    Args:
        picture: uint8 (rows, columns, 3), upright; a side of 1200 to 1600 pixels is enough.
        shrunk: how many times larger the photo itself is.
    """
    bright = np.quantile(picture[::4, ::4].max(-1), [0.5, 0.9])
    found = [
        code for code, seen in (("too_dark", bright[1] < DARK_LEVEL), ("too_bright", bright[0] >= BRIGHT_LEVEL)) if seen
    ]
    markers = find_markers(Picture(picture))
    scale = card_of(markers, (picture.shape[1], picture.shape[0]))
    if scale is None:
        found.append("card_cut_off" if markers else "no_card")
        return [PhotoProblem(code, {}) for code in found]
    if _cut_off(picture, scale):
        found.append("card_cut_off")
    if scale.tilt_deg is not None and scale.tilt_deg > MAX_TILT_DEG:
        found.append("card_tilted")
    blur = blur_mm(picture, scale)
    if blur is not None and blur > max(MAX_BLUR_MM, 1.2 * scale.mm_per_px):
        found.append("blurred")
    if shrunk / scale.mm_per_px < MIN_PX_PER_MM:
        found.append("too_small")
    figures = {"tilt_deg": scale.tilt_deg or 0.0, "px_per_mm": shrunk / scale.mm_per_px}
    return [PhotoProblem(code, refuse(code, **figures).figures) for code in found]


def _cut_off(picture: Pixels, scale: Scale) -> bool:
    card = card_geometry()[scale.kind]
    side = card["marker_size"]
    corners = np.array(
        [[x + dx, y + dy] for x, y in (m["at"] for m in card["markers"]) for dx in (0, side) for dy in (0, side)], float
    )
    px = scale.px(corners)
    return bool((px < 0).any() or (px > np.array(picture.shape[1::-1]) - 1).any())
