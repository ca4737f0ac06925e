"""Rows that wait to be measured and the jobs that measure them: the one place that keeps both together."""

from datetime import datetime, timedelta

from procrastinate.contrib.django.models import ProcrastinateJob

from judicum.server.photos.actions.mark_failed import mark_failed
from judicum.server.photos.counting import UNDER_WAY
from judicum.server.photos.models import Measurement, MeasurementState

TASK = "judicum.server.photos.tasks.measure"
LIVE = ("todo", "doing")
"""States of a job that will still end by itself, or be given to another worker."""
MOST_JOBS = 3
"""A measurement that so many jobs were begun for is given up: it may be what kills them."""
BEHIND = -10
"""Priority of what nobody waits for."""
SETTLED = timedelta(seconds=20)
"""A row is looked at only after this: its job may just be on its way."""


def start(measurement: Measurement) -> None:
    """Queue the job of a measurement, in the caller's transaction."""
    from judicum.server.photos.tasks import measure

    # Measuring a whole course again waits until no student waits.
    priority = BEHIND if measurement.together_id else 0
    measure.configure(lock=f"photo-{measurement.photo_id}", priority=priority).defer(measurement_id=measurement.pk)


def has_job(measurement_id: int) -> bool:
    """Whether a job that is not over yet belongs to the measurement."""
    return _jobs(measurement_id).filter(status__in=LIVE).exists()


def reconcile(now: datetime) -> list[int]:
    """Start again what waits without a job, give up what was started MOST_JOBS times; the measurements concerned.

    A row and its job part ways when the database goes away under a worker: the job is given up as failed while the row
    still says that it is being measured.
    """
    found = Measurement.objects.filter(state__in=UNDER_WAY, requested_at__lt=now - SETTLED)
    adrift = [one for one in found if not has_job(one.pk)]
    for one in adrift:
        if _jobs(one.pk).count() >= MOST_JOBS:
            mark_failed(one.pk)
            continue
        Measurement.objects.filter(pk=one.pk, state__in=UNDER_WAY).update(state=MeasurementState.WAITING)
        start(one)
    return [one.pk for one in adrift]


def _jobs(measurement_id: int):  # type: ignore[no-untyped-def]
    return ProcrastinateJob.objects.filter(task_name=TASK, args__measurement_id=measurement_id)
