"""Sessions with CSRF, answering 401 (not 403) to a person who is not signed in."""

from drf_spectacular.authentication import SessionScheme
from rest_framework.authentication import SessionAuthentication
from rest_framework.request import Request


class SessionOnly(SessionAuthentication):
    """Django's session; `WWW-Authenticate` makes the framework answer 401 without one."""

    def authenticate_header(self, request: Request) -> str:
        return "Session"


class SessionOnlyScheme(SessionScheme):  # type: ignore[no-untyped-call]
    """How the OpenAPI file describes it."""

    target_class = "judicum.server.api.authentication.SessionOnly"
