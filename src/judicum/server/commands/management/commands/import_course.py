import json
from pathlib import Path

from django.core.management.base import CommandParser

from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.archive.actions.import_course import Imported, import_course
from judicum.server.exchange.archive.workshop import import_workshop, is_workshop
from judicum.server.people.workshops.queries import workshop_named
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-import_course")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("workshop", nargs="?", default="")

    def carry_out(self, file: str, workshop: str) -> str:
        load_library()
        if is_workshop(Path(file)):
            return self._workshop(Path(file))
        return self._said(import_course(Path(file), workshop_named(workshop)), f"{file}.aside.jsonl")

    def _workshop(self, file: Path) -> str:
        found = import_workshop(file)
        lines = [self._said(one, f"{file}.{k}.aside.jsonl") for k, one in enumerate(found.courses, 1)]
        return "\n".join([t("command-workshop-imported", workshop=found.workshop.name), *lines])

    @staticmethod
    def _said(found: Imported, aside: str) -> str:
        name = "command-imported" if found.new else "command-imported-before"
        said_of_it = t(name, course=found.course.name, number=str(found.course.pk))
        if not found.aside:
            return said_of_it
        kept = Path(aside)
        kept.write_text("".join(json.dumps(one, ensure_ascii=False) + "\n" for one in found.aside))
        return f"{said_of_it} {t('command-imported-aside', count=len(found.aside), file=str(kept))}"
