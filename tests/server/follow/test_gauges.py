"""Wired gauges: what they tell is kept where it changes; what does not answer, or answers nonsense, breaks nothing."""

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from http.server import BaseHTTPRequestHandler, HTTPServer
from threading import Thread
from typing import Any

import pytest
from django.utils import timezone
from prometheus_client import CollectorRegistry, Gauge, start_http_server

from judicum.core.errors import InvalidValue
from judicum.core.stock.bottle import FULL_BAR, litres
from judicum.gauge.__main__ import Sensor, read_gauge
from judicum.gauge.bottle import Bottle as Simulated
from judicum.server.follow.stock.actions.save_item import move, save_item
from judicum.server.follow.stock.actions.use_bottle import open_bottle, set_bottle
from judicum.server.follow.stock.gauges import PRESSURE, TEMPERATURE, ask_gauge
from judicum.server.follow.stock.models import Bottle, GaugeReading, Use
from judicum.server.follow.stock.tasks import EVERY, read_gauges
from tests.people import Course

pytestmark = pytest.mark.django_db


class Served:
    """A gauge on a port of loopback, as a wired one would stand there."""

    def __init__(self) -> None:
        registry = CollectorRegistry()
        self.pressure = Gauge(PRESSURE, "bar", registry=registry)
        self.warmth = Gauge(TEMPERATURE, "°C", registry=registry)
        self.server, _ = start_http_server(0, "127.0.0.1", registry)
        self.address = f"http://127.0.0.1:{self.server.server_port}/metrics"


@pytest.fixture
def gauge(settings: Any) -> Iterator[Served]:
    served = Served()
    settings.GAUGES = {"shed": served.address, "gone": "http://127.0.0.1:1/metrics"}
    yield served
    served.server.shutdown()
    served.server.server_close()


def bottle(course: Course, name: str = "shed") -> Bottle:
    item = save_item(course.instructor, course.row.pk, None, "gas", {"name": f"Argon {name}", "bottle_l": 20.0})
    move(course.instructor, course.row.pk, item.pk, "counted", 1)
    return set_bottle(course.instructor, open_bottle(course.instructor, course.row.pk, item.pk, name).pk, name)


def test_what_a_gauge_tells_is_kept_where_it_changes(course: Course, gauge: Served) -> None:
    one = bottle(course)
    gauge.pressure.set(151.26)
    gauge.warmth.set(18.5)
    read_gauges(0)
    kept = GaugeReading.objects.get()
    assert (kept.bottle, kept.bar, kept.temperature_c, kept.how) == (one, 151.3, 18.5, "wired")
    gauge.pressure.set(150.9)
    read_gauges(0)
    assert GaugeReading.objects.count() == 1, "half a bar is the sensor's own noise"
    gauge.pressure.set(149.0)
    read_gauges(0)
    assert GaugeReading.objects.count() == 2
    GaugeReading.objects.update(at=timezone.now() - EVERY - timedelta(seconds=1))
    read_gauges(0)
    assert GaugeReading.objects.count() == 3, "now and then it is kept all the same"
    Bottle.objects.update(closed_at=timezone.now())
    gauge.pressure.set(20.0)
    read_gauges(0)
    assert GaugeReading.objects.count() == 3, "a closed bottle is asked no more"


def test_a_gauge_that_does_not_answer_holds_nobody_up(course: Course, gauge: Served) -> None:
    bottle(course, "gone")
    bottle(course, "shed")
    gauge.pressure.set(99)
    read_gauges(0)
    assert [one.bottle.name for one in GaugeReading.objects.all()] == ["shed"]


@pytest.mark.parametrize(
    "answer", [b"", b"<html>not a gauge</html>", b"\xff\xfe", b"gas_bottle_pressure_bar nonsense\n"]
)
def test_nonsense_is_no_reading(answer: bytes, settings: Any) -> None:
    class Nonsense(BaseHTTPRequestHandler):
        def do_GET(self) -> None:
            self.send_response(200)
            self.end_headers()
            self.wfile.write(answer)

        def log_message(self, *args: object) -> None:
            pass

    server = HTTPServer(("127.0.0.1", 0), Nonsense)
    Thread(target=server.handle_request).start()
    settings.GAUGES = {"shed": f"http://127.0.0.1:{server.server_port}/"}
    assert ask_gauge("shed") is None
    server.server_close()


def test_only_gauges_that_are_wired_up_can_be_put_on(course: Course, gauge: Served) -> None:
    one = bottle(course)
    with pytest.raises(InvalidValue, match="gauge"):
        set_bottle(course.instructor, one.pk, "http://169.254.1.1/")
    assert set_bottle(course.instructor, one.pk, "").gauge == ""


def test_the_simulated_bottle_falls_with_what_is_logged_and_breathes_with_the_day(course: Course) -> None:
    begun = datetime(2026, 3, 3, 4, tzinfo=UTC)
    full = Simulated(20, begun)
    cold, warm = full.pressure_bar(0, begun), full.pressure_bar(0, begun + timedelta(hours=12))
    assert FULL_BAR - 12 < cold < warm < FULL_BAR + 8
    half = full.pressure_bar(litres(20, FULL_BAR) / 2.2, begun)
    assert half == pytest.approx(cold / 2, rel=0.06)
    assert full.pressure_bar(1e6, begun) >= 0


def test_the_simulated_gauge_knows_its_bottle_by_its_name(course: Course, gauge: Served) -> None:
    assert read_gauge("shed") is None
    assert list(Sensor(lambda: read_gauge("shed")).collect()) == [], "on no bottle it tells nothing, not nought"
    one = bottle(course)
    before = read_gauge("shed")
    assert [family.name for family in Sensor(lambda: read_gauge("shed")).collect()] == [PRESSURE, TEMPERATURE]
    Use.objects.create(
        attempt=course.attempt,
        course=course.row,
        at=timezone.now() + timedelta(seconds=5),
        gas_l=500,
        wire_m=0,
        blanks=1,
    )
    after = read_gauge("shed")
    assert before is not None
    assert after is not None
    assert before[0] - after[0] == pytest.approx(1.1 * 500 / 20, rel=0.15)
    assert one.gauge == "shed"
