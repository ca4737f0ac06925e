"""Measuring a bead from one photo: `measure_photo` is the door; see docs/measuring.md."""

from judicum.core.photo.measure import ENGINE_VERSION, Measured, measure_photo
from judicum.core.photo.scale import GivenScale

__all__ = ["ENGINE_VERSION", "GivenScale", "Measured", "measure_photo"]
