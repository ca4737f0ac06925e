"""What the marking scheme suggests for an attempt."""

from judicum.core.marking import Suggestion, suggest
from judicum.server.attempts.models import Attempt
from judicum.server.coupons.setup import worst_check
from judicum.server.photos.models import Measurement, MeasurementState


def newest_measurement(attempt: Attempt) -> Measurement | None:
    """The measurement that counts: the newest done and not refused one, else the newest refused one."""
    done = Measurement.objects.filter(photo__attempt=attempt, state=MeasurementState.DONE).order_by(
        "-requested_at", "-id"
    )
    return done.filter(refusal_code="").first() or done.first()


def suggestions(attempt: Attempt) -> list[Suggestion]:
    """Suggested scores from the newest measurement and the logged run."""
    measurement = newest_measurement(attempt)
    runs = list(attempt.runs.values())
    report = (measurement.result if measurement else None) or {}
    return suggest(
        report, attempt.assignment.finish, attempt.assignment.target_width_mm, worst_check(attempt.assignment, runs)
    )
