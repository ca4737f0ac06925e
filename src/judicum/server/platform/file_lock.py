"""A lock between those who copy the store's files and those who delete any."""

from collections.abc import Iterator
from contextlib import contextmanager

from django.db import connection

COPYING = 20_014
"""Number of the advisory lock in the database."""


@contextmanager
def files_stay(held_back: bool = False) -> Iterator[None]:
    """While a backup copies (shared) nothing is deleted; who deletes (`held_back`) waits for it."""
    kind = "" if held_back else "_shared"
    with connection.cursor() as cursor:
        cursor.execute(f"SELECT pg_advisory_lock{kind}(%s)", [COPYING])
        try:
            yield
        finally:
            cursor.execute(f"SELECT pg_advisory_unlock{kind}(%s)", [COPYING])
