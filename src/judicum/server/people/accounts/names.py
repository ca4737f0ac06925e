"""Names of people: one person, one name, however it is typed, and nobody who only looks like somebody else.

Case, width and invisible signs are evened out by Unicode's own rules (NFKC and case folding, UAX #15 and #31); letters of
other scripts that look like Latin ones by the Unicode consortium's table of confusables (UTS #39).
"""

import unicodedata
from functools import cache

from confusable_homoglyphs import confusables

from judicum.core.errors import InvalidValue, said

UNSEEN = ("Cc", "Cf", "Cs", "Co", "Cn")
"""Unicode categories of what has no shape: controls, joiners, direction marks, half pairs, what is not assigned."""
MAX_LETTERS = 60


def written(name: str) -> str:
    """A name as it is kept: one form for each letter, no invisible signs, single blanks between words."""
    seen = "".join(sign for sign in unicodedata.normalize("NFKC", name) if unicodedata.category(sign) not in UNSEEN)
    return " ".join(seen.split())


def skeleton(name: str) -> str:
    """What two login names share that a reader would take for one another."""
    folded = unicodedata.normalize("NFKC", written(name).casefold())
    return "".join(map(_latin, folded))


@cache
def _latin(sign: str) -> str:
    """The Latin letter that a letter of another script looks like; itself where there is none."""
    if sign.isascii():
        return sign
    found = confusables.is_confusable(sign, preferred_aliases=["latin"])
    likes = [one["c"] for one in found[0]["homoglyphs"]] if found else []
    return next((like.casefold() for like in likes if like.isascii() and like.isalpha()), sign)


def check_name(field: str, name: str) -> str:
    """The name as it is kept.

    Raises:
        InvalidValue: nothing to read, or letters of one script among those of another that look the same.
    """
    kept = written(name)
    if not any(sign.isalnum() for sign in kept) or len(kept) > MAX_LETTERS:
        raise InvalidValue(field, name, said("allowed-a-name-of-1-to-letters", most=MAX_LETTERS))
    if confusables.is_dangerous(kept):
        raise InvalidValue(field, name, said("allowed-letters-of-one-alphabet-some-here"))
    return kept
