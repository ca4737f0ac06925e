"""Rounds of the eye trainer."""

from judicum.core.errors import NotFound, said
from judicum.server.follow.eye.models import EyeRound
from judicum.server.people.accounts.models import User


def round_of(user: User, round_id: int) -> EyeRound:
    """One of somebody's own rounds. Raises NotFound."""
    found = EyeRound.objects.filter(user=user, pk=round_id).first()
    if found is None:
        raise NotFound(said("refused-no-such-round"))
    return found
