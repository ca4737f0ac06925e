"""A command that does one thing and says in a line what came of it."""

import inspect
import sys
from collections.abc import Callable
from typing import Any

from django.core.management.base import BaseCommand

from judicum.core.errors import JudicumError
from judicum.server.exchange.backup import CannotBackUp


class SayingCommand(BaseCommand):
    """Prints what `said` returns; what was refused is one line and exit code 1."""

    requires_system_checks = ()
    said: Callable[..., str]
    """Does it with the command's own arguments, by their names, and says what came of it. Raises JudicumError."""

    def handle(self, *_: Any, **options: Any) -> str:
        try:
            return self.said(**{name: options[name] for name in inspect.signature(self.said).parameters})
        except (JudicumError, CannotBackUp) as error:
            sys.exit(f"judicum: {error}")
