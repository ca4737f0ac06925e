"""What no view should have to think of: odd bytes in an address, and answers that are no JSON.

Under /api every answer of 400 and more is a problem in JSON, whoever made it: a refused host, a body over the limit, an
address nobody has, a fault of ours. Answers of the API are private: no cache keeps them.
"""

import logging
from collections.abc import Callable
from urllib.parse import unquote_to_bytes

from django.http import HttpRequest, HttpResponse, JsonResponse

from judicum.server.http.problems import MEDIA_TYPE, problem_body
from judicum.words.catalogue import t

log = logging.getLogger(__name__)
CODES = {400: "bad_request", 404: "not_found", 405: "method_not_allowed", 413: "too_large", 500: "our_fault"}


class ProblemsUnderApi:
    """Stands before everything else: refuses what is no text, and turns what is no JSON into a problem."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if not request.path.startswith("/api/"):
            return self.get_response(request)
        if not is_text(request.META.get("QUERY_STRING", "")) or "\0" in request.path:
            return problem(400, t("problem-address-no-text"))
        try:
            response = self.get_response(request)
        except Exception:
            log.exception("%s %s", request.method, request.path)
            response = problem(500)
        if response.status_code >= 400 and not _is_json(response):
            response = problem(response.status_code)
        response.headers.setdefault("Cache-Control", "no-store")
        return response


def is_text(query: str) -> bool:
    """Whether the percent-coded bytes of a query are UTF-8 without NUL."""
    raw = unquote_to_bytes(query)
    try:
        return "\0" not in raw.decode()
    except UnicodeDecodeError:
        return False


def problem(status: int, detail: str | None = None) -> JsonResponse:
    """Problem details for a status that no view foresaw."""
    code = CODES.get(status, CODES[400] if status < 500 else CODES[500])
    body = problem_body(status, code, detail or t(f"problem-{code}"), [])
    return JsonResponse(body, status=status, content_type=MEDIA_TYPE)


def _is_json(response: HttpResponse) -> bool:
    return "json" in response.headers.get("Content-Type", "")
