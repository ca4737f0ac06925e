"""Widths by callipers: taking them, and which attempts are asked for them."""

from collections.abc import Mapping

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, WrongState, said
from judicum.core.quantities import QUANTITIES
from judicum.core.trust.callipers import factor
from judicum.server.follow.trust.models import Calliper
from judicum.server.follow.trust.queries import pairs_of
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, check_takes_part
from judicum.server.record.photos.models import MeasurementSummary

MAX_PLACES = 12


@transaction.atomic
def take_callipers(user: User, attempt_id: int, widths: Mapping[float, float | None]) -> Attempt:
    """Keep widths (mm) of a measured bead by place (mm along it); None takes one away. The welder's own, or of a course one teaches.

    Raises:
        InvalidValue: a place off the bead, a width that makes no sense, or too many. WrongState: nothing is measured, or archived.
        NotFound, NotAllowed: not visible, or not in the course any more.
    """
    attempt = attempt_for(user, attempt_id)
    check_takes_part(user, attempt)
    length = MeasurementSummary.objects.filter(attempt=attempt).values_list("length_mm", flat=True).first()
    if length is None:
        raise WrongState(said("refused-nothing-measured-yet"))
    limits = QUANTITIES["width_mm"]
    for place, width in widths.items():
        if not 0 <= place <= length:
            raise InvalidValue("s_mm", place, said("allowed-place-on-bead", length=f"{length:.0f}"))
        if width is not None and not limits.sensible_at(width):
            raise InvalidValue("width_mm", width, limits.makes_sense)
    for place, width in widths.items():
        if width is None:
            Calliper.objects.filter(attempt=attempt, s_mm=place).delete()
        else:
            kept = {"width_mm": width, "by": user, "at": timezone.now()}
            Calliper.objects.update_or_create(attempt=attempt, s_mm=place, defaults=kept)
    if Calliper.objects.filter(attempt=attempt).count() > MAX_PLACES:
        raise InvalidValue("places", len(widths), said("allowed-at-most-of-them", most=MAX_PLACES))
    _keep_factor(attempt.course)
    return attempt


def _keep_factor(course: Course) -> None:
    """Write down with the course by what its stated uncertainty grows: every page of a measurement says it."""
    course.width_factor = factor([pair for _, pair in pairs_of(course)])
    course.save(update_fields=["width_factor"])


def is_asked(attempt: Attempt) -> bool:
    """Whether the lot asks callipered widths of an attempt: always the same answer for the same one."""
    return attempt.pk * 61 % 100 < attempt.assignment.course.calliper_share
