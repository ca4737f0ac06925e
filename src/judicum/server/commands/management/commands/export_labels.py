from collections.abc import Iterator

from judicum.server.commands.workshop_file import WorkshopFileCommand
from judicum.server.exchange.labels import labels_of
from judicum.server.people.accounts.models import Workshop
from judicum.words.catalogue import t


class Command(WorkshopFileCommand):
    help = t("command-export_labels")

    def chunks(self, workshop: Workshop) -> Iterator[bytes]:
        return labels_of(workshop)
