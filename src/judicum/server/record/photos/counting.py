"""Which of several measurements counts: the one place that decides it."""

from collections.abc import Iterable

from judicum.server.record.photos.models import Measurement, MeasurementState

UNDER_WAY = (MeasurementState.WAITING, MeasurementState.MEASURING)


def counting(measurements: Iterable[Measurement]) -> Measurement | None:
    """The newest that measured a bead, else the newest that refused the photo, else None.

    One that still waits, is under way or broke down never counts.
    """
    done = [m for m in measurements if m.state == MeasurementState.DONE]
    good = [m for m in done if not m.refusal_code]
    return max(good or done, key=lambda m: (m.requested_at, m.pk), default=None)
