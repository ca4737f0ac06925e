"""A workshop over the wire, for its owners."""

from typing import Any

from rest_framework import serializers

from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.courses.models import Membership
from judicum.server.people.roles import Role


class WorkshopSerializer(serializers.ModelSerializer[Workshop]):
    """What the workshop is called, asks of those who teach, and keeps of photos (days, null: all)."""

    thin_after_days = serializers.IntegerField(allow_null=True)

    class Meta:
        model = Workshop
        fields = ("name", "second_factor", "thin_after_days")


class SetWorkshopSerializer(serializers.Serializer[Any]):
    name = serializers.CharField(max_length=400)
    second_factor = serializers.BooleanField()
    thin_after_days = serializers.IntegerField(allow_null=True)


class WorkshopCourseSerializer(serializers.Serializer[Any]):
    """A course of the workshop; `role` is one's own in it."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    people = serializers.IntegerField()
    archived_at = serializers.DateTimeField(allow_null=True)
    role = serializers.ChoiceField(Role.choices, allow_null=True)


class InCourseSerializer(serializers.ModelSerializer[Membership]):
    """Somebody's part in a course."""

    course = serializers.CharField(source="course.name")

    class Meta:
        model = Membership
        fields = ("course", "role")


class WorkshopPersonSerializer(serializers.ModelSerializer[User]):
    """Somebody of the workshop; `second_factor` says whether they have one."""

    courses = InCourseSerializer(source="memberships", many=True)
    second_factor = serializers.SerializerMethodField()

    class Meta:
        model = User
        fields = ("id", "username", "display_name", "owns", "is_active", "second_factor", "courses")

    def get_second_factor(self, user: User) -> bool:
        return bool(user.seconds)  # type: ignore[attr-defined]


class MakePersonSerializer(serializers.Serializer[Any]):
    username = serializers.CharField(max_length=60)
    display_name = serializers.CharField(max_length=80)


class SetPersonSerializer(serializers.Serializer[Any]):
    """Whether they own the workshop too, and may sign in."""

    owns = serializers.BooleanField()
    is_active = serializers.BooleanField()
