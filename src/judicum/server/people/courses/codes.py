"""Course codes: long enough not to be guessed, short and clear enough to be read from a sheet."""

import secrets

ALPHABET = "0123456789ABCDEFGHJKMNPQRSTVWXYZ"
"""32 signs, five bits each; without I, L, O and U, which are taken for others or make words."""
LENGTH = 8
"""Eight of them are 40 bits: at ten guesses a second some 3,500 years."""
_MEANT = str.maketrans({"O": "0", "I": "1", "L": "1", "-": None, " ": None})


def fresh_code() -> str:
    """A course code that nobody has."""
    return "".join(secrets.choice(ALPHABET) for _ in range(LENGTH))


def meant(typed: str) -> str:
    """The code that somebody means who types it: capitals or not, with blanks or dashes, O for 0 and I or L for 1."""
    return typed.upper().translate(_MEANT)
