"""Faults that a photo of a bead can show; docs/measuring.md says how each is found and how well."""

from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.defects.find import find_defects

__all__ = ["Fault", "find_defects"]
