"""Whether this server lives, whether it can serve, and figures for those who watch it."""

import os
from collections.abc import Iterator
from typing import Any

from django.core.files.storage import default_storage
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.db.models import Count, Min
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.utils import timezone
from prometheus_client import CONTENT_TYPE_LATEST, REGISTRY, CollectorRegistry, generate_latest, multiprocess
from prometheus_client.core import GaugeMetricFamily
from prometheus_client.registry import Collector

from judicum import __version__
from judicum.server.people.accounts.releases import other_version
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Measurement, Upload

NOWHERE = "health/nothing-lies-here"


def health(request: HttpRequest) -> JsonResponse:
    """The process answers, and says of which version it is; nothing else is asked."""
    return JsonResponse({"status": "alive", "version": __version__})


def ready(request: HttpRequest) -> JsonResponse:
    """200 where database and store answer and the tables are up to date, else 503 that says what is missing."""
    checks = {"database": _try(_database), "tables": _try(_tables), "store": _try(_store), "version": _try(_version)}
    good = all(word == "ok" for word in checks.values())
    return JsonResponse({"status": "ready" if good else "not ready", **checks}, status=200 if good else 503)


def metrics(request: HttpRequest) -> HttpResponse:
    """Figures in the text format that watching services read."""
    registry = REGISTRY
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        # The processes of one web server each count for themselves.
        registry = CollectorRegistry()
        multiprocess.MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
    queue = CollectorRegistry()
    queue.register(_Queue())
    return HttpResponse(generate_latest(registry) + generate_latest(queue), content_type=CONTENT_TYPE_LATEST)


class _Queue(Collector):
    """What waits, as the database knows it: the same whichever host is asked."""

    def collect(self) -> Iterator[Any]:
        waiting = Measurement.objects.filter(state__in=UNDER_WAY).aggregate(n=Count("id"), since=Min("requested_at"))
        age = (timezone.now() - waiting["since"]).total_seconds() if waiting["since"] else 0.0
        yield GaugeMetricFamily("judicum_measurements_waiting", "Photos that wait or are measured", waiting["n"])
        yield GaugeMetricFamily("judicum_oldest_measurement_seconds", "Age of the one that waits longest", age)
        under_way = Upload.objects.filter(photo=None).count()
        yield GaugeMetricFamily("judicum_uploads_under_way", "Photos of which some pieces have arrived", under_way)


def _try(check: Any) -> str:
    try:
        return str(check())
    except Exception as error:
        return type(error).__name__


def _database() -> str:
    with connection.cursor() as cursor:
        cursor.execute("SELECT 1")
    return "ok"


def _tables() -> str:
    executor = MigrationExecutor(connection)
    missing = executor.migration_plan(executor.loader.graph.leaf_nodes())
    return f"{len(missing)} migrations are missing" if missing else "ok"


def _version() -> str:
    other = other_version()
    return f"{__version__}, the tables belong to {other}" if other else "ok"


def _store() -> str:
    default_storage.exists(NOWHERE)
    return "ok"
