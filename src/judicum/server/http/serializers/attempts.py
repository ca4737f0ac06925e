"""Attempts over the wire. Figures are SI with the unit in the name."""

from typing import Any

from drf_spectacular.utils import extend_schema_field
from rest_framework import serializers

from judicum.core.choices import Choice
from judicum.core.fields import Spec
from judicum.core.marking import FINDINGS
from judicum.core.setup import RUN
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.coupons.setup import checklist_for
from judicum.server.http.plain import columns
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.http.serializers.card import CardSerializer, CheckSerializer
from judicum.server.http.serializers.causes import AskedSerializer, told_asked
from judicum.server.http.serializers.coupons import DesignSerializer
from judicum.server.http.serializers.marking import MarkSerializer, SecondSerializer, told_second
from judicum.server.http.serializers.photos import FiguresSerializer, PhotoSerializer, told_figures, told_photo
from judicum.server.read.attempts import earlier_measured
from judicum.server.read.briefs import Brief, brief_of
from judicum.server.read.waiting import NEEDS
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.attempts.states import State, Step
from judicum.server.record.attempts.visibility import Sight
from judicum.server.record.causes.queries import asked_before
from judicum.words import METRIC
from judicum.words import setup as words


class RunSerializer(serializers.ModelSerializer[Run]):
    class Meta:
        model = Run
        fields: tuple[str, ...] = RUN.keys


class NumberedRunSerializer(RunSerializer):
    """A run with its number in the attempt, and the keys of what was read off a photo rather than guessed."""

    measured = serializers.ListField(child=serializers.CharField(), read_only=True)

    class Meta(RunSerializer.Meta):
        fields: tuple[str, ...] = ("number", "measured", *RunSerializer.Meta.fields)


def told_run(run: Run) -> dict[str, Any]:
    """A run as `NumberedRunSerializer` describes it: its columns as they are."""
    return columns(run, NumberedRunSerializer)


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


def _finding(spec: Spec) -> serializers.Field[Any, Any, Any, Any]:
    if isinstance(spec, Choice):
        return serializers.ChoiceField(
            [(str(code), words) for code, words in spec.options.items()], required=False, allow_null=True
        )
    return serializers.FloatField(required=False, allow_null=True)


FindingsSerializer = type(
    "FindingsSerializer",
    (serializers.Serializer,),
    {spec.key: _finding(spec) for spec in FINDINGS.specs}
    | {"__doc__": "Findings by hand; limits are the core's (judicum.core.marking.findings)."},
)


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
    real_travel_mm_s = serializers.FloatField(allow_null=True)


class GoalSerializer(serializers.ModelSerializer[Assignment]):
    design = DesignSerializer()

    class Meta:
        model = Assignment
        fields = ("id", "design", "target_width_mm", "finish", "good_in_a_row", "due_on")


def told_goal(goal: Assignment) -> dict[str, Any]:
    """A goal as `GoalSerializer` describes it."""
    return {**columns(goal, GoalSerializer), "design": columns(goal.design, DesignSerializer)}


class BriefDesignSerializer(serializers.ModelSerializer[Design]):
    class Meta:
        model = Design
        fields = ("title", "purpose")


class BriefGoalSerializer(serializers.ModelSerializer[Assignment]):
    """What was to be welded, as a list says it."""

    design = BriefDesignSerializer()

    class Meta:
        model = Assignment
        fields = ("id", "design", "target_width_mm", "finish", "good_in_a_row", "due_on")


class AttemptBriefSerializer(serializers.Serializer[Any]):
    """An attempt in a list, with the figures that count and what else this person may see (`visibility.Sight`)."""

    id = serializers.IntegerField()
    number = serializers.IntegerField()
    state = serializers.ChoiceField(choices=State.choices)
    version = serializers.IntegerField()
    student = PersonSerializer()
    assignment = BriefGoalSerializer()
    created_at = serializers.DateTimeField()
    updated_at = serializers.DateTimeField()
    measurement = FiguresSerializer(allow_null=True)
    measuring = serializers.BooleanField()
    mark_total = serializers.FloatField(allow_null=True)
    passed = serializers.BooleanField(allow_null=True)
    may = serializers.ListField(child=serializers.ChoiceField(choices=Step.choices))

    @property
    def sight(self) -> Sight:
        sight: Sight = self.context["sight"]
        return sight

    def to_representation(self, attempt: Brief) -> dict[str, Any]:
        # A page of a list has fifty of these: plain values, without a field object for each.
        goal, sight = attempt.goal, self.sight
        sees = sight.sees_mark(attempt.state, attempt.returned_at, attempt.marker_id)
        return {
            "id": attempt.id,
            "number": attempt.number,
            "state": sight.state(attempt.state),
            "version": attempt.version,
            "student": {"id": attempt.student_id, "display_name": attempt.student_name},
            "assignment": {
                "id": goal.id,
                "design": {"title": goal.title, "purpose": goal.purpose},
                "target_width_mm": goal.target_width_mm,
                "finish": goal.finish,
                "good_in_a_row": goal.good_in_a_row,
                "due_on": goal.due_on,
            },
            "created_at": attempt.created_at,
            "updated_at": attempt.updated_at,
            "measurement": told_figures(attempt.figures) if attempt.figures else None,
            "measuring": attempt.measuring,
            "mark_total": attempt.mark_total if sees else None,
            "passed": attempt.passed if sees else None,
            "may": sight.may(attempt.state, attempt.student_id, attempt.marker_id),
        }


class EarlierSerializer(serializers.ModelSerializer[Attempt]):
    class Meta:
        model = Attempt
        fields = ("id", "number")


class AttemptSerializer(AttemptBriefSerializer):
    """An attempt with all that belongs to it; `earlier` is the one before it that was measured.

    `answer` is why another photo was asked for or it is to be welded again; `asked` what was asked to change the last time.
    """

    assignment = GoalSerializer()  # type: ignore[assignment]  # a list says less of it
    runs = NumberedRunSerializer(many=True)
    preparation = serializers.SerializerMethodField()
    photos = PhotoSerializer(many=True)
    mark = serializers.SerializerMethodField()
    second = serializers.SerializerMethodField()
    earlier = serializers.SerializerMethodField()
    answer = serializers.CharField()
    asked = serializers.SerializerMethodField()

    def to_representation(self, attempt: Any) -> dict[str, Any]:
        return {
            **super().to_representation(brief_of(attempt)),
            "assignment": told_goal(attempt.assignment),
            "runs": [told_run(run) for run in attempt.runs.all()],
            "preparation": self.get_preparation(attempt),
            "photos": [told_photo(photo) for photo in attempt.photos.all()],
            "mark": self.get_mark(attempt),
            "second": self.get_second(attempt),
            "earlier": self.get_earlier(attempt),
            "answer": attempt.answer,
            "asked": self.get_asked(attempt),
        }

    @extend_schema_field(PreparationStepSerializer(many=True))
    def get_preparation(self, attempt: Attempt) -> Any:
        solvent, units = attempt.assignment.course.solvent, self.context.get("units", METRIC)
        return [
            {"step": step, "words": words.step(step, solvent, units), "done": step in attempt.prepared}
            for step in checklist_for(attempt.assignment)
        ]

    @extend_schema_field(MarkSerializer(allow_null=True))
    def get_mark(self, attempt: Attempt) -> Any:
        mark = getattr(attempt, "mark", None)
        if mark is None or not self.sight.sees_mark(attempt.state, mark.returned_at, mark.marked_by_id):
            return None
        return MarkSerializer(mark).data

    @extend_schema_field(SecondSerializer(allow_null=True))
    def get_second(self, attempt: Attempt) -> Any:
        second = getattr(attempt, "second", None)
        if second is None or not self.sight.teaches:
            return None
        return told_second(second, attempt.mark, self.sight.blind(attempt.state, attempt.mark.marked_by_id))

    @extend_schema_field(EarlierSerializer(allow_null=True))
    def get_earlier(self, attempt: Attempt) -> Any:
        before = earlier_measured(attempt)
        return {"id": before.pk, "number": before.number} if before else None

    @extend_schema_field(AskedSerializer(allow_null=True))
    def get_asked(self, attempt: Attempt) -> Any:
        return told_asked(asked_before(attempt))


class WallRowSerializer(serializers.Serializer[Any]):
    """A student's newest measured attempts, newest first."""

    student = PersonSerializer()
    attempts = AttemptBriefSerializer(many=True)


class WaitingAttemptSerializer(AttemptBriefSerializer):
    need = serializers.ChoiceField(choices=NEEDS)


class WaitingSerializer(serializers.Serializer[Any]):
    """The first of what waits, in order, and how many wait."""

    count = serializers.IntegerField()
    attempts = WaitingAttemptSerializer(many=True)


class NextSerializer(serializers.Serializer[Any]):
    """The attempt that has waited longest, null where none waits."""

    attempt = serializers.IntegerField(allow_null=True)


class EventSerializer(serializers.ModelSerializer[Event]):
    actor = PersonSerializer(allow_null=True)

    class Meta:
        model = Event
        fields = ("id", "at", "kind", "actor", "data")
