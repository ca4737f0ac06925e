"""Stands around every request: gives it an id, counts and times it, and logs one line about it."""

import logging
import time
from collections.abc import Callable

from django.http import HttpRequest, HttpResponse
from prometheus_client import Counter, Histogram

from judicum.server.platform import request_id

log = logging.getLogger("judicum.request")
SECONDS = Histogram(
    "judicum_request_seconds",
    "Time the application took for a request",
    ["method", "route"],
    buckets=(0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 30),
)
ANSWERS = Counter("judicum_answers_total", "Answers by status", ["method", "route", "status"])
METHODS = ("GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS")


class Watched:
    """The outermost middleware."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        begun = time.perf_counter()
        with request_id.bound(request.headers.get(request_id.HEADER)) as id_of_request:
            response = self.get_response(request)
            took = time.perf_counter() - begun
            # The pattern, not the address: one series for each, however many courses there are.
            route = getattr(request.resolver_match, "route", "") or "none"
            method = request.method if request.method in METHODS else "other"
            SECONDS.labels(method, route).observe(took)
            ANSWERS.labels(method, route, response.status_code).inc()
            user = getattr(request, "user", None)
            log.info(
                "%s %s %s",
                request.method,
                request.path,
                response.status_code,
                extra={"ms": round(1000 * took, 1), "user": user.pk if user is not None else None},
            )
            response.headers[request_id.HEADER] = id_of_request
            return response
