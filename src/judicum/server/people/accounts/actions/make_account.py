"""Making an account: the one way in which a login name is taken."""

from typing import Any

from django.db import IntegrityError, transaction

from judicum.core.errors import InvalidValue, said
from judicum.server.people.accounts.actions.set_password import check_password
from judicum.server.people.accounts.models import User, Workshop
from judicum.server.people.accounts.names import check_name

FIELDS = ("username", "display_name")


@transaction.atomic
def make_account(
    workshop: Workshop,
    username: str,
    display_name: str,
    password: str | None = None,
    fields: tuple[str, str] = FIELDS,
    **more: Any,
) -> User:
    """Somebody new in a workshop; without a password they are handed a link (`links.reset_path`).

    Args:
        fields: what login name and name are called where they were given. more: other columns.

    Raises:
        InvalidValue: a name that is none, or is taken or looks like one that is. InvalidValues: a password that is too weak.
    """
    login, name = check_name(fields[0], username), check_name(fields[1], display_name)
    if password is not None:
        check_password(password, User(username=login, display_name=name, workshop=workshop))
    try:
        with transaction.atomic():
            return User.objects.create_user(login, password, name, workshop=workshop, **more)
    except IntegrityError as error:
        allowed = said("allowed-login-taken")
        raise InvalidValue(fields[0], login, allowed) from error
