"""The worker's task: asking wired gauges."""

from datetime import timedelta

from django.utils import timezone
from procrastinate.contrib.django import app

from judicum.server.follow.stock.actions.use_bottle import WIRED_OFF_BAR, save_reading
from judicum.server.follow.stock.gauges import ask_gauge
from judicum.server.follow.stock.models import Bottle, GaugeReading

MIN_CHANGE_BAR = 1.0
"""bar. A smaller change is not written down before a reading is EVERY old: twice the sensor's uncertainty."""
EVERY = timedelta(hours=6)


@app.periodic(cron="* * * * *")
@app.task(queueing_lock="read_gauges", queue="upkeep")
def read_gauges(timestamp: int) -> None:
    """Keep what wired gauges tell, where it has changed."""
    for bottle in Bottle.objects.filter(closed_at=None).exclude(gauge=""):
        reading = ask_gauge(bottle.gauge)
        if reading is None:
            continue
        last = GaugeReading.objects.filter(bottle=bottle).last()
        old = last is None or timezone.now() - last.at >= EVERY
        if last is None or old or abs(last.bar - reading[0]) >= MIN_CHANGE_BAR:
            save_reading(bottle, round(reading[0], 1), reading[1], WIRED_OFF_BAR, GaugeReading.How.WIRED)
