"""A worker that is killed in the middle of a measurement."""

import signal

from procrastinate.contrib.django.models import ProcrastinateJob

from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.models import Measurement
from tests.drawn import bead_photo
from tests.live import Worker
from tests.live import worker as worker
from tests.patience import until
from tests.people import create_course, logged


def test_a_killed_workers_photo_is_measured_once_by_the_next_within_a_minute(worker: Worker) -> None:
    course = create_course()
    attempt = logged(course)
    photo = send_photo(course.student, attempt.pk, bead_photo().jpeg)
    mine = photo.measurements.get()
    worker.start()
    until(lambda: Measurement.objects.get(pk=mine.pk).state == "measuring", "measuring begins")
    worker.end(signal.SIGKILL)
    assert Measurement.objects.get(pk=mine.pk).state == "measuring"
    worker.start()
    until(lambda: Measurement.objects.get(pk=mine.pk).state == "done", "the restarted worker measures", 60)
    worker.end()
    attempt.refresh_from_db()
    assert attempt.state == "measured"
    assert attempt.events.filter(kind="measure").count() == 1
    assert Measurement.objects.count() == 1
    job = ProcrastinateJob.objects.filter(task_name__endswith="measure", args__measurement_id=mine.pk).get()
    assert job.status == "succeeded"
