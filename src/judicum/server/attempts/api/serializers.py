"""Attempts over the wire. Figures are SI with the unit in the name."""

from typing import Any

from drf_spectacular.utils import extend_schema_field
from rest_framework import serializers

from judicum.core.setup import RUN_FIELDS
from judicum.server.accounts.api.serializers import PersonSerializer
from judicum.server.attempts.models import Attempt, Event, Run
from judicum.server.attempts.queries import counting_measurement
from judicum.server.coupons.api.serializers import DesignSerializer
from judicum.server.coupons.models import Assignment
from judicum.server.marking.api.serializers import MarkSerializer
from judicum.server.photos.api.serializers import MeasurementBriefSerializer, PhotoSerializer


class RunSerializer(serializers.ModelSerializer[Run]):
    class Meta:
        model = Run
        fields = tuple(field.key for field in RUN_FIELDS)


class LastRunSerializer(serializers.Serializer[Any]):
    run = RunSerializer(allow_null=True)


class RunFieldSerializer(serializers.Serializer[Any]):
    """One field of the log: its unit and what is possible."""

    key = serializers.CharField()
    quantity = serializers.CharField()
    unit = serializers.CharField()
    low = serializers.FloatField(allow_null=True)
    high = serializers.FloatField(allow_null=True)
    step = serializers.FloatField(allow_null=True)
    choices = serializers.ListField(child=serializers.CharField())
    required = serializers.BooleanField()  # type: ignore[assignment]


class GoalSerializer(serializers.ModelSerializer[Assignment]):
    design = DesignSerializer()

    class Meta:
        model = Assignment
        fields = ("id", "design", "target_width_mm", "finish", "good_in_a_row", "due_on")


class AttemptBriefSerializer(serializers.ModelSerializer[Attempt]):
    """An attempt in a list, with the measurement that counts and the mark if one may see it."""

    student = PersonSerializer()
    assignment = GoalSerializer()
    measurement = serializers.SerializerMethodField()
    mark_total = serializers.SerializerMethodField()

    class Meta:
        model = Attempt
        fields: tuple[str, ...] = (
            "id",
            "number",
            "state",
            "version",
            "student",
            "assignment",
            "created_at",
            "updated_at",
            "measurement",
            "mark_total",
        )

    @extend_schema_field(MeasurementBriefSerializer(allow_null=True))
    def get_measurement(self, attempt: Attempt) -> Any:
        newest = counting_measurement(attempt)
        return MeasurementBriefSerializer(newest).data if newest else None

    def get_mark_total(self, attempt: Attempt) -> float | None:
        mark = getattr(attempt, "mark", None)
        return mark.total if mark and (mark.returned_at or self.context.get("teaches")) else None


class AttemptSerializer(AttemptBriefSerializer):
    """An attempt with all that belongs to it."""

    run = serializers.SerializerMethodField()
    photos = PhotoSerializer(many=True)
    mark = serializers.SerializerMethodField()
    may_mark = serializers.SerializerMethodField()

    class Meta(AttemptBriefSerializer.Meta):
        fields: tuple[str, ...] = (*AttemptBriefSerializer.Meta.fields, "run", "photos", "mark", "may_mark")

    @extend_schema_field(RunSerializer(allow_null=True))
    def get_run(self, attempt: Attempt) -> Any:
        run = getattr(attempt, "run", None)
        return RunSerializer(run).data if run else None

    @extend_schema_field(MarkSerializer(allow_null=True))
    def get_mark(self, attempt: Attempt) -> Any:
        mark = getattr(attempt, "mark", None)
        return MarkSerializer(mark).data if mark and (mark.returned_at or self.context.get("teaches")) else None

    def get_may_mark(self, attempt: Attempt) -> bool:
        return bool(self.context.get("teaches"))


class EventSerializer(serializers.ModelSerializer[Event]):
    actor = PersonSerializer(allow_null=True)

    class Meta:
        model = Event
        fields = ("id", "at", "kind", "actor", "data")
