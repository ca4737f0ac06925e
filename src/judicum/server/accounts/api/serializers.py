"""People over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.server.accounts.models import FlowUnit, LengthUnit, User
from judicum.server.courses.models import Membership


class SignInSerializer(serializers.Serializer[Any]):
    username = serializers.CharField(max_length=60)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class ChangePasswordSerializer(serializers.Serializer[Any]):
    old = serializers.CharField(max_length=200, trim_whitespace=False)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class ResetPasswordSerializer(serializers.Serializer[Any]):
    """A new password by the token of a one-time link."""

    person = serializers.IntegerField()
    token = serializers.CharField(max_length=200)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class UnitsSerializer(serializers.Serializer[Any]):
    length_unit = serializers.ChoiceField(LengthUnit.choices, required=False)
    flow_unit = serializers.ChoiceField(FlowUnit.choices, required=False)


class PersonSerializer(serializers.ModelSerializer[User]):
    class Meta:
        model = User
        fields = ("id", "display_name")

    def to_representation(self, user: User) -> dict[str, Any]:
        return {"id": user.pk, "display_name": user.display_name}


class MyCourseSerializer(serializers.ModelSerializer[Membership]):
    id = serializers.IntegerField(source="course.id")
    name = serializers.CharField(source="course.name")

    class Meta:
        model = Membership
        fields = ("id", "name", "role")


class SessionSerializer(serializers.ModelSerializer[User]):
    """Who is signed in, in which units they think, and their courses."""

    courses = MyCourseSerializer(source="memberships", many=True)

    class Meta:
        model = User
        fields = ("id", "username", "display_name", "length_unit", "flow_unit", "courses")
