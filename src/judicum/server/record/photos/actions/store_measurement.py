"""Writing down what a measurement gave."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from django.db import transaction
from django.utils import timezone

from judicum.core.photo.engine import engine_version
from judicum.core.photo.measure import Measured, strip_file
from judicum.core.trust.corrections import with_limits
from judicum.server.platform.storage import store_file
from judicum.server.record.attempts.queries import held
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.photos.actions.save_summary import save_summary
from judicum.server.record.photos.models import Measurement, MeasurementState, PhotoKind, SeenBead
from judicum.words.photo import report_in_words


@dataclass(frozen=True)
class MeasuredBead:
    """One bead of a photo, or its refusal, with the strip of a measured one as a JPEG file and the engine that measured it."""

    measured: Measured
    strip: bytes | None
    engine: str

    @classmethod
    def of(cls, measured: Measured) -> "MeasuredBead":
        """With the strip cut, and without the picture it was cut from; to be asked where it was measured."""
        return cls(replace(measured, picture=None), strip_file(measured), engine_version())


BESIDE = {
    PhotoKind.BACK: AttemptStep.MEASURE_BACK,
    PhotoKind.RUN: AttemptStep.MEASURE_RUN,
    PhotoKind.TRIAL: AttemptStep.MEASURE_TRIAL,
}
"""Kinds of photo whose figures are not the attempt's, and the step that their measuring is."""


def store_measurement(measurement_id: int, found: Sequence[MeasuredBead], at: datetime | None = None) -> bool:
    """Save what a photo gave, the bead that counts first, and move the attempt on.

    Returns:
        False where this measurement was done already.
    """
    measured = found[0].measured
    names = [store_file("strips", "jpg", one.strip) if one.strip else "" for one in found]
    with transaction.atomic():
        mine = (
            Measurement.objects.select_for_update(of=("self",))
            .select_related("photo__attempt__course")
            .get(pk=measurement_id)
        )
        if mine.state == MeasurementState.DONE:
            return False
        refused = measured.report.refusal
        mine.state = MeasurementState.DONE
        mine.engine_version = found[0].engine
        limits = mine.photo.attempt.course.fault_limits
        mine.report, mine.strip = with_limits(report_in_words(measured), limits), names[0]
        if measured.bead is not None:
            mine.overlay, mine.bead = measured.bead.overlay(), measured.bead.as_json()
        mine.refusal_code = refused.code if refused else ""
        mine.finished_at = at or timezone.now()
        attempt = held(mine.photo.attempt_id)
        if mine.photo.kind in BESIDE:
            # Looked at beside the bead: neither its figures nor how far the attempt is follow from it.
            if mine.photo.kind == PhotoKind.BACK:
                mine.report = {**mine.report, "side": "back"}
            mine.save()
            if mine.photo.kind == PhotoKind.TRIAL:
                _save_beads(mine, found, names, limits)
            step = BESIDE[PhotoKind(mine.photo.kind)]
            advance(attempt, step, None, at, measurement=mine.pk, refusal=mine.refusal_code or None)
            return True
        mine.save()
        _save_beads(mine, found, names, limits)
        save_summary(mine.photo.attempt_id)
        step = AttemptStep.REFUSE_PHOTO if refused else AttemptStep.MEASURE
        advance(
            attempt,
            step,
            None,
            at,
            measurement=mine.pk,
            engine=found[0].engine,
            refusal=mine.refusal_code or None,
            moved=mine.together_id is None,
        )
    return True


def _save_beads(
    mine: Measurement, found: Sequence[MeasuredBead], strips: Sequence[str], limits: Mapping[str, float]
) -> None:
    """Every measured bead, where the photo shows several of them."""
    kept = [
        SeenBead(
            measurement=mine,
            number=one.measured.report.bead_number or 1,
            report=with_limits(report_in_words(one.measured), limits),
            overlay=one.measured.bead.overlay(),
            bead=one.measured.bead.as_json(),
            strip=strip,
        )
        for one, strip in zip(found, strips, strict=True)
        if one.measured.bead is not None
    ]
    if len(kept) > 1:
        SeenBead.objects.bulk_create(kept)
