"""Changes that a phone keeps until it has a connection: each is accepted once, with the time it happened."""

from collections.abc import Callable
from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID

from django.db import transaction
from django.utils import timezone

from judicum.core.errors import InvalidValue, said
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import AcceptedChange, Attempt

REMEMBERED = timedelta(days=90)
"""So long a change is known by its id: no phone keeps one unsent through a whole course."""


@dataclass(frozen=True)
class Change:
    """A change as its phone names it: its id, and how long before now it was made (s, by the phone's clock)."""

    id: UUID
    age_s: float

    def happened_at(self, earliest: datetime | None = None) -> datetime:
        """When it was made; a clock that was put back or forth meanwhile leads neither into the future nor before `earliest`."""
        now = timezone.now()
        at = now - timedelta(seconds=min(max(0.0, self.age_s), REMEMBERED.total_seconds()))
        return at if earliest is None else min(now, max(at, earliest))


@transaction.atomic
def accept_once(user: User, change: Change | None, do: Callable[[], Attempt]) -> Attempt:
    """Do a change and remember it by its id, in one transaction; sent again, it gives the attempt of the first time.

    Raises:
        InvalidValue: the id belongs to somebody else's change. Otherwise what `do` raises; nothing is remembered then.
    """
    if change is None:
        return do()
    row, is_new = AcceptedChange.objects.get_or_create(pk=change.id, defaults={"user": user})
    if row.user_id != user.pk:
        raise InvalidValue("Judicum-Change", str(change.id), said("allowed-an-id-of-your-own"))
    if not is_new and row.attempt is not None:
        return row.attempt
    row.attempt = do()
    row.save(update_fields=["attempt"])
    return row.attempt


def forget_changes(now: datetime) -> int:
    """Remove changes that are older than `REMEMBERED`; returns how many."""
    return AcceptedChange.objects.filter(accepted_at__lt=now - REMEMBERED).delete()[0]
