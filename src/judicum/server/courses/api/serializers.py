"""Courses over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.choices import SCHOOLS
from judicum.server.accounts.api.serializers import PersonSerializer
from judicum.server.courses.models import Course, Membership, Role


class JoinSerializer(serializers.Serializer[Any]):
    """A course code; name and password too for somebody who has no account yet."""

    code = serializers.CharField(max_length=12)
    username = serializers.CharField(max_length=60, required=False)
    display_name = serializers.CharField(max_length=80, required=False)
    password = serializers.CharField(max_length=200, required=False, trim_whitespace=False)


class SchoolsSerializer(serializers.ModelSerializer[Course]):
    """The schools of a course: how it is taught where practitioners disagree."""

    class Meta:
        model = Course
        fields = SCHOOLS


class FillingSerializer(serializers.Serializer[Any]):
    """How far the attempts of a course are brought in."""

    done = serializers.IntegerField()
    total = serializers.IntegerField()


class CourseSerializer(serializers.ModelSerializer[Course]):
    """A course; the join code only for those who teach it."""

    schools = SchoolsSerializer()

    role = serializers.ChoiceField(Role.choices)
    join_code = serializers.CharField(allow_null=True)
    filling = FillingSerializer(allow_null=True)

    class Meta:
        model = Course
        fields = ("id", "name", "role", "join_code", "schools", "filling")


class MemberSerializer(serializers.ModelSerializer[Membership]):
    user = PersonSerializer()

    class Meta:
        model = Membership
        fields = ("id", "user", "role")
