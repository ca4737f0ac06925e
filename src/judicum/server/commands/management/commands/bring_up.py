import sys
from pathlib import Path

from django.conf import settings
from django.core.management import call_command
from django.utils import timezone

from judicum import __version__
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.backup import back_up
from judicum.server.exchange.check import check_data
from judicum.server.exchange.set_aside import put_back, set_aside
from judicum.server.people.accounts.releases import newest_release
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-bring_up")

    def carry_out(self) -> str:
        before = newest_release()
        if before == __version__:
            call_command("migrate", interactive=False, verbosity=0)
            return t("command-brought-up", version=__version__)
        if before is not None:
            target = Path(settings.BACKUPS) / f"before-{__version__}-{timezone.now():%Y%m%d-%H%M%S}.zip"
            target.parent.mkdir(parents=True, exist_ok=True)
            back_up(target, timezone.now(), all_files=True)
        with set_aside():
            try:
                call_command("migrate", interactive=False, verbosity=0)
                wrong = list(check_data())
            except BaseException:
                put_back()
                raise
            if wrong:
                put_back()
                sys.exit("\n".join(f"{one.kind}: {one.where}" for one in wrong))
        return t("command-brought-up", version=__version__)
