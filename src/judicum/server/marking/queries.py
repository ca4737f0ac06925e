"""What the marking scheme suggests for an attempt."""

from judicum.core.marking import Suggestion, suggest
from judicum.core.photo.report import Report
from judicum.server.attempts.models import Attempt
from judicum.server.coupons.setup import worst_check
from judicum.server.photos.models import Figures, Measurement


def measurement_that_counts(attempt: Attempt) -> Measurement | None:
    """The attempt's measurement that counts, read with its corrections."""
    kept = Figures.objects.filter(attempt=attempt).values("measurement")
    return Measurement.objects.select_related("chosen").prefetch_related("corrections").filter(pk__in=kept).first()


def suggestions(attempt: Attempt) -> list[Suggestion]:
    """Suggested scores from the measurement that counts and the logged runs."""
    measurement = measurement_that_counts(attempt)
    report = Report.from_json((measurement.result if measurement else None) or {})
    worst = worst_check(attempt.assignment, list(attempt.runs.values()))
    return suggest(report, attempt.assignment.finish, attempt.assignment.target_width_mm, worst)
