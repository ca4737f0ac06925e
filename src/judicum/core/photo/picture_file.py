"""What a picture file says of itself: kind and size, read from its header; no pixel is unpacked."""

import io
import warnings
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass

import pillow_heif
from PIL import Image, UnidentifiedImageError

from judicum.core.errors import Said, UnreadablePicture, said

MAX_PIXELS = 60_000_000
"""Largest picture that is decoded; a bigger one is refused before its pixels are unpacked."""

MAX_BYTES = 25 * 1024 * 1024
"""Largest picture file that is taken; a 12-megapixel phone photo has 3 to 8 MB."""

LARGE_PIXELS = 24_000_000
"""From so many pixels on a picture takes hundreds of megabytes while it is decoded: one at a time on a machine."""

pillow_heif.register_heif_opener()

FORMATS = {"JPEG": "image/jpeg", "MPO": "image/jpeg", "PNG": "image/png", "HEIF": "image/heic"}

CONTAINERS = ("isom", "iso2", "iso4", "iso5", "iso6", "mp41", "mp42", "avc1", "qt  ", "M4V ", "3gp4", "3gp5", "MSNV")
"""Brands of files that hold a film (ISO base media: MP4 and MOV); those of HEIC pictures are others."""


def is_clip(data: bytes) -> bool:
    """Whether a file is a film, judged by its content alone."""
    return data[4:8] == b"ftyp" and data[8:12].decode("latin-1") in CONTAINERS


@contextmanager
def opened_picture(data: bytes) -> Iterator[Image.Image]:
    """A picture's header; damaged metadata is passed over, its pixels are not unpacked yet."""
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        with Image.open(io.BytesIO(data), formats=["JPEG", "PNG", "HEIF"]) as image:
            yield image


def sniff_format(data: bytes, max_pixels: int = MAX_PIXELS) -> str:
    """Return the media type of a picture, judged by its content alone.

    Raises:
        UnreadablePicture: neither JPEG, PNG nor HEIC, no readable header, or more than
            `max_pixels` pixels.
    """
    try:
        with opened_picture(data) as image:
            width, height = image.size
            kind = image.format or ""
    except Image.DecompressionBombError as error:
        raise UnreadablePicture(_too_many(max_pixels)) from error
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError) as error:
        raise UnreadablePicture(said("refused-this-file-is-no-jpeg-png")) from error
    if width * height > max_pixels:
        raise UnreadablePicture(_too_many(max_pixels))
    return FORMATS[kind]


def pixels_of(data: bytes) -> int:
    """How many pixels a readable picture says it has; they are not unpacked. Errors as `sniff_format`."""
    sniff_format(data)
    with opened_picture(data) as image:
        return int(image.size[0] * image.size[1])


def _too_many(max_pixels: int) -> Said:
    return said("refused-too-many-pixels", millions=max_pixels // 1_000_000)


@dataclass(frozen=True)
class Ingested:
    """A readable picture: its media type, its size upright (px), the file as it is kept, and a JPEG file to show."""

    media_type: str
    width_px: int
    height_px: int
    original: bytes
    shown: bytes


@dataclass(frozen=True)
class PhotoProblem:
    """Something wrong with a photo: its code and the figures behind it; `judicum.words.photo` says what to do."""

    code: str
    figures: dict[str, float]
