"""Personal tokens: a program reads, or writes, in a person's name until a day."""

from datetime import timedelta

from django.db import transaction

from judicum.core.errors import InvalidValue, NotFound, TooMuch, one_of, refuse_all, said
from judicum.server.people.accounts.models import Scope, Token, User

MAX_TOKENS = 20
MAX_DAYS = 366
"""A program that is still wanted after a year is given another token."""
MAX_NAME = 60


@transaction.atomic
def make_token(user: User, name: str, scope: str, days: int) -> tuple[Token, str]:
    """A token and the secret by which it is used, told only now; the server keeps its hash.

    Raises:
        InvalidValues: no name, no such scope, no such number of days. TooMuch: MAX_TOKENS are in use.
    """
    kept = " ".join(name.split())
    problems = []
    if not 1 <= len(kept) <= MAX_NAME:
        problems.append(InvalidValue("name", name, said("allowed-1-to-characters-that-say-what", most=MAX_NAME)))
    if scope not in Scope.values:
        problems.append(InvalidValue("scope", scope, one_of(Scope.values)))
    if not 1 <= days <= MAX_DAYS:
        problems.append(InvalidValue("days", days, said("allowed-1-to", most=MAX_DAYS)))
    refuse_all(problems)
    User.objects.select_for_update().get(pk=user.pk)
    if Token.objects.filter(user=user).count() >= MAX_TOKENS:
        raise TooMuch(said("refused-one-person-keeps-at-most-tokens", most=MAX_TOKENS))
    made: tuple[Token, str] = Token.objects.create(user, timedelta(days=days), name=kept, scope=scope)
    return made


def end_token(user: User, token_id: object) -> None:
    """End a token of one's own. Raises NotFound."""
    if not Token.objects.filter(user=user, id=token_id).delete()[0]:
        raise NotFound(said("refused-you-have-no-such-token"))
