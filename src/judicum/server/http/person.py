"""Who is asking."""

from rest_framework.request import Request

from judicum.server.people.accounts.models import User


def person(request: Request) -> User:
    """The signed-in person; views that use it are closed to everybody else by their permission."""
    user = request.user
    assert isinstance(user, User)
    return user
