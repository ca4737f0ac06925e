"""Asking the worker to measure a photo."""

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import NotAllowed
from judicum.server.accounts.models import User
from judicum.server.attempts.queries import teaches
from judicum.server.photos.models import Measurement, MeasurementState, Photo
from judicum.server.photos.queries import photo_for


def request_measurement(photo: Photo) -> Measurement:
    """Queue a measurement; the job is written in the same transaction as the caller's changes."""
    from judicum.server.photos.tasks import measure

    made = Measurement.objects.create(photo=photo, requested_at=timezone.now())
    measure.configure(lock=f"photo-{photo.pk}").defer(measurement_id=made.pk)
    return made


@transaction.atomic
def measure_again(user: User, photo_id: int) -> Measurement:
    """Measure a photo once more; the earlier results stay. One that still waits is not doubled.

    Raises:
        NotFound: not visible. NotAllowed: not one who teaches the course.
    """
    photo = photo_for(user, photo_id)
    if not teaches(user, photo.attempt):
        raise NotAllowed("Only the course's instructor and assistants may measure a photo again.")
    waiting = photo.measurements.filter(state__in=[MeasurementState.WAITING, MeasurementState.MEASURING]).first()
    return waiting or request_measurement(photo)
