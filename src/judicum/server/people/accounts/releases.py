"""Which version of Judicum the tables belong to: the last one that brought them up. Another version refuses to work on them."""

import time
from typing import Any

from django.db import DatabaseError, connection

from judicum import __version__
from judicum.server.people.accounts.models import Release

LOOK_S = 5.0
"""s for which what was found is believed: so long an older server goes on after a newer one has taken the tables over."""
_seen: tuple[float, str | None] = (float("-inf"), None)


def record_release(using: str = "default", **_: Any) -> None:
    """After every migration: the tables are this version's now."""
    if _newest(using) != __version__:
        Release.objects.using(using).create(version=__version__)
    forget()


def newest_release() -> str | None:
    """The version that brought the tables up last: "" for tables of before this was written down, None where there are none."""
    tables = connection.introspection.table_names()
    if Release._meta.db_table not in tables:
        return "" if tables else None
    return _newest() or ""


def _newest(using: str = "default") -> str | None:
    return Release.objects.using(using).order_by("-pk").values_list("version", flat=True).first()


def forget() -> None:
    """Look anew at the next question."""
    global _seen
    _seen = (float("-inf"), None)


def other_version() -> str | None:
    """The version that the tables belong to, where it is not this one. None too where they cannot be asked."""
    global _seen
    at, found = _seen
    if time.monotonic() - at > LOOK_S:
        try:
            newest = _newest()
        except DatabaseError:
            return None
        found = newest if newest not in (None, __version__) else None
        _seen = (time.monotonic(), found)
    return found
