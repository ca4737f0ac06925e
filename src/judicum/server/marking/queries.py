"""What the marking scheme suggests for an attempt."""

from judicum.core.marking import Suggestion, suggest
from judicum.core.photo.report import Report
from judicum.server.attempts.models import Attempt
from judicum.server.coupons.setup import worst_check
from judicum.server.photos.counting import counting
from judicum.server.photos.models import Measurement, MeasurementState


def measurement_that_counts(attempt: Attempt) -> Measurement | None:
    """The attempt's measurement that counts (`photos.counting`), read with its corrections."""
    found = Measurement.objects.filter(photo__attempt=attempt, state=MeasurementState.DONE)
    return counting(found.select_related("chosen").prefetch_related("corrections"))


def suggestions(attempt: Attempt) -> list[Suggestion]:
    """Suggested scores from the measurement that counts and the logged runs."""
    measurement = measurement_that_counts(attempt)
    report = Report.from_json((measurement.result if measurement else None) or {})
    worst = worst_check(attempt.assignment, list(attempt.runs.values()))
    return suggest(report, attempt.assignment.finish, attempt.assignment.target_width_mm, worst)
