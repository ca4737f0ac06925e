"""Headers every answer carries."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse

POLICY = (
    "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
    "frame-ancestors 'none'; base-uri 'self'; form-action 'self'"
)


class ContentSecurityPolicyMiddleware:
    """Only what the server itself ships may run or load; inline styles are needed by drawn charts."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        response = self.get_response(request)
        response.headers.setdefault("Content-Security-Policy", POLICY)
        return response
