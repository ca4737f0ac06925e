"""Progress over the wire."""

from collections.abc import Mapping
from typing import Any

from rest_framework import serializers

from judicum.core.photo.fault_kinds import FAULT_KINDS
from judicum.core.progress import Forecast, ToGo
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.http.serializers.attempts import AttemptBriefSerializer, BriefGoalSerializer
from judicum.server.read.progress.story import RUNGS
from judicum.server.read.progress.week import Share, Week
from judicum.words.causes import CAUSES_TOLD
from judicum.words.progress import FIGURES_TOLD, RUNGS_TOLD, became_words, figure_words, share_words


class NextFigureSerializer(serializers.Serializer[Any]):
    low = serializers.FloatField()
    mid = serializers.FloatField()
    high = serializers.FloatField()


class FigureOverTimeSerializer(serializers.Serializer[Any]):
    """One figure at each attempt, what is good (null for the mark), and where the next ones are likely to lie."""

    key = serializers.CharField()
    words = serializers.CharField()
    good = serializers.FloatField(allow_null=True)
    values = serializers.ListField(child=serializers.FloatField(allow_null=True))
    told = serializers.ListField(child=serializers.CharField(allow_null=True))
    cone = NextFigureSerializer(many=True)


class SeriesSerializer(serializers.Serializer[Any]):
    """Attempts at one coupon, oldest first; trends are changes per attempt."""

    assignment = BriefGoalSerializer()
    attempts = AttemptBriefSerializer(many=True)
    width_cv_trend = serializers.FloatField(allow_null=True)
    pitch_cv_trend = serializers.FloatField(allow_null=True)
    good_in_a_row = serializers.IntegerField()
    figures = FigureOverTimeSerializer(many=True)
    engines = serializers.ListField(child=serializers.CharField())

    def to_representation(self, series: Any) -> dict[str, Any]:
        rows = AttemptBriefSerializer(series["attempts"], many=True, context=self.context).data
        figures = [
            {
                **one,
                "words": FIGURES_TOLD[one["key"]],
                "told": [None if v is None else figure_words(one["key"], v) for v in one["values"]],
                "cone": [vars(step) for step in one["cone"]],
            }
            for one in series["figures"]
        ]
        return {**series, "attempts": rows, "assignment": rows[0]["assignment"], "figures": figures}


class RungStandingSerializer(serializers.Serializer[Any]):
    """One rung of the ladder and where the student stands at it; `assignment` is the newest that was given there."""

    title = serializers.CharField()
    state = serializers.ChoiceField(choices=RUNGS)
    words = serializers.CharField()
    assignment = serializers.IntegerField(allow_null=True)


class ChangeSerializer(serializers.Serializer[Any]):
    """What was asked to change after an attempt, the cause behind it (for those who teach), and what became of it in words."""

    attempt = serializers.IntegerField()
    title = serializers.CharField()
    number = serializers.IntegerField()
    at = serializers.DateTimeField()
    text = serializers.CharField()
    cause = serializers.CharField(allow_null=True)
    became = serializers.CharField(allow_blank=True)


class ProgressSerializer(serializers.Serializer[Any]):
    student = PersonSerializer()
    series = SeriesSerializer(many=True)
    ladder = RungStandingSerializer(many=True)
    changes = ChangeSerializer(many=True)


def told_story(found: dict[str, Any]) -> dict[str, Any]:
    """A story as `ProgressSerializer` describes it."""
    return {
        "student": PersonSerializer(found["student"]).data,
        "series": SeriesSerializer(found["series"], many=True, context={"sight": found["sight"]}).data,
        "ladder": [{**one, "words": RUNGS_TOLD[one["state"]]} for one in found["ladder"]],
        "changes": [
            {
                "attempt": one["attempt"], "title": one["title"], "number": one["number"], "at": one["at"], "text": one["text"],
                "cause": CAUSES_TOLD[one["cause"]] if one["cause"] else None, "became": became_words(one["done"], one["gone"]),
            }
            for one in found["changes"]
        ],
    }  # fmt: skip


class ShareSerializer(serializers.Serializer[Any]):
    """A fault or a cause: in how many beads this week and in the month before."""

    words = serializers.CharField()
    now = serializers.IntegerField()
    now_of = serializers.IntegerField()
    before = serializers.IntegerField()
    before_of = serializers.IntegerField()
    said = serializers.CharField()


class StandsAtSerializer(serializers.Serializer[Any]):
    student = PersonSerializer()
    value = serializers.FloatField()


class SpreadSerializer(serializers.Serializer[Any]):
    """Where everybody stands with a figure, best first; a share of which less is better, good up to `good`."""

    key = serializers.CharField()
    words = serializers.CharField()
    good = serializers.FloatField()
    places = StandsAtSerializer(many=True)


class StandingSerializer(serializers.Serializer[Any]):
    student = PersonSerializer()
    last_worked_at = serializers.DateTimeField(allow_null=True)
    overdue = serializers.IntegerField()
    stuck = serializers.BooleanField()


class WeekSerializer(serializers.Serializer[Any]):
    """What the class gets wrong in the last week of welding, beside the month before it."""

    since = serializers.DateTimeField()
    until = serializers.DateTimeField()
    faults = ShareSerializer(many=True)
    causes = ShareSerializer(many=True)
    resting = StandingSerializer(many=True)
    figures = SpreadSerializer(many=True)


def told_week(found: Week) -> dict[str, Any]:
    """A week as `WeekSerializer` describes it."""

    def shares(rows: list[Share], words: Mapping[str, str]) -> list[dict[str, Any]]:
        return [
            {
                "words": words[one.key], "now": one.now, "now_of": one.now_of, "before": one.before, "before_of": one.before_of,
                "said": share_words(one.now, one.now_of, one.before, one.before_of),
            }
            for one in rows
        ]  # fmt: skip

    return {
        "since": found.since,
        "until": found.until,
        "faults": shares(found.faults, {key: kind.words for key, kind in FAULT_KINDS.items()}),
        "causes": shares(found.causes, CAUSES_TOLD),
        "resting": [{**one, "student": PersonSerializer(one["student"]).data} for one in found.resting],
        "figures": [
            {
                "key": key, "words": FIGURES_TOLD[key], "good": good,
                "places": [{"student": PersonSerializer(one.student).data, "value": one.value} for one in places],
            }
            for key, (good, places) in found.figures.items()
        ],
    }  # fmt: skip


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
    best = serializers.FloatField()
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
        "to_go": vars(found.to_go) if isinstance(found.to_go, ToGo) else None,
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
