"""Marking schemes over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.server.catalogue.schemes.models import Scheme


class LineSerializer(serializers.Serializer[Any]):
    """One criterion in a scheme: its weight, and its curve (figure, score) or the scores of its options."""

    criterion = serializers.CharField()
    weight = serializers.FloatField()
    curve = serializers.ListField(child=serializers.ListField(child=serializers.FloatField()))
    options = serializers.DictField(child=serializers.FloatField())


class BodySerializer(serializers.Serializer[Any]):
    """A scheme as the core reads it (judicum.core.marking.read_scheme)."""

    title = serializers.CharField()
    lines = LineSerializer(many=True)
    knock_outs = serializers.ListField(child=serializers.CharField())
    pass_mark = serializers.FloatField()
    time_limit_s = serializers.FloatField(allow_null=True)


class SchemeSerializer(serializers.ModelSerializer[Scheme]):
    """The newest version of one scheme; `used` is how many of the course's marks stand on it."""

    body = BodySerializer()
    used = serializers.IntegerField()
    own = serializers.SerializerMethodField()

    class Meta:
        model = Scheme
        fields = ("code", "version", "body", "used", "own", "created_at")

    def get_own(self, scheme: Scheme) -> bool:
        """Whether the course made it, or it ships."""
        return scheme.course_id is not None


class SaveSchemeSerializer(serializers.Serializer[Any]):
    """A scheme to keep: as a new version of `code`, or as a new one. Its fields are checked by the core."""

    code = serializers.CharField(allow_null=True, default=None, max_length=40)
    scheme = serializers.DictField()
