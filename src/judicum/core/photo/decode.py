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

TOO_MANY_PIXELS = f"The picture has too many pixels; at most {MAX_PIXELS // 1_000_000} million are allowed."

pillow_heif.register_heif_opener()

FORMATS = {"JPEG": "image/jpeg", "MPO": "image/jpeg", "PNG": "image/png", "HEIF": "image/heic"}


@contextmanager
def _opened(data: bytes) -> Iterator[Image.Image]:
    """A picture's header; damaged metadata is passed over, its pixels are not unpacked yet."""
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        with Image.open(io.BytesIO(data), formats=["JPEG", "PNG", "HEIF"]) as image:
            yield image


def sniff_format(data: bytes) -> str:
    """Return the media type of a picture, judged by its content alone.

    Raises:
        UnreadablePicture: neither JPEG, PNG nor HEIC, no readable header, or more than
            `MAX_PIXELS` pixels.
    """
    try:
        with _opened(data) as image:
            width, height = image.size
            kind = image.format or ""
    except Image.DecompressionBombError as error:
        raise UnreadablePicture(TOO_MANY_PIXELS) from error
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError) as error:
        raise UnreadablePicture("This file is no JPEG, PNG or HEIC picture that can be read.") from error
    if width * height > MAX_PIXELS:
        raise UnreadablePicture(TOO_MANY_PIXELS)
    return FORMATS[kind]


def decode(data: bytes) -> Pixels:
    """Decode a photo and turn it upright by its EXIF orientation.

    Args:
        data: the whole file, JPEG, PNG or HEIC.

    Returns:
        uint8 array (rows, columns, 3), channels blue, green, red, sRGB-coded, also where the picture
        carries another colour profile; of several pictures in one file the first. The centre of the
        top-left pixel is (0, 0).

    Raises:
        UnreadablePicture: no such picture, too many pixels, or cut short.
    """
    media_type = sniff_format(data)
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
            upright = _in_srgb(ImageOps.exif_transpose(image))
            if upright.mode.startswith("I") or upright.mode == "F":
                grey = np.asarray(upright, np.float64)
                upright = Image.fromarray((grey / max(255.0, grey.max()) * 255).astype(np.uint8))
            if upright.mode in ("RGBA", "LA", "PA") or "transparency" in upright.info:
                rgba = upright.convert("RGBA")
                paper = Image.new("RGBA", rgba.size, "white")
                upright = Image.alpha_composite(paper, rgba)
            rgb = np.asarray(upright.convert("RGB"))
    except (OSError, ValueError, SyntaxError, EOFError) as error:
        raise UnreadablePicture("The picture file is cut short or damaged; send it again.") from error
    return np.ascontiguousarray(rgb[..., ::-1])


def encode_jpeg(picture: Pixels, quality: int = 85) -> bytes:
    """JPEG file of an 8-bit BGR picture, without any metadata."""
    _, file = cv2.imencode(".jpg", picture, [cv2.IMWRITE_JPEG_QUALITY, quality, cv2.IMWRITE_JPEG_OPTIMIZE, 1])
    return file.tobytes()
