"""The marking schemes that ship (judicum.core.marking.SCHEMES), put into the database: a changed one is a new version."""

from django.utils import timezone

from judicum.core.marking import SCHEMES
from judicum.server.catalogue.schemes.models import Scheme


def load_schemes() -> None:
    """Add the shipped schemes that are not there yet, and a version of those that have changed."""
    newest = {row.code: row for row in Scheme.objects.filter(course=None).order_by("code", "-version").distinct("code")}
    for code, scheme in SCHEMES.items():
        there, body = newest.get(code), scheme.as_json()
        if there is None or there.body != body:
            version = there.version + 1 if there else 1
            Scheme.objects.create(code=code, version=version, body=body, created_at=timezone.now())
