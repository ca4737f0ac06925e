"""The class sheet: who has done what, marks and open coupons; as rows for CSV and for paper."""

from collections import defaultdict
from dataclasses import dataclass

from judicum.core.progress import good_in_a_row
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members, staff_of
from judicum.server.people.roles import Role
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState
from judicum.words.catalogue import t
from judicum.words.progress import figure_words
from judicum.words.tables import as_csv

COLUMNS = ("student", "coupon", "due", "attempts", "best", "last", "in-a-row", "needed", "state")


def headings() -> list[str]:
    """What the columns are called."""
    return [t(f"heading-{key}") for key in COLUMNS]


@dataclass(frozen=True)
class ClassRow:
    """One student at one coupon; marks are those that were returned."""

    student: str
    coupon: str
    due: str
    tries: int
    best: float | None
    last: float | None
    in_a_row: int
    asked: int
    state: str

    def cells(self) -> tuple[str, ...]:
        """As printed: to the page's rounding."""
        marks = ["" if mark is None else figure_words("total", mark) for mark in (self.best, self.last)]
        return (
            self.student,
            self.coupon,
            self.due,
            str(self.tries),
            *marks,
            str(self.in_a_row),
            str(self.asked),
            t(f"class-state-{self.state}"),
        )


def class_rows(user: User, course_id: int) -> list[ClassRow]:
    """Every student at every coupon that was given to them, by name and in the order coupons were given.

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    tries: dict[tuple[int, int], int] = defaultdict(int)
    marks: dict[tuple[int, int], list[tuple[float, bool]]] = defaultdict(list)
    rows = Attempt.objects.filter(course_id=course_id).order_by("number")
    columns = rows.values_list(
        "student_id", "assignment_id", "state", "mark__total", "mark__passed", "mark__returned_at"
    )
    for student, assignment, state, total, passed, returned in columns:
        tries[student, assignment] += state != AttemptState.ASSIGNED
        if returned is not None and total is not None:
            marks[student, assignment].append((total, bool(passed)))
    found = []
    goals = Assignment.objects.filter(course_id=course_id).select_related("design").order_by("created_at", "id")
    for member in members(course_id, Role.STUDENT):
        for goal in goals:
            key = (member.user_id, goal.pk)
            if key not in tries:
                continue
            mine = marks[key]
            row = good_in_a_row([passed for _, passed in mine])
            state = "done" if row >= goal.good_in_a_row else "tried" if tries[key] else "open"
            found.append(
                ClassRow(
                    member.user.display_name, goal.design.title, goal.due_on.isoformat(), tries[key],
                    max((total for total, _ in mine), default=None), mine[-1][0] if mine else None, row, goal.good_in_a_row, state,
                )
            )  # fmt: skip
    return found


def class_csv(rows: list[ClassRow]) -> str:
    """The rows as CSV."""
    return as_csv(headings(), (row.cells() for row in rows))
