from django.core.management.base import CommandParser

from judicum.server.commands.saying import SayingCommand
from judicum.server.people.workshops.queries import workshop_named
from judicum.server.record.photos.engines import weights_folder
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-weights_folder")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("workshop", help=t("command-workshop-name"))

    def carry_out(self, workshop: str) -> str:
        return str(weights_folder(workshop_named(workshop).pk))
