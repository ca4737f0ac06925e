"""Progress over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.progress import Forecast, ToGo
from judicum.server.accounts.api.serializers import PersonSerializer
from judicum.server.attempts.api.serializers import AttemptBriefSerializer, BriefGoalSerializer
from judicum.server.coupons.models import Assignment


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


class ToGoSerializer(serializers.Serializer[Any]):
    low = serializers.IntegerField()
    median = serializers.IntegerField()
    high = serializers.IntegerField()


class ForecastSerializer(serializers.Serializer[Any]):
    """How a record at one coupon goes on (docs/progress.md); `words` say it to the one who asks."""

    assignment = serializers.IntegerField()
    title = serializers.CharField()
    in_a_row = serializers.IntegerField()
    attempts = serializers.IntegerField()
    good_in_a_row = serializers.IntegerField()
    next_pass = serializers.FloatField()
    to_go = ToGoSerializer(allow_null=True)
    trend = serializers.CharField()
    plateau = serializers.BooleanField()
    ready = serializers.BooleanField()
    words = serializers.CharField()


class RungSerializer(serializers.Serializer[Any]):
    id = serializers.IntegerField()
    title = serializers.CharField()


class StandingAtSerializer(serializers.Serializer[Any]):
    """One student at one coupon, for those who teach: whether they may climb or are stuck, and why."""

    student = PersonSerializer()
    forecast = ForecastSerializer()
    stuck = serializers.BooleanField()
    failed_in_a_row = serializers.IntegerField()
    cause = serializers.CharField(allow_null=True)
    next_rung = RungSerializer(allow_null=True)


def told_forecast(assignment: Assignment, found: Forecast, words: str) -> dict[str, Any]:
    """A forecast as `ForecastSerializer` describes it; `to_go` is null where it stands already or is too far."""
    return {
        "assignment": assignment.pk,
        "title": assignment.design.title,
        "in_a_row": assignment.good_in_a_row,
        "attempts": found.attempts,
        "good_in_a_row": found.good_in_a_row,
        "next_pass": found.next_pass,
        "to_go": found.to_go if isinstance(found.to_go, ToGo) else None,
        "trend": found.trend,
        "plateau": found.plateau,
        "ready": found.ready,
        "words": words,
    }


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
