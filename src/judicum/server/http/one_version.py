"""Two versions on one database: the one that the tables do not belong to says so and does nothing."""

import json
from collections.abc import Callable

from django.http import HttpRequest, HttpResponse

from judicum import __version__
from judicum.server.http.problems import MEDIA_TYPE, problem_body
from judicum.server.people.accounts.releases import other_version
from judicum.words.catalogue import t

OPEN = ("/health", "/ready", "/metrics", "/assets/")
STATUS = 503


class OneVersion:
    """Stands before everything that reads or writes tables."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if request.path.startswith(OPEN) or (other := other_version()) is None:
            return self.get_response(request)
        words = t("problem-other-version", own=__version__, other=other)
        if not request.path.startswith("/api/"):
            return HttpResponse(words, status=STATUS, content_type="text/plain; charset=utf-8")
        body = json.dumps(problem_body(STATUS, "other_version", words, []))
        return HttpResponse(body, status=STATUS, content_type=MEDIA_TYPE, headers={"Retry-After": "60"})
