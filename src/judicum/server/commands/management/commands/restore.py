from pathlib import Path

from django.core.management.base import CommandParser

from judicum.core.errors import InvalidValue
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.backup import restore


class Command(SayingCommand):
    help = "Put a backup into an empty database and store."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")

    def said(self, file: str) -> str:
        if not Path(file).is_file():
            raise InvalidValue("backup", file, "a file that is there")
        counts = restore(Path(file))
        return f"Restored: the database and {counts['files']} files of {counts['at']}."
