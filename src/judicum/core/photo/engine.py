"""Which engine measures; its history is in CHANGELOG.md."""

from judicum.core.photo.weights import own_name

SHIPPED = "3.7"
"""Grows with every change that may change a figure of a photo."""
ENGINE_VERSION = f"{SHIPPED}+{own_name()}" if own_name() else SHIPPED
"""With the name of weights of one's own behind it, where those are in use."""
