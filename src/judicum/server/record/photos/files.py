"""Letting files go: a picture or strip is deleted once no row names it, after the rows have let go of it for good."""

from collections.abc import Iterable

from django.core.files.storage import default_storage
from django.db import transaction
from django.db.models import Q, QuerySet

from judicum.server.people.accounts.models import User
from judicum.server.platform.file_lock import files_stay
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import (
    Correction,
    Measurement,
    MeasurementSummary,
    Photo,
    SeenBead,
    StoredPicture,
    Upload,
)
from judicum.server.record.photos.pieces import drop_pieces


def release_pictures(photos: QuerySet[Photo]) -> int:
    """Take the picture from each of these photos; returns from how many. What another photo shows too stays."""
    rows = list(photos.exclude(picture=None).select_related("picture").select_for_update(of=("self",)))
    for photo in rows:
        Photo.objects.filter(pk=photo.pk).update(picture=None, gone_px=list(photo.size_px))
    unseen = StoredPicture.objects.filter(pk__in={photo.picture_id for photo in rows}, photos=None)
    names = [str(file) for row in unseen for file in (row.original.name, row.shown.name)]
    unseen.delete()
    delete_later(names)
    return len(rows)


def release_strips(attempts: QuerySet[Attempt]) -> None:
    """Take every strip from the measurements of these attempts."""
    mine = Measurement.objects.filter(photo__attempt__in=attempts)
    holders = (
        mine,
        SeenBead.objects.filter(measurement__in=mine),
        Correction.objects.filter(measurement__in=mine),
    )
    names = {str(name) for rows in holders for name in rows.exclude(strip="").values_list("strip", flat=True)}
    for rows in holders:
        rows.update(strip="")
    MeasurementSummary.objects.filter(attempt__in=attempts).update(has_strip=False)
    delete_later(names)


def release_uploads(user: User) -> None:
    """Drop what a person has on its way."""
    for upload in Upload.objects.filter(user=user):
        drop_pieces(str(upload.pk))
        upload.delete()


def _strip_is_named(name: str) -> bool:
    return any(model.objects.filter(strip=name).exists() for model in (Measurement, SeenBead, Correction))


def delete_later(names: Iterable[str]) -> None:
    """Delete files once the transaction is kept, and no backup copies."""
    for name in names:
        transaction.on_commit(lambda name=name: _delete(name))  # type: ignore[misc]


def _delete(name: str) -> None:
    """Unless somebody sent the same bytes again meanwhile."""
    with files_stay(held_back=True):
        named = StoredPicture.objects.filter(Q(original=name) | Q(shown=name)).exists()
        if not named and not _strip_is_named(name):
            default_storage.delete(name)
