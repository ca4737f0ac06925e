"""How often one address may try a door: slowing down, never locking out."""

from rest_framework.request import Request
from rest_framework.throttling import AnonRateThrottle, SimpleRateThrottle

from judicum.server.people.accounts.models import Token


class DoorThrottle(AnonRateThrottle):
    """Tries of one address at a course code or a password, whoever they are for; somebody who is in is not counted."""

    scope = "door"


class TokenThrottle(SimpleRateThrottle):
    """Calls of one token; people in a browser are not counted."""

    scope = "token"

    def get_cache_key(self, request: Request, view: object) -> str | None:
        if not isinstance(request.auth, Token):
            return None
        return self.cache_format % {"scope": self.scope, "ident": request.auth.pk}
