from pathlib import Path

from django.core.management.base import CommandParser
from django.utils import timezone

from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.backup import back_up
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-backup")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("--all-files", action="store_true")

    def carry_out(self, file: str, all_files: bool) -> str:
        made = back_up(Path(file), timezone.now(), all_files=all_files)
        done = t("command-backed-up", file=file, files=made["files"], megabytes=f"{made['bytes'] / 1e6:.1f}")
        return f"{done} {t('command-files-missing', files=len(made['missing']))}" if made["missing"] else done
