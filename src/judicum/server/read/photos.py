"""A photo with its measurements, as the page shows it."""

from collections import defaultdict
from collections.abc import Mapping
from typing import Any

from judicum.server.answers.photos import Engines, Measurement, Photo, SamePicture
from judicum.server.people.accounts.models import User
from judicum.server.read.strips import strip_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.visibility import VisibilityPolicy
from judicum.server.record.photos import models
from judicum.server.record.photos.actions.measure_all import engines_of

MAX_SAME = 20
"""Photos of the same picture that are looked at: one is enough to be asked about."""


def measurement_answer(row: models.Measurement) -> Measurement:
    """A measurement with its corrections put on; without a query where they and its beads were prefetched."""
    bead = (row.result or {}).get("bead")
    return Measurement(
        id=row.pk,
        state=row.state,
        refusal_code=row.refusal_code,
        engine_version=row.engine_version,
        requested_at=row.requested_at,
        finished_at=row.finished_at,
        strip=strip_of(row.pk, row.strip_query, bead["length_mm"]) if bead and row.shown_strip else None,
        corrected=bool(row.corrections_in_force),
        report=row.result,
        overlay=row.drawn,
        computed=row.computed.report if row.corrections_in_force else None,
        beads=_beads(row),
        corrections=row.corrections_in_force,
        scale_set_by=row.requested_by if row.scale_points else None,
    )


def _beads(row: models.Measurement) -> list[dict[str, Any]]:
    counting, suggested = ((report or {}).get("bead_number") for report in (row.computed.report, row.report))
    return [
        {
            "number": bead.number,
            "left": bead.overlay["left"],
            "right": bead.overlay["right"],
            "counts": bead.number == counting,
            "suggested": bead.number == suggested,
        }
        for bead in row.beads.all()
    ]


def same_pictures(attempt: Attempt, policy: VisibilityPolicy) -> dict[str, list[SamePicture]]:
    """Other attempts for which the very same picture was sent, by the picture: all of the course to those who teach, else
    one's own."""
    shown = {photo.picture_id for photo in attempt.photos.all() if photo.picture_id}
    others = models.Photo.objects.filter(picture__in=shown, attempt__course_id=attempt.course_id).exclude(
        attempt=attempt
    )
    if not policy.teaches:
        others = others.filter(attempt__student_id=policy.user.pk)
    found: dict[str, list[SamePicture]] = defaultdict(list)
    rows = others.values_list(
        "picture_id",
        "attempt_id",
        "attempt__number",
        "attempt__assignment__design__title",
        "attempt__student__display_name",
    )
    for picture, pk, number, title, name in sorted(set(rows[:MAX_SAME])):
        found[picture].append(SamePicture(attempt=pk, number=number, title=title, student=name))
    return found


def photo_answer(row: models.Photo, same: Mapping[str, list[SamePicture]]) -> Photo:
    """A photo with its measurements, newest first; `same` are `same_pictures`."""
    width, height = row.size_px
    return Photo(
        id=row.pk,
        kind=row.kind,
        run=row.run,
        angles=list(row.angles.values()),
        name=row.name,
        url=f"/api/photos/{row.pk}/picture",
        width_px=width,
        height_px=height,
        gone=row.picture is None,
        sent_at=row.sent_at,
        same_as=same.get(row.picture_id or "", []),
        measurements=[measurement_answer(one) for one in row.measurements.all()],
    )


def engines(user: User, course_id: int) -> Engines:
    """Which engines made a course's figures. Raises NotFound, NotAllowed: not a course one teaches."""
    found = engines_of(user, course_id)
    return Engines(
        present=found.present,
        outdated=found.outdated,
        corrected=found.corrected,
        running=found.running,
        done=found.done,
        total=found.last.total if found.last else 0,
    )
