"""Whether everything that a server needs is well: each thing looked at, in a code with its figures; `words.doctor` says what to do."""

import shutil
import smtplib
import socket
import ssl
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any, Literal
from urllib.parse import urlsplit
from urllib.request import urlopen

import psutil
from django.conf import settings
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.core.mail import get_connection
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.db.models import Max
from django.utils import timezone
from procrastinate.contrib.django.models import ProcrastinateWorker

from judicum import __version__
from judicum.server.exchange.nights import OFFSITE, last_night
from judicum.server.follow.stock.gauges import ask_gauge, known_gauges
from judicum.server.people.accounts.releases import other_version
from judicum.server.record.attempts.models import Event
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Measurement

State = Literal["good", "look", "bad"]
LITTLE_DISK = 10e9
"""Bytes free: a year's photos of a small school."""
NO_DISK = 2e9
"""Bytes free: a day's."""
LITTLE_MEMORY = 0.4e9
"""Bytes free: what one photo takes while it is measured."""
OLD_BACKUP = timedelta(hours=36)
"""A night was left out."""
ENDS_SOON = timedelta(days=21)
"""A certificate that renews itself is never so near its end."""
LONG_WAIT = timedelta(minutes=15)
"""A photo that waits so long waits for a worker that is not there."""
GONE = timedelta(seconds=60)
"""A worker that was not heard of for so long has ended."""
SLACK = timedelta(minutes=2)
"""By which a clock may be behind what was written already."""
WAIT_S = 4.0
"""s for an answer from elsewhere."""


@dataclass(frozen=True)
class Finding:
    """One thing that was looked at: whether it is well, what was found by its code, and the figures to it."""

    what: str
    state: State
    code: str
    figures: Mapping[str, Any] = field(default_factory=dict)


def examine() -> list[Finding]:
    """Look at everything, one thing after the other; what cannot be looked at is bad."""
    return [_looked(what, look) for what, look in LOOKS.items()]


def _looked(what: str, look: Callable[[], tuple[State, str, Mapping[str, Any]]]) -> Finding:
    try:
        return Finding(what, *look())
    except Exception as error:
        return Finding(what, "bad", "broken", {"why": f"{type(error).__name__}: {error}".splitlines()[0][:200]})


Outcome = tuple[State, str, Mapping[str, Any]]


def _version() -> Outcome:
    other = other_version()
    return ("bad", "other", {"own": __version__, "other": other}) if other else ("good", "own", {"own": __version__})


def _database() -> Outcome:
    with connection.cursor() as cursor:
        cursor.execute("SELECT current_setting('server_version'), pg_database_size(current_database())")
        version, size = cursor.fetchone()
    executor = MigrationExecutor(connection)
    missing = len(executor.migration_plan(executor.loader.graph.leaf_nodes()))
    figures = {"version": version.split()[0], "gigabytes": f"{size / 1e9:.1f}", "missing": missing}
    return ("bad", "behind", figures) if missing else ("good", "up", figures)


def _disk() -> Outcome:
    folder = next(one for one in (Path(settings.VAR), *Path(settings.VAR).parents) if one.exists())
    there = shutil.disk_usage(folder)
    state: State = "bad" if there.free < NO_DISK else "look" if there.free < LITTLE_DISK else "good"
    return (
        state,
        "room" if state == "good" else "little",
        {"free": f"{there.free / 1e9:.1f}", "all": f"{there.total / 1e9:.0f}"},
    )


def _memory() -> Outcome:
    there = psutil.virtual_memory()
    state: State = "look" if there.available < LITTLE_MEMORY else "good"
    figures = {"free": f"{there.available / 1e9:.1f}", "all": f"{there.total / 1e9:.1f}"}
    return state, "room" if state == "good" else "little", figures


def _store() -> Outcome:
    name = "health/written-by-the-doctor"
    default_storage.delete(name)
    default_storage.save(name, ContentFile(b"well"))
    with default_storage.open(name) as file:
        read = file.read()
    default_storage.delete(name)
    return ("good", "writes", {}) if read == b"well" else ("bad", "alters", {})


def _workers() -> Outcome:
    now = timezone.now()
    alive = ProcrastinateWorker.objects.filter(last_heartbeat__gt=now - GONE).count()
    oldest = (
        Measurement.objects.filter(state__in=UNDER_WAY)
        .order_by("requested_at")
        .values_list("requested_at", flat=True)
        .first()
    )
    waits = now - oldest if oldest else timedelta()
    figures = {"workers": alive, "minutes": int(waits.total_seconds() // 60)}
    if not alive:
        return "bad", "none", figures
    return ("look", "behind", figures) if waits > LONG_WAIT else ("good", "work", figures)


def _clock() -> Outcome:
    newest = Event.objects.aggregate(at=Max("at"))["at"]
    with connection.cursor() as cursor:
        cursor.execute("SELECT clock_timestamp()")
        database = cursor.fetchone()[0]
    now = timezone.now()
    if newest and newest > now + SLACK:
        return "bad", "behind", {"minutes": int((newest - now).total_seconds() // 60)}
    if abs(database - now) > SLACK:
        return "bad", "apart", {"minutes": int(abs(database - now).total_seconds() // 60)}
    return "good", "right", {"time": f"{now:%H:%M}"}


def _certificate() -> Outcome:
    address = urlsplit(settings.PUBLIC_ADDRESS)
    if not settings.HTTPS:
        return "look", "none", {}
    host, port = address.hostname or "127.0.0.1", address.port or 443
    # Not whether it is trusted is asked here, but until when it lasts.
    asked = ssl.create_default_context(cafile=settings.AUTHORITY or None)
    with (
        socket.create_connection((host, port), WAIT_S) as plain,
        asked.wrap_socket(plain, server_hostname=host) as secure,
    ):
        peer = secure.getpeercert() or {}
    ends = datetime.fromtimestamp(ssl.cert_time_to_seconds(str(peer["notAfter"])), UTC)
    days = (ends - timezone.now()).days
    soon = ends - timezone.now() < ENDS_SOON
    return ("look" if soon else "good"), ("ends" if soon else "lasts"), {"days": days}


def _address() -> Outcome:
    """Whether the address that phones are given leads here."""
    address = settings.PUBLIC_ADDRESS
    host = urlsplit(address).hostname or ""
    context = ssl.create_default_context(cafile=settings.AUTHORITY) if settings.AUTHORITY else None
    try:
        with urlopen(f"{address}health", timeout=WAIT_S, context=context) as answer:  # our own address
            well = answer.status == 200
    except OSError:
        well = False
    if not well:
        return "bad", "silent", {"address": address}
    local = host in ("127.0.0.1", "localhost", "::1")
    return ("look" if local else "good"), ("alone" if local else "open"), {"address": address}


def _mail() -> Outcome:
    if not settings.MAIL:
        return "look", "none", {}
    server = get_connection(timeout=WAIT_S)
    try:
        server.open()
        server.close()
    except (OSError, smtplib.SMTPException) as error:
        return "bad", "silent", {"why": f"{error}"[:200]}
    return "good", "answers", {"server": settings.EMAIL_HOST}


def _gauges() -> Outcome:
    silent = [name for name in known_gauges() if ask_gauge(name) is None]
    if silent:
        return "look", "silent", {"names": ", ".join(silent)}
    return "good", "answer" if known_gauges() else "none", {"count": len(known_gauges())}


def _backup() -> Outcome:
    if settings.BACKUPS_KEPT <= 0:
        return "look", "off", {}
    night = last_night(Path(settings.BACKUPS))
    if night is None:
        return "look", "none", {}
    at = datetime.fromisoformat(night.at)
    figures = {"at": at, "megabytes": f"{night.bytes / 1e6:.0f}", "seconds": int(night.tried_s or 0), "why": night.failed or ", ".join(night.differs)}  # fmt: skip
    if not night.sound:
        return "bad", "untried" if night.failed else "differs", figures
    return ("look", "old", figures) if timezone.now() - at > OLD_BACKUP else ("good", "tried", figures)


def _offsite() -> Outcome:
    night = last_night(Path(settings.BACKUPS))
    if OFFSITE not in settings.STORAGES:
        return "look", "none", {}
    if night is None or not night.offsite:
        return "look", "waits", {}
    copied = night.offsite == night.at
    return (
        ("good", "copied", {"at": datetime.fromisoformat(night.at)})
        if copied
        else ("bad", "failed", {"why": night.offsite})
    )


LOOKS: dict[str, Callable[[], Outcome]] = {
    "version": _version,
    "database": _database,
    "disk": _disk,
    "memory": _memory,
    "store": _store,
    "workers": _workers,
    "clock": _clock,
    "address": _address,
    "certificate": _certificate,
    "mail": _mail,
    "gauges": _gauges,
    "backup": _backup,
    "offsite": _offsite,
}
"""In the order in which they are told."""
