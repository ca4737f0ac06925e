from django.core.management.base import CommandParser
from django.db import transaction

from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.saying import SayingCommand
from judicum.server.people.workshops.actions.set_workshop import make_workshop
from judicum.server.upkeep.create_course import create_course
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-add_workshop")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("name", help=t("command-workshop-name"))
        parser.add_argument("owner", help=t("command-owner"))

    @transaction.atomic
    def carry_out(self, name: str, owner: str) -> str:
        load_library()
        user, password = make_workshop(name, owner)
        course = create_course(user, t("first-course"))
        return t(
            "command-workshop-made", workshop=name, login=user.username, password=password, join_code=course.join_code
        )
