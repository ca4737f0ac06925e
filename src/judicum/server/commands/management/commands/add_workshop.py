from django.core.management.base import CommandParser
from django.db import transaction

from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.saying import SayingCommand
from judicum.server.people.workshops.actions.set_workshop import make_workshop
from judicum.server.upkeep.create_course import create_course


class Command(SayingCommand):
    help = "One more workshop, with its owner and a first course."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("name", help="what it is called")
        parser.add_argument("owner", help="login name of its owner")

    @transaction.atomic
    def said(self, name: str, owner: str) -> str:
        load_library()
        user, password = make_workshop(name, owner)
        course = create_course(user, "My first course")
        message = f"Owner of {name}: name {user.username}, password {password} (shown only now)"
        return f"{message}\nStudents join with the code {course.join_code}."
