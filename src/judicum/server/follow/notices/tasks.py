"""The worker's task: the mail of the day."""

import logging

from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.follow.notices.actions.send_digests import send_digests

log = logging.getLogger(__name__)


@app.periodic(cron="5 * * * *")
@app.task(queueing_lock="send_digests", queue="upkeep")
def digests(timestamp: int) -> None:
    """Every hour, to those whose morning it is."""
    sent = send_digests(timezone.now())
    if sent:
        log.info("mails of the day: %s", sent)
