"""Pictures of before, and of archives that came in, lose what they tell of people and places."""

import hashlib

from django.db import transaction

from judicum.core.errors import Busy, UnreadablePicture
from judicum.server.platform.sandbox import clean_in_sandbox
from judicum.server.platform.storage import store_file
from judicum.server.record.photos.files import delete_later
from judicum.server.record.photos.models import Photo, StoredPicture

IN_A_NIGHT = 5000
"""Pictures looked at in one run: an hour of one core."""


def clean_pictures() -> int:
    """Clean stored pictures that were not cleaned when they came; returns how many were looked at. What cannot be read stays."""
    done = 0
    for picture in StoredPicture.objects.filter(cleaned=False).order_by("pk")[:IN_A_NIGHT]:
        try:
            with picture.original.open() as file:
                data = file.read()
            _keep(picture, data, clean_in_sandbox(data))
        except (UnreadablePicture, FileNotFoundError):
            StoredPicture.objects.filter(pk=picture.pk).update(cleaned=True)
        except Busy:
            break
        done += 1
    return done


def _keep(picture: StoredPicture, data: bytes, kept: bytes) -> None:
    if kept == data:
        StoredPicture.objects.filter(pk=picture.pk).update(cleaned=True)
        return
    name = str(picture.original.name)
    original = store_file("originals", name.rpartition(".")[2], kept)
    same = {key: getattr(picture, key) for key in ("media_type", "height_px", "width_px", "shown")}
    with transaction.atomic():
        made, _ = StoredPicture.objects.get_or_create(
            pk=hashlib.sha256(kept).hexdigest(),
            defaults={**same, "bytes": len(kept), "original": original, "cleaned": True},
        )
        Photo.objects.filter(picture=picture).update(picture=made)
        picture.delete()
        delete_later([name])
