"""Old photos released to their strips."""

from datetime import datetime, timedelta

from django.db import transaction

from judicum.server.people.accounts.models import Workshop
from judicum.server.record.attempts.states import OVER
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.files import release_pictures
from judicum.server.record.photos.models import Photo

AT_ONCE = 200
"""Photos in one transaction."""


def apply_photo_retention(now: datetime) -> int:
    """Thin every photo older than its workshop keeps them, of attempts that are over; returns how many.

    Strip, figures and what was drawn stay; the photo cannot be measured again.
    """
    released = 0
    for workshop in Workshop.objects.exclude(photo_retention_days=None):
        before = now - timedelta(days=workshop.photo_retention_days or 0)
        old = Photo.objects.filter(attempt__course__workshop=workshop, sent_at__lt=before, attempt__state__in=OVER)
        keys = old.exclude(picture=None).exclude(measurements__state__in=UNDER_WAY).values_list("pk", flat=True)
        every = sorted(set(keys))
        for k in range(0, len(every), AT_ONCE):
            with transaction.atomic():
                released += release_pictures(Photo.objects.filter(pk__in=every[k : k + AT_ONCE]))
    return released
