from pathlib import Path

from django.core.management.base import CommandParser
from django.utils import timezone

from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.backup import back_up


class Command(SayingCommand):
    help = "Write everything into one file."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")

    def said(self, file: str) -> str:
        made = back_up(Path(file), timezone.now())
        lost = f" {len(made['missing'])} files that rows name were not there." if made["missing"] else ""
        return f"{file}: the database and {made['files']} files, {made['bytes'] / 1e6:.1f} MB.{lost}"
