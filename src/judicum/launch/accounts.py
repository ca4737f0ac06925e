"""Making the first instructor of an empty installation; runs inside the installed program."""

import secrets
import sys

import django

django.setup()

from django.db import transaction  # noqa: E402

from judicum.server.accounts.models import User  # noqa: E402
from judicum.server.coupons.library import load_library  # noqa: E402
from judicum.server.courses.codes import fresh_code  # noqa: E402
from judicum.server.courses.models import Course, Membership, Role  # noqa: E402


@transaction.atomic
def first_instructor(username: str) -> str:
    """Create the first instructor with a course and the coupon library; says what was made."""
    load_library()
    if User.objects.exists():
        return "Sign in with your own name."
    password = secrets.token_urlsafe(9)
    user = User.objects.create_user(username, password, username.capitalize())
    course = Course.objects.create(name="My first course", join_code=fresh_code())
    Membership.objects.create(course=course, user=user, role=Role.INSTRUCTOR)
    return f"First instructor: name {username}, password {password} (shown only now)\nStudents join with the code {course.join_code}."


if __name__ == "__main__":
    print(first_instructor(sys.argv[1] if len(sys.argv) > 1 else "instructor"))
