"""The guide for newcomers: what somebody has ticked of it, or that they want to see it no more."""

from django.db import transaction

from judicum.core.errors import InvalidValue, one_of
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import membership_of

TICKED = ("card", "over")
"""Nothing in the course shows that a card was printed; `over` dismisses the guide for good."""


@transaction.atomic
def set_guide(user: User, course_id: int, tick: str) -> Membership:
    """Tick one of TICKED. Raises InvalidValue, NotFound: not a course one takes part in."""
    if tick not in TICKED:
        raise InvalidValue("tick", tick, one_of(TICKED))
    mine = Membership.objects.select_for_update().get(pk=membership_of(user, course_id).pk)
    if tick not in mine.guide:
        mine.guide = [*mine.guide, tick]
        mine.save(update_fields=["guide"])
    return mine
