"""The application; it follows what attempts take."""

from typing import TYPE_CHECKING

from django.apps import AppConfig

if TYPE_CHECKING:
    from judicum.server.record.attempts.models import Attempt


class StockConfig(AppConfig):
    name = "judicum.server.follow.stock"

    def ready(self) -> None:
        # Models are there only once all applications are.
        from judicum.server.follow.stock.actions.consume_stock import consume_stock
        from judicum.server.record.attempts.signals import consumption_changed

        def follow(attempt: "Attempt", **_: object) -> None:
            consume_stock(attempt)

        consumption_changed.connect(follow, weak=False, dispatch_uid="stock")
