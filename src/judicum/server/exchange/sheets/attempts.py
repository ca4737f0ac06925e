"""Runs, figures and marks of a course: a line for each attempt, named by student, coupon, due date and number."""

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from django.db.models import QuerySet

from judicum.core.errors import InvalidValue, WrongState, said
from judicum.core.fields import Flag, Text
from judicum.core.marking import FINDINGS, read_scheme
from judicum.core.quantities import Quantity
from judicum.core.setup import RUN
from judicum.core.sheets import Column
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.schemes.queries import scheme_coded
from judicum.server.exchange.sheets.base import Done, Sheet
from judicum.server.exchange.sheets.coupons import CODE, DUE
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.actions.log_run import log_for
from judicum.server.record.attempts.actions.note_findings import note_findings
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.queries import marks_blind
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.models import MeasurementSummary
from judicum.words.catalogue import t

NUMBER = Quantity("attempt", "count", "", 1, 1000, whole=True)
NAMED = (
    Column(Text("student", 60), needed=True),
    Column(CODE, needed=True),
    Column(DUE),
    Column(NUMBER, needed=True),
)


def _of(course: Course) -> QuerySet[Attempt]:
    rows = Attempt.objects.filter(course=course).select_related("student", "assignment__design", "assignment__course")
    return rows.order_by("assignment__created_at", "assignment_id", "student__username", "number")


def _name(attempt: Attempt) -> list[Any]:
    given = attempt.assignment
    return [attempt.student.username, given.design.code, given.due_on.isoformat(), attempt.number]


def _measured_of(attempt: Attempt) -> str:
    given = attempt.assignment
    return t("done-attempt", student=attempt.student.display_name, title=given.design.title, number=attempt.number)


def _given(course: Course, values: Mapping[str, Any]) -> tuple[User, Assignment]:
    """The student, and the coupon that was given to them. Raises InvalidValue."""
    member = course.memberships.select_related("user").filter(user__username=values["student"]).first()
    if member is None:
        raise InvalidValue("student", values["student"], said("allowed-the-name-somebody-of-this-course"))
    rows = Assignment.objects.filter(course=course, design__code=values["coupon"], attempts__student=member.user)
    if values.get("due") is not None:
        rows = rows.filter(due_on=values["due"])
    found = list(rows.select_related("design", "course").distinct()[:2])
    if not found:
        raise InvalidValue(
            "coupon", values["coupon"], said("allowed-the-code-of-a-coupon-that", name=member.user.display_name)
        )
    if len(found) > 1:
        raise InvalidValue("due", None, said("allowed-the-day-it-is-due-this"))
    return member.user, found[0]


def _attempt(course: Course, values: Mapping[str, Any]) -> Attempt:
    """The attempt that a line names. Raises InvalidValue."""
    student, given = _given(course, values)
    found = _of(course).filter(assignment=given, student=student, number=values["attempt"]).first()
    if found is None:
        raise InvalidValue("attempt", values["attempt"], said("allowed-the-number-of-an-attempt-that"))
    return found


RUNS = (
    *NAMED,
    Column(Quantity("run", "count", "", 1, 40, whole=True)),
    *(Column(spec, needed=spec.key in RUN.required) for spec in RUN.specs),
)


def run_rows(course: Course) -> Iterator[Sequence[Any]]:
    for attempt in _of(course).prefetch_related("runs"):
        for run in attempt.runs.all():
            yield [*_name(attempt), run.number, *(getattr(run, key) for key in RUN.keys)]


def put_run(user: User, course: Course, values: Mapping[str, Any]) -> Done:
    """A run logged for a student, as from their notebook; the next attempt is opened where the last one was welded."""
    student, given = _given(course, values)
    mine = Attempt.objects.filter(assignment=given, student=student)
    attempt = mine.filter(number=values["attempt"]).first()
    if attempt is None:
        if values["attempt"] != mine.count() + 1 or mine.filter(state=AttemptState.ASSIGNED).exists():
            raise InvalidValue("attempt", values["attempt"], said("allowed-one-that-was-opened-or-the"))
        attempt = open_attempt(given, student, by=user)
    number = values.get("run") or 1
    there = Run.objects.filter(attempt=attempt, number=number).first()
    kept = {key: getattr(there, key) for key in RUN.keys} if there else {}
    logged = {key: values.get(key, kept.get(key)) for key in RUN.keys}
    if there and all((logged[key] or None) == (kept[key] or None) for key in RUN.keys):
        return Done("same", t("done-run", attempt=_measured_of(attempt), number=number))
    log_for(user, attempt.pk, {key: value for key, value in logged.items() if value is not None}, number=number)
    return Done("changed" if there else "made", t("done-run", attempt=_measured_of(attempt), number=number))


MEASURED = tuple(
    Quantity(key, kind, unit, 0, 1e6)  # type: ignore[arg-type]
    for key, kind, unit in (
        ("length_mm", "length", "mm"),
        ("width_mean_mm", "length", "mm"),
        ("width_cv", "plain", ""),
        ("pitch_cv", "plain", ""),
        ("tint_level", "count", ""),
        ("toe_waviness", "plain", ""),
    )
)
"""Columns of `MeasurementSummary` that a sheet tells."""
DIGITS = 4
"""After the point; a figure is told and compared to so many."""
FIGURES = (*NAMED, *(Column(one) for one in MEASURED), *(Column(spec) for spec in FINDINGS.specs))


def figure_rows(course: Course) -> Iterator[Sequence[Any]]:
    for attempt in _of(course).exclude(summary=None).select_related("summary"):
        measured = [_rounded(getattr(attempt.summary, one.key)) for one in MEASURED]
        yield [*_name(attempt), *measured, *(attempt.by_hand.get(key) for key in FINDINGS.keys)]


def _rounded(value: float | None) -> float | None:
    return None if value is None else round(value, DIGITS)


def put_figures(user: User, course: Course, values: Mapping[str, object]) -> Done:
    """Findings by hand kept for an attempt. A measured figure may stand beside them; it is the photo's, and stays.

    Raises:
        InvalidValue: a measured figure other than the one that was measured.
    """
    attempt = _attempt(course, values)
    kept = MeasurementSummary.objects.filter(attempt=attempt).first()
    for one in MEASURED:
        given, own = values.get(one.key), _rounded(getattr(kept, one.key)) if kept else None
        if given is not None and given != own:
            right = said("allowed-not-measured-value") if own is None else said("allowed-measured-value", value=own)
            raise InvalidValue(one.key, given, right)
    found = {key: values.get(key, attempt.by_hand.get(key)) for key in FINDINGS.keys}
    found = {key: value for key, value in found.items() if value is not None}
    if found == attempt.by_hand:
        return Done("same", _measured_of(attempt))
    had = bool(attempt.by_hand)
    note_findings(user, attempt.pk, found)
    return Done("changed" if had else "made", _measured_of(attempt))


TEXTS = (Column(Text("comment")), Column(Text("next_change", 300)))
RETURNED = Flag("returned")
NOT_SCORES = (*(column.key for column in (*NAMED, *TEXTS)), RETURNED.key)
"""Columns of a mark's line that are no criterion's."""


def _lines(course: Course) -> tuple[str, ...]:
    """Keys of all criteria by which coupons of the course are marked."""
    keys: dict[str, None] = {}
    codes = Assignment.objects.filter(course=course).order_by("pk").values_list("scheme", flat=True)
    for code in dict.fromkeys(codes):
        keys |= dict.fromkeys(read_scheme(scheme_coded(course.pk, code).body).keys)
    for mark in Mark.objects.filter(attempt__course=course).order_by("pk").values_list("scores", flat=True):
        keys |= dict.fromkeys(mark)
    return tuple(keys)


def mark_columns(course: Course) -> Sequence[Column]:
    scores = (Column(Quantity(key, "plain", "of 10", 0, 10)) for key in _lines(course))
    total = Column(Quantity("total", "plain", "of 100", 0, 100), derived=True)
    return (*NAMED, *scores, total, Column(Flag("passed"), derived=True), *TEXTS, Column(RETURNED))


def mark_rows(course: Course) -> Iterator[Sequence[Any]]:
    """Marks as they count; one that waits for a blind second mark is nobody's to read yet."""
    keys = _lines(course)
    marked = _of(course).exclude(mark=None).exclude(state__in=(AttemptState.SECOND_ASKED, AttemptState.TO_AGREE))
    for attempt in marked.select_related("mark"):
        mark = attempt.mark
        scores = [mark.scores.get(key) for key in keys]
        end = [round(mark.total, DIGITS), mark.passed, mark.comment, mark.next_change, mark.returned_at is not None]
        yield [*_name(attempt), *scores, *end]


def put_mark(user: User, course: Course, values: Mapping[str, Any]) -> Done:
    """A mark set, or changed, by the coupon's own scheme, and returned where the line says so.

    Raises:
        WrongState: one that this person is to mark blind: no line tells whether it would be the same.
    """
    attempt = _attempt(course, values)
    if marks_blind(user, attempt):
        raise WrongState(said("refused-mark-it-blind"))
    mark = Mark.objects.filter(attempt=attempt).first()
    keys = read_scheme(mark.scheme.body if mark else scheme_coded(course.pk, attempt.assignment.scheme).body).keys
    had = mark.scores if mark else {}
    scores = {key: values.get(key, had.get(key)) for key in keys}
    odd = [key for key, value in values.items() if key not in (*keys, *NOT_SCORES) and value is not None]
    if odd:
        raise InvalidValue(odd[0], values[odd[0]], said("allowed-nothing-this-coupon-is-not-marked"))
    comment = values.get("comment", mark.comment if mark else "") or ""
    next_change = values.get("next_change", mark.next_change if mark else "") or ""
    same = (
        mark is not None
        and scores == {key: had.get(key) for key in keys}
        and (comment, next_change) == (mark.comment, mark.next_change)
    )
    back = bool(values.get("returned"))
    if not same:
        waived = mark.waived if mark else []
        set_mark(
            user, attempt.pk, attempt.version, scores=scores, comment=comment, next_change=next_change, waived=waived
        )
        attempt.refresh_from_db()
    if back and attempt.state == AttemptState.MARKED:
        return_mark(user, attempt.pk, attempt.version)
        same = False
    return Done("same" if same else "changed" if mark else "made", _measured_of(attempt))


RUN_SHEET = Sheet("runs", lambda course: RUNS, run_rows, put_run)
FIGURE_SHEET = Sheet("figures", lambda course: FIGURES, figure_rows, put_figures)
MARK_SHEET = Sheet("marks", mark_columns, mark_rows, put_mark)
