from django.core.management.base import CommandParser
from django.db import transaction

from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.management.commands import add_workshop
from judicum.server.commands.saying import SayingCommand
from judicum.server.people.accounts.models import User


class Command(SayingCommand):
    help = "The first workshop of an empty installation, with its owner and a course; nothing where there is one."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("owner", help="login name of its owner")

    @transaction.atomic
    def said(self, owner: str) -> str:
        if User.objects.exists():
            load_library()
            return "Sign in with your own name."
        return add_workshop.Command().said("My workshop", owner)
