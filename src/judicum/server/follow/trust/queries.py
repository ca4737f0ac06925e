"""Callipered widths beside measured ones, corrections beside what was measured, repeat studies."""

from collections import defaultdict
from datetime import datetime

from django.db.models import Prefetch, QuerySet

from judicum.core.errors import NotFound, said
from judicum.core.photo.report import Defect, Report
from judicum.core.trust.callipers import Pair, pair_of
from judicum.core.trust.corrections import Reviewed, review
from judicum.server.follow.trust.models import Calliper, PhoneCheck, RepeatStudy, TintReference
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.models import Correction
from judicum.words.names import option_name

MAX_ATTEMPTS = 1000
"""The newest callipered attempts of a course that are looked at."""
MAX_REVIEWED = 300
"""The newest marked ones: their reports are read whole, two milliseconds each; a fault kind in use comes more often than MIN_FOUND in
them."""


def _measured(course: Course, **fits: object) -> QuerySet[Attempt]:
    """The course's measured attempts that fit, the newest first, each with what counts of its measurement but the drawing."""
    measurement = "summary__measurement"
    drawn = [f"{owner}__{field}" for owner in (measurement, f"{measurement}__chosen") for field in ("overlay", "bead")]
    return (
        Attempt.objects.filter(course=course, summary__refusal_code="", **fits)
        .select_related("assignment__design", f"{measurement}__chosen", f"{measurement}__photo")
        .prefetch_related(Prefetch(f"{measurement}__corrections", Correction.objects.defer("overlay")))
        .defer(*drawn)
        .order_by("-created_at", "-id")
    )


def pairs_of(course: Course) -> list[tuple[Attempt, Pair]]:
    """The course's attempts that were callipered and measured, oldest first, each with its pair of widths."""
    callipered = Calliper.objects.filter(attempt__course=course).values("attempt")
    attempts = list(_measured(course, pk__in=callipered).prefetch_related("callipers")[:MAX_ATTEMPTS])
    phones = _phones_of({attempt.student_id for attempt in attempts})
    pairs: list[tuple[Attempt, Pair]] = []
    for attempt in reversed(attempts):
        result = attempt.summary.measurement.result
        taken = [(one.s_mm, one.width_mm) for one in attempt.callipers.all()]
        pair = pair_of(Report.from_json(result), taken, _groups(attempt, phones)) if result else None
        if pair is not None:
            pairs.append((attempt, pair))
    return pairs


def _phones_of(students: set[int]) -> dict[int, list[tuple[datetime, str]]]:
    """When each student checked which phone, oldest first."""
    found: dict[int, list[tuple[datetime, str]]] = defaultdict(list)
    for student, at, phone in (
        PhoneCheck.objects.filter(user__in=students).order_by("at").values_list("user", "at", "phone")
    ):
        found[student].append((at, phone))
    return found


def _groups(attempt: Attempt, phones: dict[int, list[tuple[datetime, str]]]) -> tuple[tuple[str, str], ...]:
    """What an attempt is grouped by: kind and name. Its phone is the one its student checked last before the photo."""
    design, sent_at = attempt.assignment.design, attempt.summary.measurement.photo.sent_at
    checked = [phone for at, phone in phones.get(attempt.student_id, ()) if at <= sent_at]
    return (
        *((("phone", checked[-1]),) if checked else ()),
        ("engine", attempt.summary.engine_version),
        ("metal", option_name("metal", design.metal)),
        ("joint", option_name("joint", design.joint)),
        ("finish", option_name("finish", attempt.assignment.finish)),
    )


def reviewed_of(course: Course) -> list[Reviewed]:
    """What people corrected of the course's newest marked beads."""
    attempts = _measured(course, mark__isnull=False)[:MAX_REVIEWED]
    found = []
    for attempt in attempts:
        measurement = attempt.summary.measurement
        computed, result = measurement.computed.report, measurement.result
        if computed and result:
            below = [Defect.model_validate(one) for one in computed.get("below_limit", [])]
            steps = [one.step for one in measurement.corrections_in_force]
            found.append(review(Report.from_json(computed), Report.from_json(result), steps, below))
    return found


def study_for(user: User, study_id: int) -> RepeatStudy:
    """A study of a course that the person teaches. Raises NotFound, NotAllowed."""
    found = RepeatStudy.objects.select_related("course").filter(pk=study_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-study", study_id=study_id))
    staff_of(user, found.course_id)
    return found


def tint_reference_for(user: User, reference_id: int) -> TintReference:
    """A tint reference of a course that the person teaches. Raises NotFound, NotAllowed."""
    found = TintReference.objects.filter(pk=reference_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-tint-reference", reference_id=reference_id))
    staff_of(user, found.course_id)
    return found
