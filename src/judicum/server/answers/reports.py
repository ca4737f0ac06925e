"""Student reports."""

from datetime import date, datetime
from typing import Annotated

from judicum.core.photo.printing import PAPERS
from judicum.server.answers.base import Answer, OneOf, Request
from judicum.server.answers.people import Person

Paper = Annotated[str, OneOf(tuple(PAPERS))]


class ReportRequest(Request):
    """A student report to make: of one, or of everybody in one file (`student` null)."""

    student: int | None = None
    paper: Paper
    since: date | None = None
    until: date | None = None


class StudentReport(Answer):
    """A report that was asked for and how far it is; `student` null for everybody's."""

    id: int
    student: Person | None
    paper: str
    period: str
    asked_at: datetime
    state: Annotated[str, OneOf(("waiting", "making", "done", "failed"))]
    done: int
    total: int
