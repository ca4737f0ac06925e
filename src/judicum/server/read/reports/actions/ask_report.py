"""Asking for a report."""

from datetime import date, datetime

from django.db import transaction
from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.core.errors import InvalidValue, NotAllowed, NotFound, one_of, said
from judicum.core.photo.printing import PAPERS
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import members, membership_of
from judicum.server.people.roles import STAFF, Role
from judicum.server.read.reports.models import Report

TASK = "reports.draw"
QUEUE = "reports"
"""The task is deferred by name: who asks for a report does not load what draws it."""
BEHIND = -5
"""Priority: photos first, somebody stands beside the machine and waits for them."""


@transaction.atomic
def ask_report(
    user: User,
    course_id: int,
    student_id: int | None,
    paper: str,
    since: date | None = None,
    until: date | None = None,
    at: datetime | None = None,
) -> Report:
    """Queue a student report: of one student, or of everybody in one file (`student_id` None).

    Raises:
        InvalidValue: unknown paper, or a period that ends before it begins. NotFound: not in the course.
        NotAllowed: a student asking for another, or for everybody.
    """
    mine = membership_of(user, course_id)
    if mine.role not in STAFF and student_id != user.pk:
        raise NotAllowed(said("refused-a-student-has-a-report-of"))
    if paper not in PAPERS:
        raise InvalidValue("paper", paper, one_of(PAPERS))
    if since and until and until < since:
        raise InvalidValue("until", until.isoformat(), said("allowed-or-later", since=since.isoformat()))
    of = members(course_id, Role.STUDENT)
    if student_id is not None and not of.filter(user_id=student_id).exists():
        raise NotFound(said("refused-there-is-no-student-in-this", student_id=student_id))
    report = Report.objects.create(
        course_id=course_id, student_id=student_id, paper=paper, since=since, until=until, asked_by=user,
        asked_at=at or timezone.now(), total=1 if student_id else of.count(),
    )  # fmt: skip
    app.configure_task(TASK, queue=QUEUE, priority=BEHIND).defer(report_id=report.pk)
    return report
