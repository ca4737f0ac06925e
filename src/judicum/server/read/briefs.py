"""Attempts as lists, walls and plots show them: plain rows, read in six small queries however many there are.

What belongs to an attempt is read beside it, not joined: a list names few coupons and people, each many times, and planning
a join of six tables takes the database seven times as long as reading it. No model is made for a row: a page has fifty.
"""

from collections.abc import Iterable, Mapping
from typing import Any

from django.db.models import Exists, OuterRef, QuerySet

from judicum.server.answers.attempts import AttemptBrief, BriefGoal, GoalDesign
from judicum.server.answers.people import Person
from judicum.server.answers.photos import MeasurementSummary
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.accounts.models import User
from judicum.server.read.strips import strip_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.visibility import SHOWN, VisibilityPolicy
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Measurement
from judicum.server.record.photos.models import MeasurementSummary as SummaryRow

MEASURING = Exists(Measurement.objects.filter(photo__attempt=OuterRef("pk"), state__in=UNDER_WAY))
"""Whether a photo of an outer attempt waits to be measured, or is being measured."""
COLUMNS = ("id", "number", "student_id", "assignment_id", "created_at", *SHOWN, *SHOWN.values())
MARK = ("total", "passed", "returned_at", "marked_by_id")
"""What a brief tells of a mark, and what decides who sees it."""
SUMMARY = tuple(f.attname for f in SummaryRow._meta.concrete_fields)
GOAL = ("id", "design__title", "design__purpose", "target_width_mm", "finish", "good_in_a_row", "due_on")


def in_brief(attempts: QuerySet[Attempt]) -> QuerySet[Attempt, dict[str, Any]]:
    """The rows to make briefs of, in the order and number of the query."""
    return attempts.annotate(measuring=MEASURING).values(*COLUMNS, "measuring")


def briefs(
    rows: Iterable[Mapping[str, Any]], policy: VisibilityPolicy, names: Mapping[int, str] | None = None
) -> list[AttemptBrief]:
    """Briefs of rows of `in_brief`, in their order, as the policy's person may see them.

    Args:
        names: of their students, where they are known.
    """
    rows = list(rows)
    ids = [row["id"] for row in rows]
    goals = _goals({row["assignment_id"] for row in rows})
    if names is None:
        students = {row["student_id"] for row in rows}
        names = dict(User.objects.filter(pk__any=students).values_list("pk", "display_name"))
    people = {pk: Person(id=pk, display_name=name) for pk, name in names.items()}
    given = Mark.objects.filter(attempt__id__any=ids).values_list("attempt_id", *MARK)
    marks = {pk: mark for pk, *mark in given}
    figures = {
        values[0]: summary_of(dict(zip(SUMMARY, values, strict=True)))
        for values in SummaryRow.objects.filter(attempt__id__any=ids).values_list(*SUMMARY)
    }
    return [
        brief_of(row, policy, people[row["student_id"]], goals[row["assignment_id"]], figures.get(row["id"]), marks.get(row["id"]))
        for row in rows
    ]  # fmt: skip


def brief_of(
    row: Mapping[str, Any],
    policy: VisibilityPolicy,
    student: Person,
    goal: BriefGoal,
    measurement: MeasurementSummary | None,
    mark: Iterable[Any] | None,
) -> AttemptBrief:
    """The brief of one row; `mark` are the values of MARK."""
    return AttemptBrief(student=student, assignment=goal, measurement=measurement, **facts_of(row, policy, mark))


def facts_of(row: Mapping[str, Any], policy: VisibilityPolicy, mark: Iterable[Any] | None) -> dict[str, Any]:
    """What of an attempt's own columns and its mark a person may see; `row` as `in_brief` gives it."""
    total, passed, returned_at, marker_id = mark or (None,) * len(MARK)
    seen = {name: row[policy.column(name)] for name in SHOWN}
    sees = policy.sees_mark(row["state"], returned_at, marker_id)
    return {
        "id": row["id"],
        "number": row["number"],
        **seen,
        "created_at": row["created_at"],
        "measuring": row["measuring"],
        "mark_total": total if sees else None,
        "passed": passed if sees else None,
        "may": policy.may(seen["state"], row["student_id"], marker_id),
    }


def summary_of(row: Mapping[str, Any]) -> MeasurementSummary:
    """The figures that count, of one row of `MeasurementSummary`."""
    shown = row["has_strip"] and row["length_mm"] is not None
    strip = strip_of(row["measurement_id"], row["strip_query"], row["length_mm"]) if shown else None
    return MeasurementSummary(id=row["measurement_id"], strip=strip, **{name: row[name] for name in SUMMARY_COLUMNS})


SUMMARY_COLUMNS = tuple(name for name in MeasurementSummary.model_fields if name not in ("id", "strip"))


def _goals(ids: Iterable[int]) -> dict[int, BriefGoal]:
    rows = Assignment.objects.filter(pk__any=ids).values_list(*GOAL)
    return {
        pk: BriefGoal(
            id=pk, design=GoalDesign(title=title, purpose=purpose), target_width_mm=width, finish=finish,
            good_in_a_row=in_a_row, due_on=due_on,
        )
        for pk, title, purpose, width, finish, in_a_row, due_on in rows
    }  # fmt: skip
