"""Which engine measures; its history is in CHANGELOG.md."""

ENGINE_VERSION = "3.6"
"""Grows with every change that may change a figure of a photo."""
