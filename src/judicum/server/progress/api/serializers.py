"""Progress over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.server.accounts.api.serializers import PersonSerializer
from judicum.server.attempts.api.serializers import AttemptBriefSerializer, BriefGoalSerializer


class SeriesSerializer(serializers.Serializer[Any]):
    """Attempts at one coupon, oldest first; trends are changes per attempt."""

    assignment = BriefGoalSerializer()
    attempts = AttemptBriefSerializer(many=True)
    width_cv_trend = serializers.FloatField(allow_null=True)
    pitch_cv_trend = serializers.FloatField(allow_null=True)
    good_in_a_row = serializers.IntegerField()

    def to_representation(self, series: Any) -> dict[str, Any]:
        rows = AttemptBriefSerializer(series["attempts"], many=True, context=self.context).data
        return {**series, "attempts": rows, "assignment": rows[0]["assignment"]}


class ProgressSerializer(serializers.Serializer[Any]):
    student = PersonSerializer()
    series = SeriesSerializer(many=True)


class StandingSerializer(serializers.Serializer[Any]):
    student = PersonSerializer()
    last_worked_at = serializers.DateTimeField(allow_null=True)
    overdue = serializers.IntegerField()
    stuck = serializers.BooleanField()


class DeskSerializer(serializers.Serializer[Any]):
    to_mark = serializers.IntegerField()
    to_return = serializers.IntegerField()
    measuring = serializers.IntegerField()
    welding = serializers.IntegerField()
    students = StandingSerializer(many=True)


def told_desk(desk: dict[str, Any]) -> dict[str, Any]:
    """The desk as `DeskSerializer` describes it; it is asked for every few seconds, with a row for every student."""
    person = PersonSerializer().to_representation
    return {**desk, "students": [{**row, "student": person(row["student"])} for row in desk["students"]]}
