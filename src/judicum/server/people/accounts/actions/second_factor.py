"""A second factor: codes by time (RFC 6238) from an app on a phone, and recovery codes for when the phone is lost."""

from django.db import transaction
from django_otp import match_token, user_has_device
from django_otp.plugins.otp_static.models import StaticDevice, StaticToken
from django_otp.plugins.otp_totp.models import TOTPDevice
from rest_framework.exceptions import AuthenticationFailed

from judicum.core.errors import InvalidValue, WrongState, said
from judicum.server.people.accounts.actions.set_password import check_old
from judicum.server.people.accounts.models import User
from judicum.server.people.roles import STAFF

RECOVERY_CODES = 10
MISSING = "second_factor_missing"
"""What a session holds whose person teaches in a workshop that asks for a second factor, and has none yet."""


class SecondFactorNeeded(AuthenticationFailed):
    """Name and password are right; a code is to be given with them."""

    default_code = "second_factor_needed"


class WrongCode(AuthenticationFailed):
    """The code is none of this moment's, was used, or came too soon after a wrong one."""

    default_code = "wrong_code"


def has_second(user: User) -> bool:
    return bool(user_has_device(user))


def lacks_second(user: User) -> bool:
    """Whether the workshop asks this person for a second factor that they do not have."""
    if not user.workshop.second_factor or has_second(user):
        return False
    return user.owns or user.memberships.filter(role__in=STAFF).exists()


def check_second(user: User, code: str) -> None:
    """Raises SecondFactorNeeded, WrongCode. A wrong code makes the next one wait, twice as long each time."""
    if not has_second(user):
        return
    if not code:
        raise SecondFactorNeeded()
    if match_token(user, code.replace(" ", "").lower()) is None:
        raise WrongCode()


@transaction.atomic
def begin_second(user: User) -> str:
    """The address (otpauth://) that an app on a phone reads; the factor counts once a first code was given.

    Raises:
        WrongState: there is one already.
    """
    if has_second(user):
        raise WrongState(said("refused-you-have-a-second-factor-already"))
    TOTPDevice.objects.filter(user=user, confirmed=False).delete()
    return str(TOTPDevice.objects.create(user=user, name=user.username, confirmed=False).config_url)


@transaction.atomic
def confirm_second(user: User, code: str) -> list[str]:
    """Put the factor in force by its first code; returns the recovery codes, each good once.

    Raises:
        WrongState: none was begun. InvalidValue: another code.
    """
    device = TOTPDevice.objects.select_for_update().filter(user=user, confirmed=False).first()
    if device is None:
        raise WrongState(said("refused-begin-with-the-picture-for-your"))
    if not device.verify_token(code.replace(" ", "")):
        raise InvalidValue("code", code, said("allowed-the-six-digits-that-your-phone"))
    device.confirmed = True
    device.save(update_fields=["confirmed"])
    StaticDevice.objects.filter(user=user).delete()
    paper = StaticDevice.objects.create(user=user, name="paper")
    codes = [StaticToken.random_token() for _ in range(RECOVERY_CODES)]
    StaticToken.objects.bulk_create(StaticToken(device=paper, token=one) for one in codes)
    return codes


@transaction.atomic
def drop_second(user: User) -> None:
    """Take the second factor of a person away, with its recovery codes."""
    TOTPDevice.objects.filter(user=user).delete()
    StaticDevice.objects.filter(user=user).delete()


def turn_off_second(user: User, password: str) -> None:
    """Turn one's own factor off. Raises InvalidValue: another password."""
    check_old(user, password)
    drop_second(user)
