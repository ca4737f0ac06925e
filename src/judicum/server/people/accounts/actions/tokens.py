"""Personal tokens: a program reads, or writes, in a person's name until a day."""

from datetime import timedelta

from django.db import transaction

from judicum.core.errors import InvalidValue, NotFound, TooMuch, refuse_all
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
        problems.append(InvalidValue("name", name, f"1 to {MAX_NAME} characters that say what it is for"))
    if scope not in Scope.values:
        problems.append(InvalidValue("scope", scope, "one of " + ", ".join(Scope.values)))
    if not 1 <= days <= MAX_DAYS:
        problems.append(InvalidValue("days", days, f"1 to {MAX_DAYS}"))
    refuse_all(problems)
    User.objects.select_for_update().get(pk=user.pk)
    if Token.objects.filter(user=user).count() >= MAX_TOKENS:
        raise TooMuch(f"One person keeps at most {MAX_TOKENS} tokens; end one that is not used any more.")
    made: tuple[Token, str] = Token.objects.create(user, timedelta(days=days), name=kept, scope=scope)
    return made


def end_token(user: User, token_id: object) -> None:
    """End a token of one's own. Raises NotFound."""
    if not Token.objects.filter(user=user, id=token_id).delete()[0]:
        raise NotFound("You have no such token.")
