"""Pictures in the store, each once by the hash of its bytes."""

import hashlib
from collections.abc import Callable

from django.core.files.storage import default_storage

from judicum.core.photo.arrive import Arrived, look_into
from judicum.server.platform.storage import holds, store_file
from judicum.server.record.photos.models import StoredPicture


def store_picture(data: bytes, look: Callable[[bytes], Arrived] = look_into) -> StoredPicture:
    """Store a picture by the hash of its bytes, with a copy to show that has no metadata at all.

    Args:
        look: how it is looked into: here, or for what strangers send `sandbox.look_apart`.

    Raises:
        UnreadablePicture: the bytes are no picture, whatever the file was called.
    """
    digest = hashlib.sha256(data).hexdigest()
    known = StoredPicture.objects.filter(pk=digest).first()
    if (
        known is not None
        and holds(str(known.original.name), digest, len(data))
        and default_storage.exists(str(known.shown.name))
    ):
        return known
    arrived = look(data)
    suffix = {"image/jpeg": "jpg", "image/png": "png", "image/heic": "heic"}[arrived.media_type]
    original = store_file("originals", suffix, data)
    return StoredPicture.objects.get_or_create(
        pk=digest,
        defaults={
            "media_type": arrived.media_type,
            "bytes": len(data),
            "height_px": arrived.height_px,
            "width_px": arrived.width_px,
            "original": original,
            "shown": store_file("shown", "jpg", arrived.shown),
        },
    )[0]
