"""The worker's task: the backup of the night."""

import logging
from pathlib import Path

from django.conf import settings
from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.exchange.backup import save_daily

log = logging.getLogger(__name__)


@app.periodic(cron="40 1 * * *")
@app.task(queueing_lock="back_up", queue="upkeep")
def back_up_daily(timestamp: int) -> None:
    """Once a night, where backups are kept at all."""
    if settings.BACKUPS_KEPT > 0:
        made = save_daily(Path(settings.BACKUPS), timezone.now(), settings.BACKUPS_KEPT)
        log.info("backed up", extra=made)
