"""The worker's task: thinning old photos by night."""

import logging

from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.upkeep.thin_photos import thin_photos

log = logging.getLogger(__name__)


@app.periodic(cron="23 2 * * *")
@app.task(queueing_lock="thin_photos", queue="upkeep")
def thin(timestamp: int) -> None:
    """Once a night."""
    thinned = thin_photos(timezone.now())
    if thinned:
        log.info("thinned %s photos to their strips", thinned)
