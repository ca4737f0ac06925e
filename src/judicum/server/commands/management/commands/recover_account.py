from django.core.management.base import CommandParser
from django.db import transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.commands.saying import SayingCommand
from judicum.server.people.accounts.actions.second_factor import drop_second
from judicum.server.people.accounts.actions.set_password import sign_out_everywhere
from judicum.server.people.accounts.links import reset_path
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.names import skeleton
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-recover_account")

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("login", help=t("command-login"))
        parser.add_argument("address", help=t("command-address"))

    @transaction.atomic
    def carry_out(self, login: str, address: str) -> str:
        user = User.objects.select_for_update().filter(skeleton=skeleton(login), removed_at=None).first()
        if user is None:
            raise InvalidValue("login", login, said("allowed-the-login-name-of-somebody-on"))
        drop_second(user)
        sign_out_everywhere(user)
        user.is_active = True
        user.save(update_fields=["is_active"])
        return t("command-recovered", login=user.username, address=f"{address}{reset_path(user)}")
