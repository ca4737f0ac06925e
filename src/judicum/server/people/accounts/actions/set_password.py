"""Setting a new password: by the old one, or by a token that was handed over."""

from django.contrib.auth.password_validation import validate_password
from django.contrib.auth.tokens import default_token_generator
from django.core.exceptions import ValidationError
from django.db import transaction

from judicum.core.errors import InvalidValue, InvalidValues, Said, said
from judicum.server.people.accounts.models import User


def check_password(password: str, user: User) -> None:
    """Raises InvalidValues: a password that is too weak."""
    try:
        validate_password(password, user)
    except ValidationError as error:
        raise InvalidValues([InvalidValue("password", None, _weak(one)) for one in error.error_list]) from error


def _weak(problem: ValidationError) -> Said:
    """What a validator of Django misses in a password, by its code."""
    params = {key: str(value) for key, value in (problem.params or {}).items()}
    return said(f"allowed-{problem.code}", **params)


def check_old(user: User, old: str) -> None:
    """Raises InvalidValue: not the password one has."""
    if not user.check_password(old):
        raise InvalidValue("old", None, said("allowed-the-password-you-sign-in-with"))


@transaction.atomic
def change_password(user: User, old: str, password: str) -> User:
    """Set one's own new password; every other browser is signed out by it.

    Raises:
        InvalidValue: the old one is another. InvalidValues: too weak.
    """
    check_old(user, old)
    check_password(password, user)
    user.set_password(password)
    user.save(update_fields=["password"])
    return user


@transaction.atomic
def reset_password(person_id: int, token: str, password: str) -> User:
    """Set a new password with a one-time token.

    Raises:
        InvalidValue: a token that was used, is over, or was never given. InvalidValues: too weak.
    """
    user = User.objects.select_for_update().filter(pk=person_id, is_active=True).first()
    if user is None or not default_token_generator.check_token(user, token):
        raise InvalidValue("token", None, said("allowed-a-link-that-was-not-used"))
    check_password(password, user)
    user.set_password(password)
    user.save(update_fields=["password"])
    return user


def sign_out_everywhere(user: User) -> None:
    """End every session of a person, this one too."""
    user.signed_out += 1
    user.save(update_fields=["signed_out"])
