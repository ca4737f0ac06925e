"""The worker's task: the backup of the night."""

import logging
from dataclasses import asdict
from pathlib import Path

from django.conf import settings
from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.exchange.nights import Keep, save_night

log = logging.getLogger(__name__)


@app.periodic(cron="40 1 * * *")
@app.task(queueing_lock="back_up", queue="upkeep")
def back_up_daily(timestamp: int) -> None:
    """Once a night, where backups are kept at all."""
    if settings.BACKUPS_KEPT > 0 and not settings.NIGHT_BY_TIMER:
        keep = Keep(settings.BACKUPS_KEPT, settings.BACKUPS_WEEKS, settings.BACKUPS_MONTHS)
        night = save_night(Path(settings.BACKUPS), timezone.now(), keep)
        if night.sound:
            log.info("backed up", extra=asdict(night))
        else:
            log.error("the backup of the night is not sound", extra=asdict(night))
