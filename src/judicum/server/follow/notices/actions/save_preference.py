"""What somebody is told by mail, and where it goes."""

from collections.abc import Sequence

from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from django.db import transaction

from judicum.core.errors import InvalidValue, refuse_all, said
from judicum.server.follow.notices.models import NotificationPreference
from judicum.server.people.accounts.actions.set_password import check_old
from judicum.server.people.accounts.models import User
from judicum.words.notices import KINDS


@transaction.atomic
def save_preference(user: User, email: str, kinds: Sequence[str], password: str = "") -> NotificationPreference:
    """Keep a person's mail address and what they are told of.

    Another address takes the password: a new password is mailed to it.

    Raises:
        InvalidValues: no address, no such kind, another password.
    """
    problems = []
    address = email.strip()
    if address:
        try:
            validate_email(address)
        except ValidationError:
            problems.append(InvalidValue("email", email, said("allowed-a-mail-address-such-as-name")))
    if not address and kinds:
        problems.append(InvalidValue("email", email, said("allowed-an-address-to-write-to-or")))
    unknown = [kind for kind in kinds if kind not in KINDS]
    if unknown:
        problems.append(InvalidValue("kinds", unknown, said("allowed-of", names=", ".join(KINDS))))
    refuse_all(problems)
    if address != user.email:
        check_old(user, password)
        user.email = address
        user.save(update_fields=["email"])
    preference, _ = NotificationPreference.objects.update_or_create(
        user=user, defaults={"kinds": [k for k in KINDS if k in kinds]}
    )
    return preference
