"""Whole numbers in addresses and headers."""

MAX_DIGITS = 15
"""More digits than anything here counts to, and fewer than a database's whole numbers have."""


def whole(given: str) -> int | None:
    """A whole number written in ASCII digits; None for anything else, such as ² or a number of 30 digits."""
    return int(given) if given.isascii() and given.isdigit() and len(given) <= MAX_DIGITS else None
