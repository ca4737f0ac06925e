"""The worker's task: old photos are released to their strips by night."""

import logging

from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.upkeep.photo_retention import apply_photo_retention

log = logging.getLogger(__name__)


@app.periodic(cron="23 2 * * *")
@app.task(queueing_lock="apply_photo_retention", queue="upkeep")
def release_old_photos(timestamp: int) -> None:
    """Once a night."""
    released = apply_photo_retention(timezone.now())
    if released:
        log.info("released %s photos to their strips", released)
