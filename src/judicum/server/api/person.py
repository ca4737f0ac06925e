"""Who is asking."""

from typing import cast

from rest_framework.request import Request

from judicum.server.accounts.models import User
from judicum.words import METRIC, Units
from judicum.words.units import Flow, Length


def person(request: Request) -> User:
    """The signed-in person; views that use it are closed to everybody else by their permission."""
    user = request.user
    assert isinstance(user, User)
    return user


def units_of(user: object) -> Units:
    """The units somebody thinks in; metric for a stranger."""
    if not isinstance(user, User):
        return METRIC
    return Units(cast(Length, user.length_unit), cast(Flow, user.flow_unit))
