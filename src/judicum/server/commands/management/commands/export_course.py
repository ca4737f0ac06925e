from pathlib import Path

from django.core.management.base import CommandParser

from judicum.core.errors import InvalidValue
from judicum.server.commands.management.commands import list_courses
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.archive.write import archive_of, write_whole
from judicum.server.people.courses.models import Course


class Command(SayingCommand):
    help = "Write a course's archive."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("number", help="the course's number (list_courses)")
        parser.add_argument("file")

    def said(self, number: str, file: str) -> str:
        course = Course.objects.filter(pk=int(number) if number.isdigit() else 0).first()
        if course is None:
            raise InvalidValue("course", number, "the number of a course:\n" + list_courses.Command().said())
        target = Path(file)
        write_whole(target, archive_of(course.pk))
        return f"{course.name} is in {target} ({target.stat().st_size / 1e6:.1f} MB)."
