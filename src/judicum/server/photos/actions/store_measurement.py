"""Writing down what a measurement gave."""

from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.photo.decode import encode_jpeg
from judicum.core.photo.measure import ENGINE_VERSION, Measured
from judicum.core.photo.strip import cut_strip
from judicum.server.attempts.queries import held
from judicum.server.attempts.states import Step, advance
from judicum.server.photos.models import Measurement, MeasurementState
from judicum.server.photos.storage import store_file
from judicum.words.photo import report_in_words


def strip_file(measured: Measured) -> bytes | None:
    """The strip of a measured bead as a JPEG file, None for a refused photo."""
    if measured.bead is None or measured.picture is None:
        return None
    return encode_jpeg(cut_strip(measured.picture, measured.bead))


def store_measurement(measurement_id: int, measured: Measured, strip: bytes | None, at: datetime | None = None) -> bool:
    """Save a result and move the attempt on; returns False where this measurement was done already."""
    name = store_file("strips", "jpg", strip) if strip else ""
    told = report_in_words(measured)
    with transaction.atomic():
        mine = Measurement.objects.select_for_update(of=("self",)).select_related("photo").get(pk=measurement_id)
        if mine.state == MeasurementState.DONE:
            return False
        refused = measured.report.refusal
        mine.state = MeasurementState.DONE
        mine.engine_version = ENGINE_VERSION
        mine.report, mine.strip = told, name
        if measured.bead is not None:
            mine.overlay, mine.bead = measured.bead.overlay(), measured.bead.as_json()
        mine.refusal_code = refused.code if refused else ""
        mine.finished_at = at or timezone.now()
        mine.save()
        attempt = held(mine.photo.attempt_id)
        step = Step.REFUSE_PHOTO if refused else Step.MEASURE
        advance(attempt, step, None, at, measurement=mine.pk, engine=ENGINE_VERSION, refusal=mine.refusal_code or None)
    return True
