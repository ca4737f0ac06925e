"""Bringing rows that wait to be measured and their jobs together again."""

from datetime import datetime, timedelta

from judicum.server.record.photos.actions.mark_failed import mark_failed
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.jobs import has_job, jobs_of, start
from judicum.server.record.photos.models import Measurement, MeasurementState

MAX_JOBS = 3
"""A measurement that so many jobs were begun for is given up: it may be what kills them."""
SETTLED = timedelta(seconds=20)
"""A row is looked at only after this: its job may just be on its way."""


def reconcile(now: datetime) -> list[int]:
    """Start again what waits without a job, give up what was started MAX_JOBS times; the measurements concerned.

    A row and its job part ways when the database goes away under a worker: the job is given up as failed while the row
    still says that it is being measured.
    """
    found = Measurement.objects.filter(state__in=UNDER_WAY, requested_at__lt=now - SETTLED)
    adrift = [one for one in found if not has_job(one.pk)]
    for one in adrift:
        if jobs_of(one.pk).count() >= MAX_JOBS:
            mark_failed(one.pk)
            continue
        Measurement.objects.filter(pk=one.pk, state__in=UNDER_WAY).update(state=MeasurementState.WAITING)
        start(one)
    return [one.pk for one in adrift]
