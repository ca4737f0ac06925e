from dataclasses import asdict
from pathlib import Path

from django.conf import settings
from django.utils import timezone

from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.nights import Keep, save_night
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-save_night")

    def carry_out(self) -> str:
        keep = Keep(settings.BACKUPS_KEPT, settings.BACKUPS_WEEKS, settings.BACKUPS_MONTHS)
        night = save_night(Path(settings.BACKUPS), timezone.now(), keep)
        return "\n".join(f"{key}: {value}" for key, value in asdict(night).items())
