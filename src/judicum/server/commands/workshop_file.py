"""What commands share that write a file about a whole workshop."""

from collections.abc import Iterator
from pathlib import Path

from django.core.management.base import CommandParser

from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.archive.write import write_whole
from judicum.server.people.accounts.models import Workshop
from judicum.server.people.workshops.queries import workshop_named
from judicum.words.catalogue import t


class WorkshopFileCommand(SayingCommand):
    """Takes the file's name and, where there are several, the workshop's; writes the file whole or not at all."""

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("workshop", nargs="?", default="", help=t("command-which-workshop"))

    def chunks(self, workshop: Workshop) -> Iterator[bytes]:
        """What stands in the file."""
        raise NotImplementedError

    def carry_out(self, file: str, workshop: str) -> str:
        """Raises InvalidValue: no such workshop, or several and none is named."""
        target, found = Path(file), workshop_named(workshop)
        write_whole(target, self.chunks(found))
        return t(
            "command-exported", course=found.name, file=str(target), megabytes=f"{target.stat().st_size / 1e6:.1f}"
        )
