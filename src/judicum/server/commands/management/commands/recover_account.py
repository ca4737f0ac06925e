from django.core.management.base import CommandParser
from django.db import transaction

from judicum.core.errors import InvalidValue
from judicum.server.commands.saying import SayingCommand
from judicum.server.people.accounts.actions.second_factor import drop_second
from judicum.server.people.accounts.actions.set_password import sign_out_everywhere
from judicum.server.people.accounts.links import reset_path
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.names import skeleton


class Command(SayingCommand):
    help = "A one-time address at which somebody sets a new password; their second factor is gone."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("login", help="their login name")
        parser.add_argument("address", help="of this server, as they reach it")

    @transaction.atomic
    def said(self, login: str, address: str) -> str:
        user = User.objects.select_for_update().filter(skeleton=skeleton(login), removed_at=None).first()
        if user is None:
            raise InvalidValue("login", login, "the login name of somebody on this server")
        drop_second(user)
        sign_out_everywhere(user)
        user.is_active = True
        user.save(update_fields=["is_active"])
        return f"{user.username} sets a new password, once and within a day, at\n{address}{reset_path(user)}"
