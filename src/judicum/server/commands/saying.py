"""A command that does one thing and says in a line what came of it."""

import inspect
import sys
from collections.abc import Callable
from typing import Any

from django.core.management.base import BaseCommand

from judicum.core.errors import JudicumError
from judicum.server.exchange.backup import CannotBackUp
from judicum.words.problems import problem_sentence


class SayingCommand(BaseCommand):
    """Prints what `carry_out` returns; what was refused is one line and exit code 1."""

    requires_system_checks = ()
    carry_out: Callable[..., str]
    """Does it with the command's own arguments, by their names, and says what came of it. Raises JudicumError."""

    def handle(self, *_: Any, **options: Any) -> str:
        try:
            return self.carry_out(**{name: options[name] for name in inspect.signature(self.carry_out).parameters})
        except JudicumError as error:
            sys.exit(f"judicum: {problem_sentence(error, by_key=True)}")
        except CannotBackUp as error:
            sys.exit(f"judicum: {error}")
