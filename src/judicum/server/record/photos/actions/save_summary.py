"""Keeping the figures that count where lists read them: the only writer of `MeasurementSummary`."""

from typing import Any

from judicum.core.foretell.measured import measured_of
from judicum.core.photo.report import Report
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.signals import consumption_changed
from judicum.server.record.photos.counting import counting
from judicum.server.record.photos.models import Measurement, MeasurementState, MeasurementSummary, PhotoKind


def save_summary(attempt_id: int) -> None:
    """Write the attempt's figures anew from the measurement that counts, in the transaction that changed it."""
    done = Measurement.objects.filter(
        photo__attempt_id=attempt_id, photo__kind=PhotoKind.BEAD, state=MeasurementState.DONE
    )
    counts = counting(done.defer("overlay", "bead").select_related("chosen").prefetch_related("corrections"))
    if counts is not None:
        MeasurementSummary.objects.update_or_create(attempt_id=attempt_id, defaults=columns_of(counts))
        attempt = Attempt.objects.select_related("assignment__design", "assignment__course").get(pk=attempt_id)
        consumption_changed.send(Attempt, attempt=attempt)


def columns_of(counts: Measurement) -> dict[str, Any]:
    """The columns of a measurement that is done."""
    measured = counts.result or {}
    bead, ripple, tint = measured.get("bead"), measured.get("ripple"), measured.get("tint")
    return {
        "measurement": counts,
        "engine_version": counts.engine_version,
        "refusal_code": counts.refusal_code,
        "corrected": bool(counts.corrections_in_force),
        "has_strip": bool(counts.shown_strip),
        "strip_query": counts.strip_query,
        "length_mm": bead["length_mm"] if bead else None,
        "width_mean_mm": bead["width_mm"]["mean"] if bead else None,
        "width_cv": bead["width_mm"]["cv"] if bead else None,
        "pitch_cv": ripple["cv"] if ripple else None,
        "tint_level": tint["bead"]["level"] if tint else None,
        "tint_name": tint["bead"]["name"] if tint else "",
        "toe_waviness": max(bead["toe_waviness_mm"].values()) / bead["width_mm"]["mean"] if bead else None,
        **measured_of(Report.from_json(measured)),
        "faults": [{"kind": one["kind"], "s_mm": one["s_mm"]} for one in measured.get("defects") or []],
    }
