from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.sealed import make_key, recipient, recipient_file
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-backup_key")

    def carry_out(self) -> str:
        before = recipient()
        identity, to = make_key()
        recipient_file().write_text(to + "\n")
        return t("command-backup-key", key=identity, recipient=to) + (
            f"\n{t('command-backup-key-before')}" if before else ""
        )
