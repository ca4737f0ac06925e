"""Bytes of a photo to an upright 8-bit BGR array."""

import io
import warnings
from collections.abc import Iterator
from contextlib import contextmanager

import cv2
import numpy as np
import pillow_heif
from PIL import Image, ImageCms, ImageOps, UnidentifiedImageError

from judicum.core.arrays import Pixels
from judicum.core.errors import UnreadablePicture

MAX_PIXELS = 60_000_000
"""Largest picture that is decoded; a bigger one is refused before its pixels are unpacked."""

MOST_BYTES = 25 * 1024 * 1024
"""Largest picture file that is taken; a 12-megapixel phone photo has 3 to 8 MB."""

LARGE_PIXELS = 24_000_000
"""From so many pixels on a picture takes hundreds of megabytes while it is decoded: one at a time on a machine."""

BAND_ROWS = 256
"""Rows copied at a time."""

pillow_heif.register_heif_opener()

FORMATS = {"JPEG": "image/jpeg", "MPO": "image/jpeg", "PNG": "image/png", "HEIF": "image/heic"}


@contextmanager
def _opened(data: bytes) -> Iterator[Image.Image]:
    """A picture's header; damaged metadata is passed over, its pixels are not unpacked yet."""
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        with Image.open(io.BytesIO(data), formats=["JPEG", "PNG", "HEIF"]) as image:
            yield image


def sniff_format(data: bytes, most_pixels: int = MAX_PIXELS) -> str:
    """Return the media type of a picture, judged by its content alone.

    Raises:
        UnreadablePicture: neither JPEG, PNG nor HEIC, no readable header, or more than
            `most_pixels` pixels.
    """
    try:
        with _opened(data) as image:
            width, height = image.size
            kind = image.format or ""
    except Image.DecompressionBombError as error:
        raise UnreadablePicture(_too_many(most_pixels)) from error
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError) as error:
        raise UnreadablePicture("This file is no JPEG, PNG or HEIC picture that can be read.") from error
    if width * height > most_pixels:
        raise UnreadablePicture(_too_many(most_pixels))
    return FORMATS[kind]


def pixels_of(data: bytes) -> int:
    """How many pixels a readable picture says it has; they are not unpacked. Errors as `sniff_format`."""
    sniff_format(data)
    with _opened(data) as image:
        return int(image.size[0] * image.size[1])


def _too_many(most_pixels: int) -> str:
    return f"The picture has too many pixels; at most {most_pixels // 1_000_000} million are allowed."


def decode(data: bytes, most_pixels: int = MAX_PIXELS) -> Pixels:
    """Decode a photo and turn it upright by its EXIF orientation.

    Args:
        data: the whole file, JPEG, PNG or HEIC.
        most_pixels: a picture with more is refused before its pixels are unpacked.

    Returns:
        uint8 array (rows, columns, 3), channels blue, green, red, sRGB-coded, also where the picture
        carries another colour profile; of several pictures in one file the first. The centre of the
        top-left pixel is (0, 0).

    Raises:
        UnreadablePicture: no such picture, too many pixels, or cut short.
    """
    media_type = sniff_format(data, most_pixels)
    if media_type == "image/jpeg" and not data.rstrip(b"\0").endswith(b"\xff\xd9") and b"\xff\xd9" not in data[-65536:]:
        raise UnreadablePicture("The picture file is cut short; send it again.")
    if media_type == "image/jpeg" and _is_plain_jpeg(data):
        picture = cv2.imdecode(np.frombuffer(data, np.uint8), cv2.IMREAD_COLOR)
        if picture is None:
            raise UnreadablePicture("The picture's data is damaged; send it again.")
        return picture
    return _decode_with_pillow(data)


def _is_plain_jpeg(data: bytes) -> bool:
    with _opened(data) as image:
        return image.mode in ("RGB", "L") and _other_profile(image) is None


def _other_profile(image: Image.Image) -> ImageCms.ImageCmsProfile | None:
    """The colour profile a picture carries, where it is another than sRGB and can be read."""
    held = image.info.get("icc_profile")
    if not held:
        return None
    try:
        profile = ImageCms.ImageCmsProfile(io.BytesIO(held))
        return None if "srgb" in ImageCms.getProfileDescription(profile).lower() else profile
    except (ImageCms.PyCMSError, OSError, ValueError):
        return None


def _in_srgb(image: Image.Image) -> Image.Image:
    """The picture's colours in sRGB; as they are where its profile is none for them."""
    profile = _other_profile(image)
    if profile is None or image.mode not in ("RGB", "CMYK"):
        return image
    try:
        return ImageCms.profileToProfile(image, profile, ImageCms.createProfile("sRGB"), outputMode="RGB") or image
    except (ImageCms.PyCMSError, ValueError):
        return image


def _decode_with_pillow(data: bytes) -> Pixels:
    try:
        with _opened(data) as image:
            ImageOps.exif_transpose(image, in_place=True)
            upright = _in_srgb(image)
            if upright.mode.startswith("I") or upright.mode == "F":
                grey = np.asarray(upright, np.float64)
                upright = Image.fromarray((grey / max(255.0, grey.max()) * 255).astype(np.uint8))
            if upright.mode in ("RGBA", "LA", "PA") or "transparency" in upright.info:
                rgba = upright.convert("RGBA")
                paper = Image.new("RGBA", rgba.size, "white")
                upright = Image.alpha_composite(paper, rgba)
            rgb = upright if upright.mode == "RGB" else upright.convert("RGB")
            return _in_bands(rgb)
    except (OSError, ValueError, SyntaxError, EOFError) as error:
        raise UnreadablePicture("The picture file is cut short or damaged; send it again.") from error


def _in_bands(rgb: Image.Image) -> Pixels:
    """The array of an RGB image, channels turned round; band by band, since a copy of the whole would be two more."""
    width, height = rgb.size
    bgr = np.empty((height, width, 3), np.uint8)
    for top in range(0, height, BAND_ROWS):
        end = min(top + BAND_ROWS, height)
        bgr[top:end] = np.asarray(rgb.crop((0, top, width, end)))[..., ::-1]
    return bgr


def encode_jpeg(picture: Pixels, quality: int = 85) -> bytes:
    """JPEG file of an 8-bit BGR picture, without any metadata."""
    _, file = cv2.imencode(".jpg", picture, [cv2.IMWRITE_JPEG_QUALITY, quality, cv2.IMWRITE_JPEG_OPTIMIZE, 1])
    return file.tobytes()
