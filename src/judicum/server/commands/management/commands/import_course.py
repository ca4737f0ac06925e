from pathlib import Path

from django.core.management.base import CommandParser

from judicum.core.errors import InvalidValue, one_of, said
from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.archive.actions.import_course import import_course
from judicum.server.people.accounts.models import Workshop
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-import_course")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("workshop", nargs="?", default="")

    def carry_out(self, file: str, workshop: str) -> str:
        load_library()
        rows = Workshop.objects.filter(name=workshop) if workshop else Workshop.objects.all()
        if rows.count() != 1:
            names = list(Workshop.objects.values_list("name", flat=True))
            raise InvalidValue("workshop", workshop or None, one_of(names) if names else said("allowed-workshop-first"))
        course, new = import_course(Path(file), rows.get())
        return t("command-imported" if new else "command-imported-before", course=course.name, number=str(course.pk))
