"""Reading reports, for the person who asked for them."""

from django.db.models import QuerySet

from judicum.core.errors import NotFound, said
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import membership_of
from judicum.server.read.reports.models import Report

MAX_LISTED = 20
"""Newest reports that are listed."""


def reports_for(user: User, course_id: int) -> list[Report]:
    """One's own reports of a course, newest first. Raises NotFound."""
    membership_of(user, course_id)
    return list(_own(user).filter(course_id=course_id)[:MAX_LISTED])


def report_for(user: User, report_id: int) -> Report:
    """One's own report, as long as one takes part in its course. Raises NotFound."""
    found = _own(user).filter(pk=report_id).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-report-of-yours", report_id=report_id))
    membership_of(user, found.course_id)
    return found


def _own(user: User) -> QuerySet[Report]:
    return Report.objects.filter(asked_by=user).select_related("student")
