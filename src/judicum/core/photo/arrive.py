"""What is made of a picture when it arrives: what it is, and a copy to show without any metadata.

As a program it reads a picture file from standard input and writes one line of JSON and the copy's bytes, within limits on
memory and time: whatever is sent, the process that asked is not harmed.

    python -m judicum.core.photo.arrive < picture.jpg
"""

import json
import resource
import sys
from dataclasses import dataclass

import cv2

from judicum.core.arrays import Pixels
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.decode import decode, encode_jpeg, sniff_format

SHOWN_LONG_SIDE_PX = 2400
SHOWN_QUALITY = 88
MOST_MEMORY = 1600 << 20
"""Bytes of address space; a picture of 60 million pixels takes a third of it."""
MOST_SECONDS = 40
"""Of one core; a picture of 60 million pixels takes four."""


@dataclass(frozen=True)
class Arrived:
    """A readable picture: its kind, its size upright, and a JPEG file to show."""

    media_type: str
    width_px: int
    height_px: int
    shown: bytes


def look_into(data: bytes) -> Arrived:
    """Decode a picture file and make the copy to show. Raises UnreadablePicture."""
    media_type = sniff_format(data)
    pixels = decode(data)
    return Arrived(media_type, pixels.shape[1], pixels.shape[0], encode_jpeg(_fit(pixels), SHOWN_QUALITY))


def _fit(pixels: Pixels) -> Pixels:
    shrink = max(pixels.shape[:2]) / SHOWN_LONG_SIDE_PX
    if shrink <= 1:
        return pixels
    # A side of one pixel stays one.
    size = [max(1, round(side / shrink)) for side in (pixels.shape[1], pixels.shape[0])]
    return cv2.resize(pixels, size, interpolation=cv2.INTER_AREA)


def main() -> None:
    resource.setrlimit(resource.RLIMIT_AS, (MOST_MEMORY, MOST_MEMORY))
    resource.setrlimit(resource.RLIMIT_CPU, (MOST_SECONDS, MOST_SECONDS))
    cv2.setNumThreads(1)
    out = sys.stdout.buffer
    try:
        arrived = look_into(sys.stdin.buffer.read())
    except UnreadablePicture as error:
        out.write(json.dumps({"unreadable": str(error)}).encode() + b"\n")
        return
    told = {"media_type": arrived.media_type, "width_px": arrived.width_px, "height_px": arrived.height_px}
    out.write(json.dumps(told).encode() + b"\n" + arrived.shown)


if __name__ == "__main__":
    main()
