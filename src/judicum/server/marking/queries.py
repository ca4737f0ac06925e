"""What the marking scheme suggests for an attempt."""

from django.forms.models import model_to_dict

from judicum.core.marking import Suggestion, suggest
from judicum.server.attempts.models import Attempt
from judicum.server.coupons.setup import check_for
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
    run = model_to_dict(attempt.run) if hasattr(attempt, "run") else None
    report = measurement.report if measurement and measurement.report else {}
    return suggest(
        report, attempt.assignment.finish, attempt.assignment.target_width_mm, check_for(attempt.assignment, run)
    )
