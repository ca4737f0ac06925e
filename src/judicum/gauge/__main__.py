"""`python -m judicum.gauge NAME PORT`: tells the pressure of the bottle that the gauge NAME is put on, until it is ended.

It stands in for a sensor on the bottle: nothing of it is used by the application but what it serves on its port.
"""

import sys
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor

import django
from django.db import Error, close_old_connections
from prometheus_client import CollectorRegistry, start_http_server
from prometheus_client.core import GaugeMetricFamily
from prometheus_client.registry import Collector

django.setup()

from django.db.models import Sum  # noqa: E402
from django.utils import timezone  # noqa: E402

from judicum.gauge.bottle import Bottle  # noqa: E402
from judicum.server.follow.stock import models  # noqa: E402
from judicum.server.follow.stock.gauges import PRESSURE, TEMPERATURE  # noqa: E402

DAY_S = 24 * 3600


def read_gauge(name: str) -> tuple[float, float] | None:
    """Pressure (bar) and temperature (°C) of the bottle with this gauge; None while there is none."""
    row = models.Bottle.objects.filter(gauge=name, closed_at=None).first()
    if row is None:
        return None
    beside = models.Bottle.objects.filter(course=row.course_id, closed_at=None).count()
    used = models.Use.objects.filter(course=row.course_id, at__gt=row.opened_at).aggregate(sum=Sum("gas_l"))["sum"]
    bottle, now = Bottle(row.size_l, row.opened_at), timezone.now()
    return bottle.pressure_bar((used or 0.0) / beside, now), bottle.temperature_c(now)


def asked(name: str) -> tuple[float, float] | None:
    """The same, from a thread that lives long; None while the database rests."""
    try:
        close_old_connections()
        return read_gauge(name)
    except Error:
        return None


class Sensor(Collector):
    """What the gauge shows at the moment it is asked; nothing where `ask` gives nothing."""

    def __init__(self, ask: Callable[[], tuple[float, float] | None]) -> None:
        self.ask = ask

    def collect(self) -> Iterator[GaugeMetricFamily]:
        if (found := self.ask()) is not None:
            yield GaugeMetricFamily(PRESSURE, "Pressure on the gauge of a gas bottle", found[0])
            yield GaugeMetricFamily(TEMPERATURE, "Temperature of the bottle", found[1])


def main() -> None:
    registry = CollectorRegistry(auto_describe=False)
    # Every request comes in a thread of its own, and each would open a connection to the database.
    one = ThreadPoolExecutor(1)
    registry.register(Sensor(lambda: one.submit(asked, sys.argv[1]).result()))
    start_http_server(int(sys.argv[2]), "127.0.0.1", registry)
    while True:
        time.sleep(DAY_S)


if __name__ == "__main__":
    main()
