"""Reading photos, measurements and uploads for a person."""

from uuid import UUID

from judicum.core.errors import NotFound, WrongState, said
from judicum.core.numbers import whole
from judicum.core.photo.report import Report
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import own_attempt, visible_to
from judicum.server.record.photos.counting import counting
from judicum.server.record.photos.models import (
    Correction,
    Measurement,
    MeasurementState,
    MeasurementSummary,
    Photo,
    PhotoKind,
    SeenBead,
    StoredPicture,
    Upload,
)


def photo_for(user: User, photo_id: int) -> Photo:
    """One photo that the person may see. Raises NotFound."""
    found = (
        Photo.objects.select_related("picture", "attempt__assignment__course")
        .filter(pk=photo_id, attempt__in=visible_to(user))
        .first()
    )
    if found is None:
        raise NotFound(said("refused-there-is-no-photo-for-you", photo_id=photo_id))
    return found


def in_other_light(photo: Photo) -> Photo | None:
    """The newest photo with the lamp on the other side that came after a photo of the bead; None where none did, or it is thinned."""
    if photo.kind != PhotoKind.BEAD:
        return None
    others = Photo.objects.filter(attempt=photo.attempt_id, kind=PhotoKind.LAMP, picture__isnull=False)
    return others.filter(sent_at__gte=photo.sent_at).select_related("picture").first()


def picture_of(photo: Photo) -> StoredPicture:
    """The picture of a photo. Raises WrongState: it is not kept any more."""
    if photo.picture is None:
        raise WrongState(said("refused-this-photo-is-not-kept-any"))
    return photo.picture


def measurement_for(user: User, measurement_id: int) -> Measurement:
    """One measurement that the person may see. Raises NotFound."""
    found = (
        Measurement.objects.select_related("photo__picture", "photo__attempt__assignment__course", "chosen")
        .filter(pk=measurement_id, photo__attempt__in=visible_to(user))
        .first()
    )
    if found is None:
        raise NotFound(said("refused-there-is-no-measurement-for-you", measurement_id=measurement_id))
    return found


def correction_of(measurement: Measurement, correction_id: str) -> Correction:
    """One correction of a measurement, in force or not. Raises NotFound."""
    found = measurement.corrections.filter(pk=whole(correction_id) or 0).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-correction-of-this", correction_id=correction_id[:20]))
    return found


def bead_of(measurement: Measurement, number: str) -> SeenBead:
    """One of several beads of a measurement. Raises NotFound."""
    found = measurement.beads.filter(number=whole(number) or 0).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-bead-in-this-2", number=number[:20]))
    return found


def upload_for(user: User, upload_id: UUID) -> Upload:
    """One's own upload. Raises NotFound."""
    found = Upload.objects.filter(pk=upload_id, user=user).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-such-upload-of"))
    return found


def photo_of_upload(user: User, upload_id: UUID) -> Photo:
    """The photo that one's own upload became.

    Raises:
        NotFound, NotAllowed: no upload of one's own, or let go from the course. WrongState: it has not wholly arrived, or is gone.
    """
    upload = upload_for(user, upload_id)
    own_attempt(user, upload.attempt_id)
    photo = upload.photo
    if photo is None:
        raise WrongState(said("refused-photo-on-its-way"))
    return photo


def measurement_that_counts(attempt: Attempt) -> Measurement | None:
    """The attempt's measurement that counts, read with its corrections."""
    kept = MeasurementSummary.objects.filter(attempt=attempt).values("measurement")
    return Measurement.objects.select_related("chosen").prefetch_related("corrections").filter(pk__in=kept).first()


def measurement_of_run(attempt: Attempt, run: int) -> Measurement:
    """What counts of the photos of one run that the next one covers. Raises NotFound: none is measured."""
    found = _counting_of_run(attempt, run)
    if found is None:
        raise NotFound(said("refused-no-measured-photo-of-run", number=run))
    return found


def _counting_of_run(attempt: Attempt, run: int) -> Measurement | None:
    done = Measurement.objects.filter(photo__attempt=attempt, photo__run=run, state=MeasurementState.DONE)
    return counting(done.select_related("chosen").prefetch_related("corrections"))


def measured_run(attempt: Attempt, run: int) -> Measurement | None:
    """What shows a run: its own photo where there is one, else, of the last run, the attempt's; None where neither is measured."""
    if run in runs_photographed(attempt):
        return _counting_of_run(attempt, run)
    last = attempt.runs.order_by("-number").values_list("number", flat=True).first()
    return measurement_that_counts(attempt) if run == last else None


def runs_photographed(attempt: Attempt) -> list[int]:
    """The runs of an attempt that have a photo of their own, in order."""
    found = attempt.photos.filter(kind=PhotoKind.RUN).values_list("run", flat=True)
    return sorted({run for run in found if run is not None})


def back_seen(attempt: Attempt) -> Report | None:
    """What the newest measured photo of the attempt's back shows; None where none was measured."""
    found = (
        Measurement.objects.filter(photo__attempt=attempt, photo__kind=PhotoKind.BACK, state=MeasurementState.DONE)
        .exclude(report=None)
        .order_by("-requested_at", "-id")
        .first()
    )
    return Report.from_json(found.report) if found and found.report else None
