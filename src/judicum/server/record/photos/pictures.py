"""Pictures in the store, each once by the hash of its bytes."""

import hashlib
from collections.abc import Callable

from django.core.files.storage import default_storage

from judicum.core.photo.picture_file import Ingested
from judicum.server.platform.storage import holds, store_file
from judicum.server.record.photos.models import StoredPicture


def store_picture(data: bytes, ingest: Callable[[bytes], Ingested]) -> StoredPicture:
    """Store a picture, without what it tells of people and places, by the hash of the bytes that are kept, with a copy to show that
    has no metadata at all.

    Args:
        ingest: what unpacks it; `ingest_in_sandbox` for what a stranger sends.

    Raises:
        UnreadablePicture: the bytes are no picture, whatever the file was called.
    """
    if known := _kept(data):
        return known
    ingested = ingest(data)
    data = ingested.original
    if known := _kept(data):
        return known
    suffix = {"image/jpeg": "jpg", "image/png": "png", "image/heic": "heic"}[ingested.media_type]
    original = store_file("originals", suffix, data)
    return StoredPicture.objects.get_or_create(
        pk=hashlib.sha256(data).hexdigest(),
        defaults={
            "media_type": ingested.media_type,
            "bytes": len(data),
            "height_px": ingested.height_px,
            "width_px": ingested.width_px,
            "original": original,
            "cleaned": True,
            "shown": store_file("shown", "jpg", ingested.shown),
        },
    )[0]


def _kept(data: bytes) -> StoredPicture | None:
    """The picture of these very bytes, where both its files are there."""
    digest = hashlib.sha256(data).hexdigest()
    known = StoredPicture.objects.filter(pk=digest).first()
    if (
        known is not None
        and holds(str(known.original.name), digest, len(data))
        and default_storage.exists(str(known.shown.name))
    ):
        return known
    return None
