"""Asking the worker to measure a photo."""

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import NotAllowed, WrongState, said
from judicum.core.photo.scale import GivenScale
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import check_takes_part, held, teaches
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.jobs import has_job, start
from judicum.server.record.photos.models import Measurement, MeasurementState, Photo, PhotoKind, Remeasuring
from judicum.server.record.photos.queries import photo_for, picture_of

AT_ONCE = (PhotoKind.BEAD, PhotoKind.RUN, PhotoKind.TRIAL)
"""The kinds of photo that are measured when they come…"""
MEASURED = (*AT_ONCE, PhotoKind.BACK)
"""…and with those of which somebody who teaches asks for it."""


def request_measurement(
    photo: Photo,
    by: User | None = None,
    scale_points: list[float] | None = None,
    together: Remeasuring | None = None,
) -> Measurement:
    """Queue a measurement, `together` with others of a course or alone; the job is written in the caller's transaction."""
    made = Measurement.objects.create(
        photo=photo, requested_at=timezone.now(), requested_by=by, scale_points=scale_points, together=together
    )
    start(made)
    return made


def measure_in_two_lights(attempt: Attempt) -> None:
    """Queue measuring the newest photo of the bead together with the one in the other light that just came; none, none."""
    bead = attempt.photos.filter(kind=PhotoKind.BEAD, picture__isnull=False).first()
    if bead is not None:
        _overtake(bead)
        request_measurement(bead, scale_points=_scale_points(bead))


def _overtake(photo: Photo) -> None:
    """End what waits for a photo: a new measuring would only overtake it."""
    photo.measurements.filter(state__in=UNDER_WAY).update(state=MeasurementState.FAILED, finished_at=timezone.now())


def _scale_points(photo: Photo) -> list[float] | None:
    """The scale last set by hand."""
    return photo.measurements.exclude(scale_points=None).values_list("scale_points", flat=True).first()


@transaction.atomic
def measure_again(user: User, photo_id: int) -> Measurement:
    """Measure a photo once more, with the scale last set by hand if there is one; the earlier results stay.

    One that still waits is not doubled, and one whose job went away with its worker is started again.

    Raises:
        NotFound: not visible. NotAllowed: not one who teaches the course. WrongState: of neither side of a bead.
    """
    photo = taught_photo(user, photo_id)
    held(photo.attempt_id)
    points = _scale_points(photo)
    waiting = photo.measurements.filter(state__in=UNDER_WAY).first()
    if waiting is None:
        return request_measurement(photo, user, points)
    if not has_job(waiting.pk):
        start(waiting)
    return waiting


@transaction.atomic
def set_scale(user: User, photo_id: int, points_px: list[float], length_mm: float) -> Measurement:
    """Set a photo's scale by two points [x1, y1, x2, y2] a known length apart, and measure it with that.

    Raises:
        InvalidValue: points too close together, or a scale that no photo has. Otherwise as `measure_again`.
    """
    GivenScale.from_points((points_px[0], points_px[1]), (points_px[2], points_px[3]), length_mm)
    photo = taught_photo(user, photo_id)
    attempt = held(photo.attempt_id)
    _overtake(photo)
    advance(
        attempt, AttemptStep.CORRECT, user, change={"step": "set_scale", "points_px": points_px, "length_mm": length_mm}
    )
    return request_measurement(photo, user, [*points_px, length_mm])


def taught_photo(user: User, photo_id: int) -> Photo:
    """A photo of a bead, or of its back, in a course that the person teaches."""
    photo = photo_for(user, photo_id)
    if not teaches(user, photo.attempt):
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants-2"))
    check_takes_part(user, photo.attempt)
    if photo.kind not in MEASURED:
        raise WrongState(said("refused-only-a-photo-of-the-bead"))
    picture_of(photo)
    return photo
