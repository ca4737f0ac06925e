"""How each student's record on each coupon goes on, from marks that were returned; the class is the prior."""

import hashlib
from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

import orjson
from django.core.cache import cache
from django.db.models import JSONField, Value
from django.db.models.functions import NullIf

from judicum.core.choices import FINISH_LEVEL
from judicum.core.errors import NotAllowed, NotFound, said
from judicum.core.progress import ClassRecords, Forecast, RecordedAttempt, ToGo
from judicum.server.answers.people import Person
from judicum.server.answers.progress import CouponStanding, SequenceCoupon
from judicum.server.answers.progress import Forecast as ForecastAnswer
from judicum.server.answers.progress import ToGo as ToGoAnswer
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.coupons.queries import of_course
from judicum.server.catalogue.schemes.queries import newest_schemes
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import members, membership_of, staff_of
from judicum.server.people.roles import STAFF, Role
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.causes.queries import verdicts_seen
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.models import MeasurementSummary
from judicum.words.names import named
from judicum.words.progress import forecast_to_staff, forecast_to_student

SHARES = ("width_cv", "pitch_cv", "toe_waviness")
"""Figures that are shares, by their column."""
SEEN: Any = NullIf("faults", Value([], JSONField()))
"""Faults of a bead, None where there are none: most rows of a class need no reading of JSON."""
FAILING = 3
"""Failed in a row at one coupon: stuck, whatever the curve says."""
KEPT_S = 7 * 24 * 3600
"""How long the forecasts of a class are kept, seconds; any mark or figure that changes makes them anew."""
READ = (
    "attempt_id", "attempt__student_id", "attempt__assignment_id", "attempt__created_at", "total", "passed",
)  # fmt: skip


def forecasts_of(user: User, course_id: int, student_id: int) -> list[tuple[Assignment, Forecast]]:
    """A student's forecasts by coupon, the newest coupon first.

    Raises:
        NotFound: not in the course. NotAllowed: a student asking for another.
    """
    mine = membership_of(user, course_id)
    if mine.role not in STAFF and student_id != user.pk:
        raise NotAllowed(said("refused-a-student-sees-only-their-own"))
    if not members(course_id, Role.STUDENT).filter(user_id=student_id).exists():
        raise NotFound(said("refused-there-is-no-student-in-this", student_id=student_id))
    assignments, marks = _assignments(course_id), _pass_marks(course_id)
    records = _records(course_id, _returned(course_id), assignments, marks)
    everybody = ClassRecords({student_id: (), **records})
    theirs = set(
        Attempt.objects.filter(course_id=course_id, student_id=student_id).values_list("assignment_id", flat=True)
    )
    return [
        (one, _forecast(everybody, student_id, one, marks))
        for one in reversed(assignments.values())
        if one.pk in theirs
    ]


def forecasts_page(user: User, course_id: int, student_id: int) -> list[ForecastAnswer]:
    """A student's forecasts by coupon, the newest coupon first; to the student in kinder words. Raises as `forecasts_of`."""
    say = forecast_to_student if user.pk == student_id else forecast_to_staff
    found = forecasts_of(user, course_id, student_id)
    return [_answer(one, forecast, say(forecast, one.good_in_a_row)) for one, forecast in found]


def _answer(assignment: Assignment, found: Forecast, words: str) -> ForecastAnswer:
    """A forecast; `to_go` is null where it stands already or is too far."""
    return ForecastAnswer(
        assignment=assignment.pk,
        title=assignment.design.title,
        in_a_row=assignment.good_in_a_row,
        attempts=found.attempts,
        good_in_a_row=found.good_in_a_row,
        next_pass=found.next_pass,
        to_go=ToGoAnswer(**vars(found.to_go)) if isinstance(found.to_go, ToGo) else None,
        trend=found.trend,
        plateau=found.plateau,
        ready=found.ready,
        words=words,
    )


def standings(user: User, course_id: int) -> list[CouponStanding]:
    """Every student at every coupon they have a mark for, by name and coupon.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    assignments, marks = _assignments(course_id), _pass_marks(course_id)
    returned = _returned(course_id)
    records = _records(course_id, returned, assignments, marks)
    sequence, causes, marked = sequence_of(course), _causes(user, course_id), _marks(returned)
    given = {one.design.code for one in assignments.values()}
    forecasts = _of_everybody(assignments, records, marks)
    found = []
    for member in members(course_id, Role.STUDENT):
        person = Person(id=member.user_id, display_name=member.user.display_name)
        for one in assignments.values():
            key = (member.user_id, one.pk)
            if key not in forecasts:
                continue
            forecast, gave, cause = forecasts[key], marked[key], causes.get(key)
            coming = _next(sequence, one.design, given)
            found.append(
                CouponStanding(
                    student=person,
                    forecast=_answer(one, forecast, forecast_to_staff(forecast, one.good_in_a_row)),
                    best=gave.best,
                    stuck=not forecast.ready and (gave.failed >= FAILING or forecast.plateau),
                    failed_in_a_row=gave.failed,
                    cause=named("cause", cause) if cause else None,
                    next_step=SequenceCoupon(id=coming.pk, title=coming.title) if coming else None,
                )
            )
    return found


def _of_everybody(
    assignments: Mapping[int, Assignment],
    records: Mapping[int, tuple[RecordedAttempt, ...]],
    marks: Mapping[str, float],
) -> dict[tuple[int, int], Forecast]:
    """Forecasts by student and assignment, where there is a mark; kept until anything that they are made from changes."""
    asked = [(one.pk, one.design.code, one.good_in_a_row, _pass_mark(one, marks)) for one in assignments.values()]
    question = orjson.dumps((asked, records), option=orjson.OPT_NON_STR_KEYS)
    key = "forecasts-" + hashlib.sha256(question).hexdigest()
    found: dict[tuple[int, int], Forecast] | None = cache.get(key)
    if found is None:
        everybody = ClassRecords(records)
        found = {
            (student, one.pk): _forecast(everybody, student, one, marks)
            for student, record in records.items()
            for one in assignments.values()
            if any(each.coupon == one.design.code for each in record)
        }
        cache.set(key, found, KEPT_S)
    return found


def _assignments(course_id: int) -> dict[int, Assignment]:
    """The course's assignments by their key, in the order they were given."""
    rows = Assignment.objects.filter(course_id=course_id).select_related("design").order_by("created_at", "id")
    return {row.pk: row for row in rows}


@dataclass(frozen=True, slots=True)
class _Returned:
    """A mark that was returned, with whose it is and at which assignment."""

    attempt: int
    student: int
    assignment: int
    at: datetime
    total: float
    passed: bool


def _returned(course_id: int) -> list[_Returned]:
    """Every returned mark of a course in order of time."""
    marks = Mark.objects.filter(attempt__course_id=course_id, returned_at__isnull=False)
    return [_Returned(*row) for row in marks.values_list(*READ).order_by("attempt__created_at", "attempt_id")]


def _records(
    course_id: int,
    returned: Iterable[_Returned],
    assignments: Mapping[int, Assignment],
    pass_marks: Mapping[str, float],
) -> dict[int, tuple[RecordedAttempt, ...]]:
    """Returned attempts of every student in order of time."""
    rows = MeasurementSummary.objects.filter(attempt__course_id=course_id)
    figures = {row["attempt_id"]: row for row in rows.values("attempt_id", *SHARES, "tint_level", seen=SEEN)}
    found: dict[int, list[RecordedAttempt]] = defaultdict(list)
    for one in returned:
        assignment = assignments[one.assignment]
        row: Mapping[str, Any] = figures.get(one.attempt) or {}
        shares: dict[str, float] = {key: row[key] for key in SHARES if row.get(key) is not None}
        if (level := row.get("tint_level")) is not None:
            shares["tint_over"] = float(max(0, level - FINISH_LEVEL[assignment.finish]))
        faults = tuple(fault["kind"] for fault in row.get("seen") or [])
        # What knocked it out counts as a point under the pass mark, whatever the sum.
        total = one.total if one.passed else min(one.total, _pass_mark(assignment, pass_marks) - 1)
        found[one.student].append(RecordedAttempt(one.at, assignment.design.code, total, shares, faults))
    return {student: tuple(record) for student, record in found.items()}


def _pass_marks(course_id: int) -> dict[str, float]:
    return {row.code: float(row.body["pass_mark"]) for row in newest_schemes(course_id)}


def _pass_mark(assignment: Assignment, pass_marks: Mapping[str, float]) -> float:
    """The coupon's own pass mark, else that of its scheme's newest version."""
    return pass_marks[assignment.scheme] if assignment.pass_mark is None else assignment.pass_mark


def _forecast(everybody: ClassRecords, student_id: int, one: Assignment, marks: Mapping[str, float]) -> Forecast:
    return everybody.forecast(student_id, one.design.code, _pass_mark(one, marks), one.good_in_a_row)


def sequence_of(course: Course) -> list[Design]:
    """The course's sequence, from the first step up."""
    step_number = "carbon_step" if course.sequence == "carbon" else "stainless_step"
    return list(
        of_course(course.pk)
        .filter(version=1, **{f"{step_number}__isnull": False})
        .only("code", "title")
        .order_by(step_number)
    )


def _next(sequence: list[Design], design: Design, given: Iterable[str]) -> Design | None:
    """The step after a coupon that was not given in the course yet."""
    codes = [one.code for one in sequence]
    if design.code not in codes:
        return None
    had = set(given)
    return next((one for one in sequence[codes.index(design.code) + 1 :] if one.code not in had), None)


def _causes(user: User, course_id: int) -> dict[tuple[int, int], str]:
    """The cause taken most often of each student at each coupon."""
    confirmed = verdicts_seen(user, course_id).filter(confirmed=True)
    counts: dict[tuple[int, int], Counter[str]] = defaultdict(Counter)
    for student, assignment, cause in confirmed.values_list("attempt__student_id", "attempt__assignment_id", "cause"):
        counts[student, assignment][cause] += 1
    return {key: count.most_common(1)[0][0] for key, count in counts.items()}


@dataclass
class _Marks:
    """Of one student at one coupon: the best returned mark, and how many of the newest failed in a row."""

    best: float = 0.0
    failed: int = 0


def _marks(returned: Iterable[_Returned]) -> dict[tuple[int, int], _Marks]:
    found: dict[tuple[int, int], _Marks] = defaultdict(_Marks)
    for row in returned:
        one = found[row.student, row.assignment]
        one.best, one.failed = max(one.best, row.total), 0 if row.passed else one.failed + 1
    return found
