"""The worker's tasks: measuring a photo, and taking back what a killed worker left behind."""

import logging
import time

from asgiref.sync import sync_to_async
from django.utils import timezone
from procrastinate import JobContext
from procrastinate.contrib.django import app
from procrastinate.jobs import Status

from judicum.server.people.accounts.releases import other_version
from judicum.server.platform import request_id
from judicum.server.platform.sandbox import large_picture_slot
from judicum.server.record.attempts.actions.accept_once import forget_changes
from judicum.server.record.photos.actions.mark_failed import mark_failed
from judicum.server.record.photos.actions.receive_upload import clear_abandoned, finish_whole
from judicum.server.record.photos.actions.reconcile_jobs import reconcile
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.jobs import QUEUE, TASK
from judicum.server.record.photos.models import Measurement, MeasurementState, Photo
from judicum.server.record.photos.queries import in_other_light, picture_of

log = logging.getLogger(__name__)

STALLED_SECONDS = 10
MAX_ATTEMPTS = 2
"""A job that was running when its worker died this many times is given up: it may be what kills it."""


# Jobs that wait in a database of before have the task's older name.
@app.task(name=TASK, queue=QUEUE, aliases=["judicum.server.photos.tasks.measure"])
def measure(measurement_id: int) -> None:
    """Measure one photo; one that is done already is left alone."""
    # The measuring code takes seconds to import and only the worker needs it.
    from judicum.core.photo.measure import measure_all
    from judicum.core.photo.relief import with_other_light
    from judicum.core.photo.scale import GivenScale
    from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
    from judicum.server.record.photos.engines import measuring_for

    if other := other_version():
        # Left as it waits: a worker of the right version finds it without a job and takes it (reconcile).
        log.error("a photo waits for a worker of version %s", other)
        return
    mine = (
        Measurement.objects.select_related("photo__picture", "photo__attempt__course").filter(pk=measurement_id).first()
    )
    if mine is None or not Measurement.objects.filter(pk=measurement_id, state__in=UNDER_WAY).update(
        state=MeasurementState.MEASURING
    ):
        return
    with request_id.bound(mine.photo.request_id), measuring_for(mine.photo.attempt.course.workshop_id):
        begun = time.perf_counter()
        try:
            given = None
            if mine.scale_points is not None:
                x1, y1, x2, y2, length_mm = mine.scale_points
                given = GivenScale.from_points((x1, y1), (x2, y2), length_mm)
            data = _bytes_of(mine.photo)
            with large_picture_slot(data, max_wait_s=None):
                measured = measure_all(data, mine.photo.name, given)
            if (beside := in_other_light(mine.photo)) is not None:
                data = _bytes_of(beside)
                with large_picture_slot(data, max_wait_s=None):
                    measured = with_other_light(measured, data)
            store_measurement(measurement_id, [MeasuredBead.of(one) for one in measured])
        except Exception:
            log.exception("measurement %s failed", measurement_id)
            mark_failed(measurement_id)
            raise
        took = {
            "measurement": measurement_id,
            "photo": mine.photo_id,
            "ms": round(1000 * (time.perf_counter() - begun)),
        }
        log.info("measured", extra=took)


def _bytes_of(photo: Photo) -> bytes:
    with picture_of(photo).original.open("rb") as file:
        return bytes(file.read())


@app.periodic(cron="* * * * * */10")
@app.task(queueing_lock="retry_stalled", pass_context=True, queue="upkeep")
async def retry_stalled(context: JobContext, timestamp: int) -> None:
    """Give jobs whose worker died to a living one, at most MAX_ATTEMPTS times each."""
    manager = context.app.job_manager
    for job in await manager.get_stalled_jobs(seconds_since_heartbeat=STALLED_SECONDS):
        if job.attempts >= MAX_ATTEMPTS:
            await manager.finish_job(job, Status.FAILED, delete_job=False)
            measurement_id = job.task_kwargs.get("measurement_id")
            if isinstance(measurement_id, int):
                await sync_to_async(mark_failed)(measurement_id)
        else:
            await manager.retry_job(job)


@app.periodic(cron="* * * * *")
@app.task(queueing_lock="reconcile_photos", queue="upkeep")
def reconcile_photos(timestamp: int) -> None:
    """Finish what a crash left half done: whole uploads without a photo, rows without a job."""
    finished, started = finish_whole(), reconcile(timezone.now())
    if finished or started:
        log.warning("finished %s whole uploads; measurements without a job: %s", finished, started)


@app.periodic(cron="17 * * * *")
@app.task(queueing_lock="clear_abandoned", queue="upkeep")
def clear_uploads(timestamp: int) -> None:
    """Remove uploads that were given up."""
    forget_changes(timezone.now())
    gone = clear_abandoned(timezone.now())
    if gone:
        log.info("removed %s abandoned uploads", gone)
