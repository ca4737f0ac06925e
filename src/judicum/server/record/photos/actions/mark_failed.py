"""Recording that a measurement broke down."""

from django.utils import timezone

from judicum.server.record.photos.models import Measurement, MeasurementState


def mark_failed(measurement_id: int) -> None:
    """Record that a measurement broke down; the photo stays and can be measured again."""
    Measurement.objects.filter(pk=measurement_id).exclude(state=MeasurementState.DONE).update(
        state=MeasurementState.FAILED, finished_at=timezone.now()
    )
