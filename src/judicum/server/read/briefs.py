"""Attempts as lists, walls and plots show them: plain rows, read in six small queries however many there are.

What belongs to an attempt is read beside it, not joined: a list names few coupons and people, each many times, and planning
a join of six tables takes the database seven times as long as reading it. No model is made for a row: a page has fifty.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from django.db.models import Exists, OuterRef, QuerySet

from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Figures, Measurement

MEASURING = Exists(Measurement.objects.filter(photo__attempt=OuterRef("pk"), state__in=UNDER_WAY))
"""Whether a photo of an outer attempt waits to be measured, or is being measured."""
COLUMNS = ("id", "number", "state", "version", "student_id", "assignment_id", "created_at", "updated_at")
MARK = ("total", "passed", "returned_at", "marked_by_id", "next_change")
"""What a brief tells of a mark, in the order of its fields."""
FIGURES = tuple(f.attname for f in Figures._meta.concrete_fields)


@dataclass(frozen=True, slots=True)
class Goal:
    """What was to be welded, as a list says it."""

    id: int
    title: str
    purpose: str
    target_width_mm: float
    finish: str
    good_in_a_row: int
    due_on: date
    code: str


@dataclass(frozen=True, slots=True)
class Brief:
    """One attempt: the columns of `Attempt`, its student's name, its goal, the figures that count and its mark."""

    id: int
    number: int
    state: str
    version: int
    student_id: int
    created_at: datetime
    updated_at: datetime
    measuring: bool
    student_name: str
    goal: Goal
    figures: dict[str, Any] | None
    mark_total: float | None
    passed: bool | None
    returned_at: datetime | None
    marker_id: int | None
    next_change: str | None


def in_brief(attempts: QuerySet[Attempt]) -> QuerySet[Attempt, dict[str, Any]]:
    """The rows to make briefs of, in the order and number of the query."""
    return attempts.annotate(measuring=MEASURING).values(*COLUMNS, "measuring")


def briefs(rows: Iterable[Mapping[str, Any]], names: Mapping[int, str] | None = None) -> list[Brief]:
    """Briefs of rows of `in_brief`, in their order; `names` of their students where they are known."""
    rows = list(rows)
    ids = [row["id"] for row in rows]
    goals = _goals({row["assignment_id"] for row in rows})
    if names is None:
        students = {row["student_id"] for row in rows}
        names = dict(User.objects.filter(pk__any=students).values_list("pk", "display_name"))
    given = Mark.objects.filter(attempt__id__any=ids).values_list("attempt_id", *MARK)
    marks = {pk: told for pk, *told in given}
    figures = {
        told[0]: dict(zip(FIGURES, told, strict=True))
        for told in Figures.objects.filter(attempt__id__any=ids).values_list(*FIGURES)
    }
    return [
        Brief(
            row["id"],
            row["number"],
            row["state"],
            row["version"],
            row["student_id"],
            row["created_at"],
            row["updated_at"],
            row["measuring"],
            names[row["student_id"]],
            goals[row["assignment_id"]],
            figures.get(row["id"]),
            *marks.get(row["id"], (None,) * len(MARK)),
        )
        for row in rows
    ]


def brief_of(attempt: Attempt) -> Brief:
    """The brief of one attempt that is loaded with all its parts (`queries.seen`)."""
    goal, design = attempt.assignment, attempt.assignment.design
    mark, figures = getattr(attempt, "mark", None), getattr(attempt, "figures", None)
    return Brief(
        attempt.pk,
        attempt.number,
        attempt.state,
        attempt.version,
        attempt.student_id,
        attempt.created_at,
        attempt.updated_at,
        any(m.state in UNDER_WAY for photo in attempt.photos.all() for m in photo.measurements.all()),
        attempt.student.display_name,
        Goal(goal.pk, design.title, design.purpose, goal.target_width_mm, goal.finish, goal.good_in_a_row, goal.due_on, design.code),
        {name: getattr(figures, name) for name in FIGURES} if figures else None,
        *((getattr(mark, name) for name in MARK) if mark else (None,) * len(MARK)),
    )  # fmt: skip


def _goals(ids: Iterable[int]) -> dict[int, Goal]:
    own = (
        "id",
        "design__title",
        "design__purpose",
        "target_width_mm",
        "finish",
        "good_in_a_row",
        "due_on",
        "design__code",
    )
    return {told[0]: Goal(*told) for told in Assignment.objects.filter(pk__any=ids).values_list(*own)}
