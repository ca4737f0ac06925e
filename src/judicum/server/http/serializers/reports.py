"""Reports over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.photo.printing import PAPERS
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.read.reports.contents import period_words
from judicum.server.read.reports.models import Report


class AskReportSerializer(serializers.Serializer[Any]):
    """A student report to make: of one, or of everybody in one file (`student` null)."""

    student = serializers.IntegerField(allow_null=True, default=None)
    paper = serializers.ChoiceField(choices=tuple(PAPERS))
    since = serializers.DateField(allow_null=True, default=None)
    until = serializers.DateField(allow_null=True, default=None)


class StudentReportSerializer(serializers.ModelSerializer[Report]):
    """A report that was asked for and how far it is; `student` null for everybody's."""

    student = PersonSerializer(allow_null=True)
    period = serializers.SerializerMethodField()

    class Meta:
        model = Report
        fields = ("id", "student", "paper", "period", "asked_at", "state", "done", "total")

    def get_period(self, report: Report) -> str:
        return period_words(report.since, report.until)
