from pathlib import Path

from django.core.management.base import CommandParser

from judicum.core.errors import InvalidValue, said
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.backup import restore
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-restore")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("--key", default="", help=t("command-key-file"))

    def carry_out(self, file: str, key: str) -> str:
        if not Path(file).is_file():
            raise InvalidValue("backup", file, said("allowed-a-file-that-is-there"))
        if key and not Path(key).is_file():
            raise InvalidValue("key", key, said("allowed-a-file-that-is-there"))
        counts = restore(Path(file), Path(key).read_text() if key else None)
        return t("command-restored", files=counts["files"], at=counts["at"])
