"""Where somebody sets a password, once and within a day, and how a phone's camera is shown an address."""

import segno
from django.contrib.auth.tokens import default_token_generator

from judicum.server.people.accounts.models import User


def reset_path(user: User) -> str:
    """The page's path, after the server's own address, at which this person sets a new password; it is as good as the
    account, and ends with its use, with the next sign-in, or after a day."""
    return f"reset/{user.pk}/{default_token_generator.make_token(user)}"


def for_camera(address: str) -> str:
    """An address as a picture for a phone's camera: a data URI."""
    return str(segno.make(address, error="m", micro=False).svg_data_uri(scale=4))
