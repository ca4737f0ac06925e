"""Attempts over the wire. Figures are SI with the unit in the name."""

from typing import Any

from drf_spectacular.utils import extend_schema_field
from rest_framework import serializers

from judicum.core.setup import RUN_FIELDS
from judicum.server.accounts.api.serializers import PersonSerializer
from judicum.server.attempts.models import Attempt, Event, Run
from judicum.server.attempts.queries import counting_measurement
from judicum.server.coupons.api.card import CardSerializer, CheckSerializer
from judicum.server.coupons.api.serializers import DesignSerializer
from judicum.server.coupons.models import Assignment
from judicum.server.coupons.setup import checklist_for
from judicum.server.coupons.words import step_words
from judicum.server.marking.api.serializers import MarkSerializer
from judicum.server.photos.api.serializers import MeasurementBriefSerializer, PhotoSerializer


class RunSerializer(serializers.ModelSerializer[Run]):
    class Meta:
        model = Run
        fields: tuple[str, ...] = tuple(field.key for field in RUN_FIELDS)


class NumberedRunSerializer(RunSerializer):
    """A run with its number in the attempt, and the keys of what was read off a photo rather than guessed."""

    measured = serializers.ListField(child=serializers.CharField(), read_only=True)

    class Meta(RunSerializer.Meta):
        fields: tuple[str, ...] = ("number", "measured", *RunSerializer.Meta.fields)


class LastRunsSerializer(serializers.Serializer[Any]):
    """Runs to start from, and whether their attempt passed."""

    passed = serializers.BooleanField()
    runs = RunSerializer(many=True)


class PreparationStepSerializer(serializers.Serializer[Any]):
    step = serializers.CharField()
    words = serializers.CharField()
    done = serializers.BooleanField()


class PrepareSerializer(serializers.Serializer[Any]):
    """The ticked steps of the checklist; those left out are not done."""

    prepared = serializers.ListField(child=serializers.CharField(max_length=30), max_length=40)


class RunCheckSerializer(CheckSerializer):
    number = serializers.IntegerField()


class WorkedFigureSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    count = serializers.IntegerField()
    median = serializers.FloatField()
    low = serializers.FloatField()
    high = serializers.FloatField()


class WorkedSerializer(serializers.Serializer[Any]):
    """Settings of the attempts at this coupon that passed in this course; SI, units as in a run."""

    attempts = serializers.IntegerField()
    figures = WorkedFigureSerializer(many=True)


class CautionSerializer(serializers.Serializer[Any]):
    code = serializers.CharField()
    words = serializers.CharField()


class SetupSerializer(serializers.Serializer[Any]):
    """The card of an attempt's coupon, each logged run beside it, and what worked here."""

    card = CardSerializer()
    checks = RunCheckSerializer(many=True)
    worked = WorkedSerializer()
    cautions = CautionSerializer(many=True)


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

    runs = NumberedRunSerializer(many=True)
    preparation = serializers.SerializerMethodField()
    photos = PhotoSerializer(many=True)
    mark = serializers.SerializerMethodField()
    may_mark = serializers.SerializerMethodField()

    class Meta(AttemptBriefSerializer.Meta):
        fields: tuple[str, ...] = (
            *AttemptBriefSerializer.Meta.fields,
            "runs",
            "preparation",
            "photos",
            "mark",
            "may_mark",
        )

    @extend_schema_field(PreparationStepSerializer(many=True))
    def get_preparation(self, attempt: Attempt) -> Any:
        solvent = attempt.assignment.course.solvent
        return [
            {"step": step, "words": step_words(step, solvent), "done": step in attempt.prepared}
            for step in checklist_for(attempt.assignment)
        ]

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
