from django.apps import AppConfig
from django.db.models.signals import post_migrate


class AccountsConfig(AppConfig):
    name = "judicum.server.people.accounts"

    def ready(self) -> None:
        from judicum.server.people.accounts.releases import record_release

        post_migrate.connect(record_release, sender=self)
