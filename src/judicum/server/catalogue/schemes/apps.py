"""The app of marking schemes: those that ship are there wherever the tables are."""

from typing import Any

from django.apps import AppConfig
from django.db.models.signals import post_migrate


class SchemesConfig(AppConfig):
    name = "judicum.server.catalogue.schemes"

    def ready(self) -> None:
        post_migrate.connect(_load, sender=self, dispatch_uid="shipped-schemes")


def _load(**_: Any) -> None:
    from judicum.server.catalogue.schemes.library import load_schemes

    load_schemes()
