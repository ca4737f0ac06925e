"""Which engine measures; its history is in CHANGELOG.md."""

from judicum.core.photo.weights import name_of, own_folder

SHIPPED = "3.7"
"""Grows with every change that may change a figure of a photo."""


def engine_version() -> str:
    """What measures now; with the name of weights of one's own behind it, where those are in use."""
    own = name_of(own_folder())
    return f"{SHIPPED}+{own}" if own else SHIPPED
