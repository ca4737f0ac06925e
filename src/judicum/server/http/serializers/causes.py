"""Symptoms and causes over the wire, in the person's units."""

from typing import Any

from rest_framework import serializers

from judicum.server.record.causes.actions.judge_cause import VERDICTS
from judicum.server.record.causes.queries import Asked
from judicum.words.causes import TRACKS


class PlaceSerializer(serializers.Serializer[Any]):
    """Something in words, with the track it shows on and from where to where along the bead, mm; null where it has no place."""

    words = serializers.CharField()
    track = serializers.ChoiceField(choices=tuple(TRACKS), allow_null=True)
    from_mm = serializers.FloatField(allow_null=True)
    to_mm = serializers.FloatField(allow_null=True)


class SymptomSerializer(PlaceSerializer):
    code = serializers.CharField()
    strength = serializers.FloatField()


class EvidenceSerializer(PlaceSerializer):
    what = serializers.CharField()


class CauseSerializer(serializers.Serializer[Any]):
    """One cause: its share of all odds, what speaks for and against it, what to change, and what was made of it before."""

    code = serializers.CharField()
    words = serializers.CharField()
    share = serializers.FloatField()
    speaks_for = EvidenceSerializer(many=True)
    against = EvidenceSerializer(many=True)
    advice = serializers.CharField()
    history = serializers.CharField(allow_blank=True)
    verdict = serializers.ChoiceField(choices=VERDICTS, allow_null=True)


class AskedSerializer(serializers.Serializer[Any]):
    """What was asked to change at the attempt before; `followed` is what became of it, null where that cannot be told."""

    attempt = serializers.IntegerField()
    number = serializers.IntegerField()
    text = serializers.CharField()
    followed = serializers.CharField(allow_null=True)
    done = serializers.CharField(allow_null=True)
    gone = serializers.CharField(allow_null=True)


class ExplanationSerializer(serializers.Serializer[Any]):
    """`sound` is null where nothing could be seen either way."""

    symptoms = SymptomSerializer(many=True)
    causes = CauseSerializer(many=True)
    sound = serializers.BooleanField(allow_null=True)
    asked = AskedSerializer(allow_null=True)


class JudgeSerializer(serializers.Serializer[Any]):
    """`taken`, `set_aside`, or null for neither."""

    verdict = serializers.ChoiceField(choices=VERDICTS, allow_null=True)


def told_asked(asked: Asked | None) -> dict[str, object] | None:
    """What was asked to change, without what became of it."""
    if asked is None:
        return None
    nothing = dict.fromkeys(("followed", "done", "gone"))
    return {"attempt": asked.attempt_id, "number": asked.number, "text": asked.text, **nothing}
