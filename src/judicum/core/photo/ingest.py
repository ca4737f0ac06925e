"""What is made of a picture when it arrives: what it is, the file without what it tells of people and places, and a copy to show
without any metadata."""

from typing import cast

import cv2

from judicum.core.arrays import Pixels
from judicum.core.photo.clip import composite
from judicum.core.photo.decode import decode, encode_jpeg
from judicum.core.photo.picture_file import Ingested, is_clip, sniff_format
from judicum.core.photo.private import without_private

SHOWN_LONG_SIDE_PX = 2400
"""px. Longest side of the copy: a full-screen picture on a tablet."""
SHOWN_QUALITY = 88
"""JPEG quality of the copy: ripples stay, a 12-megapixel photo takes under a megabyte."""
CLIP_QUALITY = 94
"""JPEG quality of what is put together of a film: fronts are read off it."""


def ingest(data: bytes) -> Ingested:
    """Decode a picture file, clean it, and make the copy to show. Raises UnreadablePicture."""
    if is_clip(data):
        # What was put together of a film is the picture from then on; the film is not kept.
        data = encode_jpeg(composite(data), CLIP_QUALITY)
    media_type = sniff_format(data)
    pixels = decode(data)
    shown = encode_jpeg(_fit(pixels), SHOWN_QUALITY)
    return Ingested(media_type, pixels.shape[1], pixels.shape[0], without_private(data), shown)


def _fit(pixels: Pixels) -> Pixels:
    shrink = max(pixels.shape[:2]) / SHOWN_LONG_SIDE_PX
    if shrink <= 1:
        return pixels
    # A side of one pixel stays one.
    size = [max(1, round(side / shrink)) for side in (pixels.shape[1], pixels.shape[0])]
    return cast(Pixels, cv2.resize(pixels, size, interpolation=cv2.INTER_AREA))
