"""Wired data loggers: boxes on a machine's cable that give the log of the last weld as CSV over HTTP (docs/devices.md)."""

import io
from urllib.request import urlopen

from django.conf import settings

from judicum.core.datalog import MAX_BYTES, DataLog, read_data_log
from judicum.core.errors import Busy, InvalidValue, one_of, said

WAIT_S = 10.0
"""For a box on the same cable; a log of minutes is sent in less."""


def known_loggers() -> dict[str, str]:
    """Address of each wired logger by its name, as whoever runs the server named them (JUDICUM_LOGGERS)."""
    found: dict[str, str] = settings.LOGGERS
    return found


def last_weld(name: str) -> DataLog:
    """The last weld that a logger wrote down, read as it comes.

    Raises:
        InvalidValue: no logger of that name, or what it sends is no log. Busy: it does not answer, or has seen no weld yet.
    """
    if name not in known_loggers():
        raise InvalidValue("logger", name, one_of(known_loggers()))
    try:
        with urlopen(
            f"{known_loggers()[name]}/last", timeout=WAIT_S
        ) as answer:  # an address the server's owner wrote down
            body = io.BytesIO(answer.read(MAX_BYTES))
    except OSError as error:
        raise Busy(said("refused-logger-silent", name=name)) from error
    return read_data_log(io.TextIOWrapper(body, "utf-8", errors="replace"))
