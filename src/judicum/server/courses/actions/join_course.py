"""Joining a course with its code."""

from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction

from judicum.core.errors import InvalidValue, InvalidValues
from judicum.server.accounts.models import User
from judicum.server.accounts.names import check_name
from judicum.server.courses.codes import meant
from judicum.server.courses.models import Course, Membership, Role


def units_of(course: Course) -> dict[str, str]:
    """The units that a newcomer of the course sees until they switch."""
    return {"length_unit": "thou", "flow_unit": "cfh"} if course.unit_system == "us" else {}


def find_course(code: str) -> Course:
    """The course with this join code, capitals or not.

    Raises:
        InvalidValue: no course has it.
    """
    course = Course.objects.filter(join_code__in=[meant(code), code.strip().upper()]).first()
    if course is None:
        raise InvalidValue("code", code, "the code on your course sheet")
    return course


@transaction.atomic
def join_course(user: User, code: str) -> Membership:
    """Make a person a student of the course; somebody already in it keeps their role."""
    return Membership.objects.get_or_create(course=find_course(code), user=user, defaults={"role": Role.STUDENT})[0]


@transaction.atomic
def register_and_join(code: str, username: str, display_name: str, password: str) -> User:
    """Create a person and make them a student of the course; nothing is created when any part is refused.

    Raises:
        InvalidValue: unknown code, a name that is none, or is taken or looks like one that is. InvalidValues: a password that is too weak.
    """
    course = find_course(code)
    username, display_name = check_name("username", username), check_name("display_name", display_name)
    user = User(username=username, display_name=display_name)
    try:
        validate_password(password, user)
    except ValidationError as error:
        raise InvalidValues([InvalidValue("password", None, message) for message in error.messages]) from error
    try:
        with transaction.atomic():
            user = User.objects.create_user(username, password, display_name, **units_of(course))
    except IntegrityError as error:
        raise InvalidValue(
            "username", username, "a name that nobody has taken yet, nor one that looks like it"
        ) from error
    Membership.objects.create(course=course, user=user, role=Role.STUDENT)
    return user
