"""One mail a day to whoever wishes one, and the mail with which a forgotten password is reset."""

from datetime import datetime, timedelta

from django.conf import settings
from django.core.cache import cache
from django.db import transaction

from judicum.server.follow.notices.mail import send
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.follow.notices.news import clock_of, news_of
from judicum.server.people.accounts.links import reset_path
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.names import skeleton
from judicum.server.people.courses.locales import locale_of
from judicum.words import notices as words
from judicum.words.catalogue import speaking

HOUR = 7
"""Of the morning, by the clock of the person's course: before anybody sets out."""
BETWEEN_S = 120
"""Between two mails about one forgotten password: nobody's box is filled by others."""


def send_digests(now: datetime) -> int:
    """Write to everybody whose morning has come and for whom something is new; returns to how many.

    Each day of each person is done once: the row says so in the same transaction in which the mail goes out.
    """
    sent = 0
    for key in NotificationPreference.objects.exclude(kinds=[]).values_list("pk", flat=True):
        with transaction.atomic():
            sent += _send_one(key, now)
    return sent


def _send_one(key: int, now: datetime) -> bool:
    rows = NotificationPreference.objects.select_for_update(skip_locked=True, of=("self",)).select_related("user")
    preference = rows.filter(pk=key, user__is_active=True).exclude(user__email="").first()
    if preference is None:
        return False
    clock = clock_of(preference.user)
    here = now.astimezone(clock)
    if here.hour < HOUR or (
        preference.digest_sent_at and preference.digest_sent_at.astimezone(clock).date() >= here.date()
    ):
        return False
    since = preference.digest_sent_at or now - timedelta(days=1)
    preference.digest_sent_at = now
    preference.save(update_fields=["digest_sent_at"])
    with speaking(locale_of(preference.user)):
        news = news_of(preference.user, preference.kinds, since, now)
        if not news:
            return False
        mail = words.digest(preference.user.display_name, here.date(), news, settings.PUBLIC_ADDRESS)
    return send(preference.user, *mail)


def mail_reset(name: str, root: str) -> None:
    """Mail the link for a new password to somebody who is known and has an address; nothing tells whether it was so."""
    user = User.objects.filter(skeleton=skeleton(name), is_active=True).exclude(email="").first()
    if user is not None and cache.add(f"reset-mail-{user.pk}", True, BETWEEN_S):
        with speaking(locale_of(user)):
            mail = words.reset_mail(user.display_name, root + reset_path(user))
        send(user, *mail, private=True)
