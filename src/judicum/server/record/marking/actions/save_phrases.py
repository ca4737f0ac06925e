"""Keeping a marker's own phrases."""

from collections.abc import Mapping

from django.db import transaction

from judicum.core.errors import InvalidValue, said, some_of
from judicum.core.marking import MAX_NEXT
from judicum.server.people.accounts.models import User
from judicum.server.record.marking.models import Phrase
from judicum.words.marking import PLACEHOLDERS, placeholders_in

KEYS = tuple(range(1, 10))


@transaction.atomic
def save_phrases(user: User, phrases: Mapping[str, str]) -> list[Phrase]:
    """Replace all phrases of a person; `phrases` are texts by their key 1 to 9, empty ones are left out.

    Raises:
        InvalidValue: another key, a text that is too long, or an unknown placeholder.
    """
    for key, text in phrases.items():
        if not (isinstance(key, str) and key.isdecimal() and int(key) in KEYS):
            raise InvalidValue("phrases", key, said("allowed-keys-1-to-9"))
        if len(text) > MAX_NEXT:
            raise InvalidValue(
                f"phrases.{key}", f"{len(text)} characters", said("allowed-at-most-characters", most=MAX_NEXT)
            )
        if unknown := sorted(placeholders_in(text) - set(PLACEHOLDERS)):
            raise InvalidValue(f"phrases.{key}", unknown[0], some_of(PLACEHOLDERS))
    Phrase.objects.filter(user=user).delete()
    kept = [Phrase(user=user, key=int(key), text=text.strip()) for key, text in phrases.items() if text.strip()]
    return Phrase.objects.bulk_create(sorted(kept, key=lambda one: one.key))
