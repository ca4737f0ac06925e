"""Courses over the wire."""

from typing import Any

from rest_framework import serializers
from rest_framework.request import Request

from judicum.core.choices import SCHOOLS
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.people.accounts.links import for_camera, reset_path
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.roles import Role


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


class MoveStudentSerializer(serializers.Serializer[Any]):
    """The course that a student is moved to."""

    to = serializers.IntegerField()


class MakeCourseSerializer(serializers.Serializer[Any]):
    """A new course; `like` is a course of one's own that it takes coupons, schemes, schools and booths from."""

    name = serializers.CharField(max_length=400)
    like = serializers.IntegerField(allow_null=True, default=None)


class SetJoinCodeSerializer(serializers.Serializer[Any]):
    """How many more may join (null: any number, 0: nobody) and until when (null: no end); `renew` ends the old code."""

    renew = serializers.BooleanField(default=False)
    left = serializers.IntegerField(allow_null=True, default=None)
    until = serializers.DateTimeField(allow_null=True, default=None)


class JoinCodeSerializer(serializers.Serializer[Any]):
    code = serializers.CharField()
    left = serializers.IntegerField(allow_null=True)
    until = serializers.DateTimeField(allow_null=True)
    address = serializers.CharField(help_text="Where a newcomer joins, the code filled in.")
    picture = serializers.CharField(help_text="The address for a phone's camera, as a data URI.")


class SetRoleSerializer(serializers.Serializer[Any]):
    role = serializers.CharField(max_length=40)


class ResetLinkSerializer(serializers.Serializer[Any]):
    """The one-time address at which somebody sets a new password, to be handed to them; good for a day."""

    name = serializers.CharField()
    address = serializers.CharField()


def told_reset_link(user: User, request: Request) -> dict[str, str]:
    """The one-time address of somebody who may be handed it."""
    return {"name": user.display_name, "address": request.build_absolute_uri(f"/{reset_path(user)}")}


def told_join_code(course: Course, root: str) -> dict[str, Any]:
    """The join code with its address under `root`, the server's own."""
    address = f"{root}join?code={course.join_code}"
    limits = {"left": course.join_left, "until": course.join_until}
    return {"code": course.join_code, **limits, "address": address, "picture": for_camera(address)}


class MemberSerializer(serializers.ModelSerializer[Membership]):
    user = PersonSerializer()

    class Meta:
        model = Membership
        fields = ("id", "user", "role")
