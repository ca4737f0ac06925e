"""The units somebody thinks in."""

from typing import cast

from judicum.server.people.accounts.models import User
from judicum.words import METRIC, Units
from judicum.words.units import Flow, Length


def units_of(user: object) -> Units:
    """The units somebody thinks in; metric for a stranger."""
    if not isinstance(user, User):
        return METRIC
    return Units(cast(Length, user.length_unit), cast(Flow, user.flow_unit))
