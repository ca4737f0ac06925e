"""Picture files through Django's storage API, named by the hash of their bytes."""

import hashlib

import cv2
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage

from judicum.core.arrays import Pixels
from judicum.core.photo.decode import decode, encode_jpeg, sniff_format
from judicum.server.photos.models import StoredPicture

SHOWN_LONG_SIDE_PX = 2400


def store_file(folder: str, suffix: str, data: bytes) -> str:
    """Write bytes under the hash of their content unless they are there already; returns the name.

    What a name holds never changes, so that a row restored from a backup finds its own file or none.
    """
    digest = hashlib.sha256(data).hexdigest()
    name = f"{folder}/{digest[:2]}/{digest}.{suffix}"
    if not default_storage.exists(name):
        default_storage.save(name, ContentFile(data))
    return name


def store_picture(data: bytes) -> StoredPicture:
    """Store a picture by the hash of its bytes, with a copy to show that has no metadata at all.

    Raises:
        UnreadablePicture: the bytes are no picture, whatever the file was called.
    """
    digest = hashlib.sha256(data).hexdigest()
    known = StoredPicture.objects.filter(pk=digest).first()
    if known is not None:
        return known
    media_type = sniff_format(data)
    pixels = decode(data)
    suffix = {"image/jpeg": "jpg", "image/png": "png", "image/heic": "heic"}[media_type]
    original = store_file("originals", suffix, data)
    shown = store_file("shown", "jpg", encode_jpeg(_fit(pixels), 88))
    return StoredPicture.objects.get_or_create(
        pk=digest,
        defaults={
            "media_type": media_type,
            "bytes": len(data),
            "height_px": pixels.shape[0],
            "width_px": pixels.shape[1],
            "original": original,
            "shown": shown,
        },
    )[0]


def _fit(pixels: Pixels) -> Pixels:
    shrink = max(pixels.shape[:2]) / SHOWN_LONG_SIDE_PX
    if shrink <= 1:
        return pixels
    return cv2.resize(pixels, None, fx=1 / shrink, fy=1 / shrink, interpolation=cv2.INTER_AREA)
