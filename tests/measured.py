"""Attempts with a measurement, without drawing or measuring for each."""

from functools import cache

from django.utils import timezone

from judicum.core.photo.measure import measure_photo
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
from judicum.server.record.photos.models import Measurement
from tests.drawn import bead_photo
from tests.people import RUN, Course


@cache
def bead_measured() -> MeasuredBead:
    """One bead photo, really measured, with its strip."""
    found = MeasuredBead.of(measure_photo(bead_photo().jpeg, "bead.jpg"))
    assert found.strip is not None
    return found


def measured_attempt(course: Course) -> Attempt:
    """A fresh attempt of the student's, logged, photographed and measured."""
    attempt = (
        course.attempt
        if course.attempt.state == "assigned"
        else open_attempt(course.assignment, course.student, course.student)
    )
    log_run(course.student, attempt.pk, RUN)
    photo = send_photo(course.student, attempt.pk, bead_photo().jpeg, "bead.jpg", measure=False)
    made = Measurement.objects.create(photo=photo, requested_at=timezone.now())
    assert store_measurement(made.pk, [bead_measured()])
    attempt.refresh_from_db()
    return attempt
