"""Rows that wait to be measured and the jobs that measure them: the one place that keeps both together."""

from django.db.models import QuerySet
from procrastinate.contrib.django import app
from procrastinate.contrib.django.models import ProcrastinateJob

from judicum.server.record.photos.models import Measurement

TASK = "photos.measure"
QUEUE = "measure"
"""The task is deferred by name: who asks for a measurement does not load what measures."""
LIVE = ("todo", "doing")
"""States of a job that will still end by itself, or be given to another worker."""
BEHIND = -10
"""Priority of what nobody waits for."""


def start(measurement: Measurement) -> None:
    """Queue the job of a measurement, in the caller's transaction."""
    # Measuring a whole course again waits until no student waits.
    priority = BEHIND if measurement.together_id else 0
    task = app.configure_task(TASK, queue=QUEUE, lock=f"photo-{measurement.photo_id}", priority=priority)
    task.defer(measurement_id=measurement.pk)


def has_job(measurement_id: int) -> bool:
    """Whether a job that is not over yet belongs to the measurement."""
    return jobs_of(measurement_id).filter(status__in=LIVE).exists()


def jobs_of(measurement_id: int) -> "QuerySet[ProcrastinateJob]":
    """Every job that was begun for a measurement, over or not."""
    return ProcrastinateJob.objects.filter(task_name=TASK, args__measurement_id=measurement_id)
