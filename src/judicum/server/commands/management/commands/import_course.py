from pathlib import Path

from django.core.management.base import CommandParser

from judicum.core.errors import InvalidValue
from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.archive.actions.import_course import import_course
from judicum.server.people.accounts.models import Workshop


class Command(SayingCommand):
    help = "Bring a course's archive into the workshop of that name, or into the only one."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file")
        parser.add_argument("workshop", nargs="?", default="")

    def said(self, file: str, workshop: str) -> str:
        load_library()
        rows = Workshop.objects.filter(name=workshop) if workshop else Workshop.objects.all()
        if rows.count() != 1:
            names = (
                ", ".join(Workshop.objects.values_list("name", flat=True))
                or "none is here yet: ./judicum start makes one"
            )
            raise InvalidValue("workshop", workshop or None, f"one of {names}")
        course, new = import_course(Path(file), rows.get())
        return (
            f"{course.name} is course {course.pk}." if new else f"{course.name} is here already, as course {course.pk}."
        )
