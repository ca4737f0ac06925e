"""What a sheet is: its columns, what it tells, and what one line of it does."""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from django.db import transaction

from judicum.core.errors import InvalidValue, InvalidValues, JudicumError, said
from judicum.core.sheets import Column, read_sheet
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import instructor_of, staff_of
from judicum.words.names import spreadsheet_names
from judicum.words.problems import problem_sentence
from judicum.words.tables import as_csv

Outcome = Literal["made", "changed", "same", "refused"]
MAX_BYTES = 2_000_000
"""Of one file: a hundred bytes a line."""


@dataclass(frozen=True)
class Done:
    """What a line did, and to what; `hand_over` is the path at which somebody new sets a password."""

    outcome: Outcome
    what: str
    hand_over: str | None = None


@dataclass(frozen=True)
class Sheet:
    """One kind of table of a course.

    `rows` tells it, in the order of `columns`; `put` does what one line says, as the person, by the same actions as the page;
    columns may depend on the course.
    """

    name: str
    columns: Callable[[Course], Sequence[Column]]
    rows: Callable[[Course], Iterable[Sequence[Any]]]
    put: Callable[[User, Course, Mapping[str, Any]], Done]
    instructors: bool = False

    def course(self, user: User, course_id: int) -> Course:
        """The course, for whoever may read and write this sheet. Raises NotFound, NotAllowed."""
        found: Membership = (instructor_of if self.instructors else staff_of)(user, course_id)
        return found.course

    def text(self, user: User, course_id: int) -> str:
        """The table as CSV."""
        course = self.course(user, course_id)
        return as_csv(
            [column.key for column in self.columns(course)],
            ([_cell(value) for value in row] for row in self.rows(course)),
        )


@dataclass(frozen=True)
class LineDone:
    """What came of a line: its number in the file, what was done to what, why it was refused."""

    line: int
    outcome: Outcome
    what: str
    problems: tuple[InvalidValue, ...] = ()
    hand_over: str | None = None


class _Unkept(Exception):
    """Takes back what was done only to see what it would do."""


def put_sheet(user: User, course_id: int, sheet: Sheet, data: bytes, keep: bool) -> tuple[list[LineDone], bool]:
    """Do what every line says: all of it, or with one that is refused nothing. Returns what came of each, and whether it is
    kept. Without `keep` it is done the same way and taken back: what is foreseen is what will be.

    Raises:
        InvalidValues: no table. NotFound, NotAllowed: as for the sheet.
    """
    course = sheet.course(user, course_id)
    if len(data) > MAX_BYTES:
        raise InvalidValue("table", f"{len(data)} bytes", said("allowed-at-most-bytes", most=MAX_BYTES))
    lines = read_sheet(data, sheet.columns(course), spreadsheet_names())
    done: list[LineDone] = []
    try:
        with transaction.atomic():
            for line in lines:
                done.append(_one(user, course, sheet, line.number, line.values, line.problems))
            if not keep or any(one.outcome == "refused" for one in done):
                raise _Unkept()
    except _Unkept:
        return [replace(one, hand_over=None) for one in done], False
    return done, True


def _one(
    user: User,
    course: Course,
    sheet: Sheet,
    number: int,
    values: Mapping[str, object],
    problems: Sequence[InvalidValue],
) -> LineDone:
    if problems:
        return LineDone(number, "refused", "", tuple(problems))
    try:
        with transaction.atomic():
            did = sheet.put(user, course, values)
    except InvalidValues as error:
        return LineDone(number, "refused", "", tuple(error.problems))
    except JudicumError as error:
        return LineDone(number, "refused", problem_sentence(error))
    return LineDone(number, did.outcome, did.what, hand_over=did.hand_over)


def _cell(value: object) -> Any:
    """A value as a spreadsheet takes it."""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, list):
        return " ".join(f"{one:g}" if isinstance(one, float) else str(one) for one in value)
    return value
