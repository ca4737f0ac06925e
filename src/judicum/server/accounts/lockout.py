"""How long somebody waits after repeated wrong passwords."""

from datetime import timedelta

from django.http import HttpRequest

WAIT = timedelta(minutes=1)


def cool_off(request: HttpRequest | None = None) -> timedelta:
    """The pause after the fifth wrong password in a row."""
    return WAIT
