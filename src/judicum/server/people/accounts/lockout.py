"""How long somebody waits after repeated wrong passwords."""

from datetime import timedelta

from django.http import HttpRequest

WAIT = timedelta(seconds=5)
"""Long enough that guessing gets nowhere, short enough that nobody behind the same address is kept out by it."""


def cool_off(request: HttpRequest | None = None) -> timedelta:
    """The pause after the fifth wrong password in a row."""
    return WAIT
