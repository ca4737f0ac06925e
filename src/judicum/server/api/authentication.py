"""Sessions with CSRF, answering 401 (not 403) to a person who is not signed in."""

from typing import Any

from drf_spectacular.extensions import OpenApiAuthenticationExtension
from rest_framework.authentication import SessionAuthentication
from rest_framework.request import Request


class SessionOnly(SessionAuthentication):
    """Django's session; `WWW-Authenticate` makes the framework answer 401 without one."""

    def authenticate_header(self, request: Request) -> str:
        return "Session"


class SessionOnlyScheme(OpenApiAuthenticationExtension):  # type: ignore[no-untyped-call]
    """How the OpenAPI file describes it; the cookie's real name ends in the web port."""

    target_class = "judicum.server.api.authentication.SessionOnly"
    name = "session"

    def get_security_definition(self, auto_schema: Any) -> dict[str, str]:
        return {"type": "apiKey", "in": "cookie", "name": "judicum_session"}
