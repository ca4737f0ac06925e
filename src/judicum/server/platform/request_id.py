"""The id that follows one thing through all logs: a request, or a photo from the phone to its measurement.

The page sends one with every piece of a photo; the photo keeps it, and the worker that measures it logs under it. A request
without one gets one.
"""

import re
import secrets
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from logging import LogRecord

HEADER = "X-Request-Id"
_WELL_FORMED = re.compile(r"[A-Za-z0-9-]{8,64}")
_current: ContextVar[str] = ContextVar("trail", default="")


def current() -> str:
    """The id under which things are logged now; empty outside any."""
    return _current.get()


@contextmanager
def bound(given: str | None) -> Iterator[str]:
    """Log under an id: the given one where it is well formed, else a new one."""
    request_id = given if given and _WELL_FORMED.fullmatch(given) else secrets.token_hex(16)
    token = _current.set(request_id)
    try:
        yield request_id
    finally:
        _current.reset(token)


def add_to_record(record: LogRecord) -> bool:
    """A logging filter that puts the id on every record."""
    record.request_id = current()
    return True
