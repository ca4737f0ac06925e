"""`python -m judicum.gauge NAME PORT`: tells the pressure of the bottle that the gauge NAME is put on, until it is ended.

It stands in for a sensor on the bottle: nothing of it is used by the application but what it serves on its port.
"""

import sys
import time

import django
from django.db import Error, close_old_connections
from prometheus_client import CollectorRegistry, Gauge, start_http_server

django.setup()

from django.db.models import Sum  # noqa: E402
from django.utils import timezone  # noqa: E402

from judicum.gauge.bottle import Bottle  # noqa: E402
from judicum.server.stock import models  # noqa: E402
from judicum.server.stock.gauges import PRESSURE, TEMPERATURE  # noqa: E402

EVERY_S = 5.0


def told(name: str) -> tuple[float, float] | None:
    """Pressure (bar) and temperature (°C) of the bottle with this gauge; None while there is none."""
    row = models.Bottle.objects.filter(gauge=name, closed_at=None).first()
    if row is None:
        return None
    beside = models.Bottle.objects.filter(course=row.course_id, closed_at=None).count()
    used = models.Use.objects.filter(course=row.course_id, at__gt=row.opened_at).aggregate(sum=Sum("gas_l"))["sum"]
    bottle, now = Bottle(row.size_l, row.opened_at), timezone.now()
    return bottle.pressure_bar((used or 0.0) / beside, now), bottle.temperature_c(now)


def main() -> None:
    name, port = sys.argv[1], int(sys.argv[2])
    registry = CollectorRegistry()
    pressure = Gauge(PRESSURE, "Pressure on the gauge of a gas bottle", registry=registry)
    warmth = Gauge(TEMPERATURE, "Temperature of the bottle", registry=registry)
    start_http_server(port, "127.0.0.1", registry)
    while True:
        try:
            if (found := told(name)) is not None:
                pressure.set(found[0])
                warmth.set(found[1])
        except Error:  # the database may start again: the gauge goes on with what it showed
            close_old_connections()
        time.sleep(EVERY_S)


if __name__ == "__main__":
    main()
