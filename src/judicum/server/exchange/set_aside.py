"""A copy of the database as it is, to be put back where what is done to it comes to nothing."""

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from django.db import connection

from judicum.server.exchange.backup import connected


def _beside() -> str:
    return f"{connection.settings_dict['NAME']}_before"


@contextmanager
def _admin() -> Iterator[Any]:
    """A connection beside our database, to which nobody of ours is connected."""
    connection.close()
    with connected("postgres") as admin:
        yield admin


@contextmanager
def set_aside() -> Iterator[None]:
    """Copy the database before; the copy goes where all went well, and stays where it did not and was not put back.

    A copy that is there from a run that was cut short is the old state: it is put back first.
    """
    put_back()
    name = connection.settings_dict["NAME"]
    with _admin() as admin:
        admin.execute(f'CREATE DATABASE "{_beside()}" TEMPLATE "{name}"')
    yield
    with _admin() as admin:
        admin.execute(f'DROP DATABASE IF EXISTS "{_beside()}" WITH (FORCE)')


def put_back() -> None:
    """Let the copy take the database's place, where there is one."""
    name = connection.settings_dict["NAME"]
    with _admin() as admin:
        if not admin.execute("SELECT 1 FROM pg_database WHERE datname = %s", [_beside()]).fetchone():
            return
        admin.execute(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')
        admin.execute(f'ALTER DATABASE "{_beside()}" RENAME TO "{name}"')
