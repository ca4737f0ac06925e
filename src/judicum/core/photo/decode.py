"""Bytes of a photo to an upright 8-bit BGR array."""

import io
from typing import cast

import cv2
import numpy as np
from PIL import Image, ImageCms, ImageOps

from judicum.core.arrays import Pixels
from judicum.core.errors import UnreadablePicture, said
from judicum.core.photo.picture_file import MAX_PIXELS, opened_picture, sniff_format

BAND_ROWS = 256
"""Rows copied at a time."""


def decode(data: bytes, max_pixels: int = MAX_PIXELS) -> Pixels:
    """Decode a photo and turn it upright by its EXIF orientation.

    Args:
        data: the whole file, JPEG, PNG or HEIC.
        max_pixels: a picture with more is refused before its pixels are unpacked.

    Returns:
        uint8 array (rows, columns, 3), channels blue, green, red, sRGB-coded, also where the picture
        carries another colour profile; of several pictures in one file the first. The centre of the
        top-left pixel is (0, 0).

    Raises:
        UnreadablePicture: no such picture, too many pixels, or cut short.
    """
    media_type = sniff_format(data, max_pixels)
    if media_type == "image/jpeg" and not data.rstrip(b"\0").endswith(b"\xff\xd9") and b"\xff\xd9" not in data[-65536:]:
        raise UnreadablePicture(said("refused-the-picture-file-is-cut-short"))
    if media_type == "image/jpeg" and _is_plain_jpeg(data):
        picture = cv2.imdecode(np.frombuffer(data, np.uint8), cv2.IMREAD_COLOR)
        if picture is None:
            raise UnreadablePicture(said("refused-the-pictures-data-is-damaged-send"))
        return cast(Pixels, picture)
    return _decode_with_pillow(data)


def _is_plain_jpeg(data: bytes) -> bool:
    with opened_picture(data) as image:
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
        with opened_picture(data) as image:
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
        raise UnreadablePicture(said("refused-the-picture-file-is-cut-short-2")) from error


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
