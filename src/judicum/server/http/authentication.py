"""Sessions with CSRF, answering 401 (not 403) to a person who is not signed in; and tokens for programs."""

from typing import Any

from drf_spectacular.extensions import OpenApiAuthenticationExtension
from knox.auth import TokenAuthentication
from rest_framework.authentication import SessionAuthentication
from rest_framework.exceptions import NotAuthenticated, PermissionDenied
from rest_framework.request import Request

from judicum.server.people.accounts.actions.second_factor import MISSING
from judicum.server.people.accounts.models import Scope

READING = ("GET", "HEAD", "OPTIONS")


class SecondFactorMissing(PermissionDenied):
    """Whoever teaches in this workshop sets up a second factor before anything else."""

    default_code = MISSING


class OutOfScope(PermissionDenied):
    """A token that reads was used to write."""

    default_code = "out_of_scope"


class SessionOnly(SessionAuthentication):
    """Django's session; `WWW-Authenticate` makes the framework answer 401 without one.

    A session that lacks its second factor opens nothing but views that say `without_second`.
    """

    def authenticate(self, request: Request) -> Any:
        found = super().authenticate(request)
        view = (request.parser_context or {}).get("view")
        if found and request._request.session.get(MISSING) and not getattr(view, "without_second", False):
            raise SecondFactorMissing()
        return found

    def authenticate_header(self, request: Request) -> str:
        return "Session"


class SessionOnlyScheme(OpenApiAuthenticationExtension):  # type: ignore[no-untyped-call]
    """How the OpenAPI file describes it; the cookie's real name ends in the web port."""

    target_class = "judicum.server.http.authentication.SessionOnly"
    name = "session"

    def get_security_definition(self, auto_schema: object) -> dict[str, str]:
        return {"type": "apiKey", "in": "cookie", "name": "judicum_session"}


class ByToken(TokenAuthentication):  # type: ignore[misc]
    """`Authorization: Bearer …`, a personal token; one that reads writes nothing."""

    def authenticate(self, request: Request) -> Any:
        found = super().authenticate(request)
        if found and found[1].scope == Scope.READ and request.method not in READING:
            raise OutOfScope()
        return found

    def authenticate_credentials(self, token: bytes) -> Any:
        try:
            return super().authenticate_credentials(token)
        except UnicodeDecodeError:
            raise NotAuthenticated() from None


class ByTokenScheme(OpenApiAuthenticationExtension):  # type: ignore[no-untyped-call]
    """How the OpenAPI file describes it."""

    target_class = "judicum.server.http.authentication.ByToken"
    name = "token"

    def get_security_definition(self, auto_schema: object) -> dict[str, str]:
        return {"type": "http", "scheme": "bearer"}
