"""Measuring all photos of a course again whose figures an earlier engine made, in the background, until it is stopped."""

from dataclasses import dataclass
from datetime import datetime

from django.db import transaction
from django.db.models import QuerySet
from django.utils import timezone

from judicum.core.errors import WrongState, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of, staff_of
from judicum.server.record.photos.actions.request_measurement import request_measurement
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.engines import engine_of
from judicum.server.record.photos.models import Measurement, MeasurementState, MeasurementSummary, Remeasuring


@dataclass(frozen=True)
class Engines:
    """Of a course: the present engine, figures of earlier ones (`outdated`), those among them that a person corrected and
    that stay (`corrected`), and how far the last measuring of all is: `done` of `total`; None where there was none."""

    present: str
    outdated: int
    corrected: int
    last: Remeasuring | None
    done: int

    @property
    def running(self) -> bool:
        """Whether photos still wait to be measured again."""
        return self.last is not None and self.last.stopped_at is None and self.done < self.last.total


def engines_of(user: User, course_id: int) -> Engines:
    """Which engines made a course's figures.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    present = engine_of(staff_of(user, course_id).course.workshop_id)
    old, again = _outdated(course_id, present).count(), _to_measure(course_id, present).count()
    last = Remeasuring.objects.filter(course_id=course_id).first()
    left = last.measurements.filter(state__in=UNDER_WAY).count() if last else 0
    return Engines(present, again, old - again, last, last.total - left if last else 0)


def _outdated(course_id: int, present: str) -> QuerySet[MeasurementSummary]:
    return MeasurementSummary.objects.filter(attempt__course_id=course_id).exclude(engine_version=present)


def _to_measure(course_id: int, present: str) -> QuerySet[MeasurementSummary]:
    """What a person corrected or chose stays as they left it; what is released cannot be measured."""
    there = _outdated(course_id, present).exclude(measurement__photo__picture=None)
    return there.filter(corrected=False, measurement__chosen=None)


@transaction.atomic
def measure_all(user: User, course_id: int, at: datetime | None = None) -> Remeasuring:
    """Queue every photo of the course whose figures an earlier engine made, behind whatever else waits.

    Raises:
        WrongState: nothing to measure, or one goes on. NotFound, NotAllowed: not the course's instructor.
    """
    instructor_of(user, course_id)
    # Held, so that two clicks make one.
    Course.objects.select_for_update().get(pk=course_id)
    found = engines_of(user, course_id)
    if found.running:
        raise WrongState(said("refused-the-photos-of-this-course-are"))
    rows = list(_to_measure(course_id, found.present).select_related("measurement__photo"))
    busy = set(
        Measurement.objects.filter(
            photo__in=[row.measurement.photo_id for row in rows], state__in=UNDER_WAY
        ).values_list("photo_id", flat=True)
    )
    photos = [row.measurement for row in rows if row.measurement.photo_id not in busy]
    if not photos:
        raise WrongState(said("refused-all-figures-of-this-course-are", engine_version=found.present))
    together = Remeasuring.objects.create(
        course_id=course_id,
        engine_version=found.present,
        total=len(photos),
        started_by=user,
        started_at=at or timezone.now(),
    )
    for one in photos:
        request_measurement(one.photo, user, one.scale_points, together)
    return together


@transaction.atomic
def stop_measuring(user: User, course_id: int, at: datetime | None = None) -> None:
    """Take back what still waits; what is measured stays, each photo with its earlier figures until then.

    Raises:
        WrongState: nothing goes on. NotFound, NotAllowed: not the course's instructor.
    """
    instructor_of(user, course_id)
    found = engines_of(user, course_id)
    if not found.running or found.last is None:
        raise WrongState(said("refused-no-photos-of-this-course-are"))
    # A job that finds no row to measure ends by itself.
    found.last.measurements.filter(state=MeasurementState.WAITING).delete()
    found.last.stopped_at = at or timezone.now()
    found.last.save(update_fields=["stopped_at"])
