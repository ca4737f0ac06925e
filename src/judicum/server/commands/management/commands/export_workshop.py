from collections.abc import Iterator

from judicum.server.commands.workshop_file import WorkshopFileCommand
from judicum.server.exchange.archive.workshop import workshop_archive
from judicum.server.people.accounts.models import Workshop
from judicum.words.catalogue import t


class Command(WorkshopFileCommand):
    help = t("command-export_workshop")

    def chunks(self, workshop: Workshop) -> Iterator[bytes]:
        return workshop_archive(workshop)
