"""People over the wire."""

from typing import Any

from drf_spectacular.utils import extend_schema_field
from rest_framework import serializers

from judicum.server.people.accounts.actions.second_factor import has_second, lacks_second
from judicum.server.people.accounts.models import FlowUnit, LengthUnit, Token, User
from judicum.server.people.courses.models import Membership


class SignInSerializer(serializers.Serializer[Any]):
    username = serializers.CharField(max_length=60)
    password = serializers.CharField(max_length=200, trim_whitespace=False)
    code = serializers.CharField(max_length=40, required=False, allow_blank=True)


class ChangePasswordSerializer(serializers.Serializer[Any]):
    old = serializers.CharField(max_length=200, trim_whitespace=False)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class ResetPasswordSerializer(serializers.Serializer[Any]):
    """A new password by the token of a one-time link."""

    person = serializers.IntegerField()
    token = serializers.CharField(max_length=200)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class PasswordSerializer(serializers.Serializer[Any]):
    """The password one signs in with now, before something that matters."""

    password = serializers.CharField(max_length=200, trim_whitespace=False)


class CodeSerializer(serializers.Serializer[Any]):
    """The six digits that the phone shows."""

    code = serializers.CharField(max_length=40)


class SecondFactorBegunSerializer(serializers.Serializer[Any]):
    """What an app on a phone reads: as address, as a picture for its camera (data URI), and the secret to type."""

    address = serializers.CharField()
    picture = serializers.CharField()
    secret = serializers.CharField()


class RecoveryCodesSerializer(serializers.Serializer[Any]):
    """Each signs in once without the phone; told only now."""

    codes = serializers.ListField(child=serializers.CharField())


class MakeTokenSerializer(serializers.Serializer[Any]):
    name = serializers.CharField(max_length=200)
    scope = serializers.CharField(max_length=20)
    days = serializers.IntegerField()


class TokenSerializer(serializers.ModelSerializer[Token]):
    class Meta:
        model = Token
        fields = ("id", "name", "scope", "created", "expiry")


class MadeTokenSerializer(serializers.Serializer[Any]):
    """The secret of a new token, told only now: `Authorization: Bearer SECRET`."""

    secret = serializers.CharField()
    token = TokenSerializer()


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

    archived = serializers.SerializerMethodField()

    class Meta:
        model = Membership
        fields = ("id", "name", "role", "archived")

    def get_archived(self, mine: Membership) -> bool:
        return mine.course.archived_at is not None


class SessionSerializer(serializers.ModelSerializer[User]):
    """Who is signed in, in which units they think, and their courses."""

    courses = MyCourseSerializer(source="memberships", many=True)
    workshop = serializers.CharField(source="workshop.name")
    second_factor = serializers.SerializerMethodField()

    class Meta:
        model = User
        fields = (
            "id", "username", "display_name", "length_unit", "flow_unit", "email", "workshop", "owns", "second_factor",
            "courses",
        )  # fmt: skip

    @extend_schema_field(serializers.ChoiceField(("on", "off", "missing")))
    def get_second_factor(self, user: User) -> str:
        """Whether it is on, off, or missing: the workshop asks for one."""
        return "on" if has_second(user) else "missing" if lacks_second(user) else "off"
