from pathlib import Path

from django.core.management.base import CommandParser

from judicum.core.errors import InvalidValue, said
from judicum.server.commands.management.commands import list_courses
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.archive.write import archive_of, write_whole
from judicum.server.people.courses.models import Course
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-export_course")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("number", help=t("command-course-number"))
        parser.add_argument("file")

    def carry_out(self, number: str, file: str) -> str:
        course = Course.objects.filter(pk=int(number) if number.isdigit() else 0).first()
        if course is None:
            raise InvalidValue(
                "course", number, said("allowed-course-number", courses=list_courses.Command().carry_out())
            )
        target = Path(file)
        write_whole(target, archive_of(course.pk))
        size = f"{target.stat().st_size / 1e6:.1f}"
        return t("command-exported", course=course.name, file=str(target), megabytes=size)
