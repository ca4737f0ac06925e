import tempfile
from pathlib import Path

from django.core.management.base import CommandParser
from django.utils import timezone

from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.backup import back_up
from judicum.server.exchange.sealed import SUFFIX, recipient, seal
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-backup")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("--all-files", action="store_true")

    def carry_out(self, file: str, all_files: bool) -> str:
        to = recipient()
        if to is None:
            made = back_up(Path(file), timezone.now(), all_files=all_files)
        else:
            file = file if file.endswith(SUFFIX) else file + SUFFIX
            with tempfile.TemporaryDirectory(prefix="judicum-backup-") as folder:
                plain = Path(folder) / "plain.zip"
                made = back_up(plain, timezone.now(), all_files=all_files)
                with plain.open("rb") as source:
                    seal(source, Path(file), to)
        done = t("command-backed-up", file=file, files=made["files"], megabytes=f"{made['bytes'] / 1e6:.1f}")
        return f"{done} {t('command-files-missing', files=len(made['missing']))}" if made["missing"] else done
