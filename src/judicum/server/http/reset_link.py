"""The one-time address of somebody who may be handed it."""

from rest_framework.request import Request

from judicum.server.answers.people import ResetLink
from judicum.server.people.accounts.links import reset_path
from judicum.server.people.accounts.models import User


def reset_link(user: User, request: Request) -> ResetLink:
    """Where this person sets a new password, once and within a day."""
    return ResetLink(name=user.display_name, address=request.build_absolute_uri(f"/{reset_path(user)}"))
