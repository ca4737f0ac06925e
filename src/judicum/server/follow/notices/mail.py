"""Sending one message to one person."""

import logging

from django.core.mail import EmailMessage

from judicum.server.people.accounts.models import User
from judicum.server.platform.outbox import PRIVATE, WORKSHOP

log = logging.getLogger(__name__)


def send(user: User, subject: str, text: str, private: bool = False) -> bool:
    """Write to somebody who has an address; whether it went out. What is `private` no owner reads in the outbox. A mail server that fails is logged, never raised."""
    if not user.email or not user.is_active:
        return False
    headers = {WORKSHOP: str(user.workshop_id), "Auto-Submitted": "auto-generated"}
    if private:
        headers[PRIVATE] = "yes"
    try:
        EmailMessage(subject, text, to=[user.email], headers=headers).send()
    except OSError:
        log.exception("no mail to person %s", user.pk)
        return False
    return True
