"""The worker's tasks: drawing reports, and removing old ones."""

import logging
from datetime import timedelta

from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.read.reports.actions.ask_report import QUEUE, TASK
from judicum.server.read.reports.models import Report, ReportState

log = logging.getLogger(__name__)
KEPT = timedelta(days=7)
"""A report is made anew in a minute; it is not a record."""


@app.task(name=TASK, queue=QUEUE)
def draw_report(report_id: int) -> None:
    """Draw one report; what is over already is left alone."""
    # What draws takes a second to import, and only the worker needs it.
    from judicum.server.read.reports.actions.make_report import make_report

    try:
        make_report(report_id)
    except Exception:
        log.exception("report %s failed", report_id)
        Report.objects.filter(pk=report_id).update(state=ReportState.FAILED)
        raise


@app.periodic(cron="27 * * * *")
@app.task(queueing_lock="clear_reports", queue="upkeep")
def clear_reports(timestamp: int) -> None:
    """Remove reports that were made days ago, and their files."""
    for old in Report.objects.filter(asked_at__lt=timezone.now() - KEPT):
        if old.file:
            old.file.delete(save=False)
        old.delete()
