"""The demo's mail: three people who asked for mail, and this morning's mail to them."""

from collections.abc import Sequence
from datetime import timedelta

from django.utils import timezone

from judicum.demo.scenario import PASSWORD
from judicum.server.follow.notices.actions.save_preference import save_preference
from judicum.server.follow.notices.actions.send_digests import HOUR, send_digests
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.people.accounts.models import User
from judicum.words.notices import KINDS

SINCE = timedelta(days=4)
"""The last mail before: marks of the last session but one came back since."""


def write_mail(people: Sequence[User]) -> None:
    """Once: a fill that went on where another ended finds the addresses there."""
    if any(person.email for person in people):
        return
    for person in people:
        save_preference(person, f"{person.username}@example.org", list(KINDS), PASSWORD)
    now = timezone.now()
    NotificationPreference.objects.filter(user__in=people).update(digest_sent_at=now - SINCE)
    send_digests(now.replace(hour=HOUR + 1))
