"""Dropping the reports that name somebody."""

from django.db.models import Q

from judicum.server.people.accounts.models import User
from judicum.server.read.reports.models import Report
from judicum.server.record.photos.files import delete_later


def drop_reports(person: User) -> None:
    """Remove every report about a person, asked for by them, or about everybody of a course they are in."""
    courses = person.memberships.values("course_id")
    rows = Report.objects.filter(Q(student=person) | Q(asked_by=person) | Q(student=None, course_id__in=courses))
    names = [str(row.file.name) for row in rows if row.file]
    rows.delete()
    delete_later(names)
