"""In which locale a request is answered: the account's, else what the browser asks for (RFC 9110, Accept-Language)."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse
from django.utils.cache import patch_vary_headers
from django.utils.translation.trans_real import parse_accept_lang_header

from judicum.server.people.accounts.models import User
from judicum.words.catalogue import LOCALES, PSEUDO, WHOLE, speaking

KNOWN = {one.lower(): one for one in (*LOCALES, PSEUDO)}
"""By the tag as a browser may write it: case does not count (RFC 9110)."""


class Localized:
    """Answers of the API speak to the person who asks; stands behind whatever finds out who that is."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if not request.path.startswith("/api/"):
            return self.get_response(request)
        own = request.user.locale if isinstance(request.user, User) else ""
        with speaking(own or best_locale(request.headers.get("Accept-Language", ""))):
            response = self.get_response(request)
        patch_vary_headers(response, ["Accept-Language"])
        return response


def best_locale(accepted: str) -> str:
    """The locale for what a browser asks for (`Accept-Language`); British where it asks for nothing that is there."""
    return next((KNOWN[tag] for tag, _ in parse_accept_lang_header(accepted) if tag in KNOWN), WHOLE)
