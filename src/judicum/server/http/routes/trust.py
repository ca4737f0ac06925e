"""The workshop's certificate authority, for phones that do not trust this server yet: open to whoever is in the hall."""

import hashlib
import ssl
from pathlib import Path

from django.conf import settings
from django.http import HttpRequest, HttpResponse, HttpResponseNotFound
from drf_spectacular.utils import extend_schema
from rest_framework.permissions import AllowAny
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.errors import NotFound, said
from judicum.server.answers import trust as trust_answers
from judicum.words.catalogue import t

FILE = "/authority.crt"
KIND = "application/x-x509-ca-cert"
"""By which phones offer to install it."""


def fingerprint() -> str | None:
    """SHA-256 of the authority's certificate in groups of four digits; None where this server has none of its own."""
    pem = _pem()
    if pem is None:
        return None
    digest = hashlib.sha256(ssl.PEM_cert_to_DER_cert(pem)).hexdigest().upper()
    return " ".join(digest[k : k + 4] for k in range(0, len(digest), 4))


def _pem() -> str | None:
    file = Path(settings.AUTHORITY)
    return file.read_text() if settings.AUTHORITY and file.is_file() else None


def authority_file(request: HttpRequest) -> HttpResponse:
    """The authority's certificate (DER), to be installed on a phone."""
    pem = _pem()
    if pem is None:
        return HttpResponseNotFound(t("refused-no-authority"), content_type="text/plain")
    headers = {"Content-Disposition": 'attachment; filename="judicum-authority.crt"'}
    return HttpResponse(ssl.PEM_cert_to_DER_cert(pem), content_type=KIND, headers=headers)


class TrustView(APIView):
    """What a phone is to trust, and where it goes on from there."""

    permission_classes = (AllowAny,)
    authentication_classes = ()

    @extend_schema(operation_id="authority_read", responses=trust_answers.WorkshopAuthority)
    def get(self, request: Request) -> Response:
        digits = fingerprint()
        if digits is None:
            raise NotFound(said("refused-no-authority"))
        return Response(
            trust_answers.WorkshopAuthority(
                fingerprint=digits,
                file=FILE,
                address=f"https://{request.get_host()}/",
                secure=request.is_secure(),
            )
        )
