"""The worker's tasks by night: old photos are released to their strips, and pictures of before are cleaned."""

import logging

from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.upkeep.clean_pictures import clean_pictures
from judicum.server.upkeep.photo_retention import apply_photo_retention

log = logging.getLogger(__name__)


@app.periodic(cron="23 2 * * *")
@app.task(queueing_lock="apply_photo_retention", queue="upkeep")
def release_old_photos(timestamp: int) -> None:
    """Once a night."""
    released = apply_photo_retention(timezone.now())
    if released:
        log.info("released %s photos to their strips", released)


@app.periodic(cron="11 3 * * *")
@app.task(queueing_lock="clean_pictures", queue="upkeep")
def clean_pictures_of_before(timestamp: int) -> None:
    """Once a night, until all are."""
    if looked := clean_pictures():
        log.info("looked at %s pictures of before", looked)
