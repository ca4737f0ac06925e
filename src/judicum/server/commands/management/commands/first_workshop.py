from django.core.management.base import CommandParser
from django.db import transaction

from judicum.server.catalogue.coupons.library import load_library
from judicum.server.commands.management.commands import add_workshop
from judicum.server.commands.saying import SayingCommand
from judicum.server.people.accounts.models import User
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-first_workshop")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("owner", help=t("command-owner"))

    @transaction.atomic
    def carry_out(self, owner: str) -> str:
        if User.objects.exists():
            load_library()
            return t("command-sign-in")
        return add_workshop.Command().carry_out(t("first-workshop"), owner)
