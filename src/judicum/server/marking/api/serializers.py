"""Marks over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.marking import CRITERIA
from judicum.server.accounts.api.serializers import PersonSerializer
from judicum.server.marking.models import Mark

ScoresSerializer = type(
    "ScoresSerializer",
    (serializers.Serializer,),
    {c.key: serializers.FloatField(allow_null=True) for c in CRITERIA}
    | {"__doc__": "A score 0 to 10 by criterion, null where it does not apply."},
)


class MarkSerializer(serializers.ModelSerializer[Mark]):
    scores = ScoresSerializer()
    marked_by = PersonSerializer()

    class Meta:
        model = Mark
        fields = ("scores", "total", "comment", "next_change", "marked_by", "marked_at", "returned_at")


class SetMarkSerializer(serializers.Serializer[Any]):
    """A mark to be set, with the attempt's version that the marker was looking at."""

    version = serializers.IntegerField()
    scores = serializers.DictField(child=serializers.FloatField(allow_null=True))
    comment = serializers.CharField(allow_blank=True, default="", max_length=100_000)
    next_change = serializers.CharField(allow_blank=True, default="", max_length=100_000)


class ReturnMarkSerializer(serializers.Serializer[Any]):
    version = serializers.IntegerField()


class SuggestionSerializer(serializers.Serializer[Any]):
    """What the figures suggest for one criterion, its weight in percent, and the figures behind it.

    `because` is all of it in words, in the person's units; `counts` of fault kinds, `off` the keys off the card.
    """

    criterion = serializers.CharField()
    words = serializers.CharField()
    weight = serializers.FloatField()
    score = serializers.FloatField(allow_null=True)
    reason = serializers.CharField()
    because = serializers.CharField()
    figures = serializers.DictField(child=serializers.FloatField(allow_null=True))
    counts = serializers.DictField(child=serializers.IntegerField())
    off = serializers.ListField(child=serializers.CharField())
