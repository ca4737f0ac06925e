"""Measuring a bead from one photo: `measure_photo` is the door; see docs/measuring.md."""

from judicum.core.photo.decode import decode, sniff_format
from judicum.core.photo.film import level_name, tint_levels
from judicum.core.photo.measure import ENGINE_VERSION, Measured, measure_photo
from judicum.core.photo.scale import GivenScale
from judicum.core.photo.strip import HALF_HEIGHT_MM, OVERHANG_MM, STRIP_PX_PER_MM, cut_strip, encode_jpeg

__all__ = [
    "ENGINE_VERSION",
    "HALF_HEIGHT_MM",
    "OVERHANG_MM",
    "STRIP_PX_PER_MM",
    "GivenScale",
    "Measured",
    "cut_strip",
    "decode",
    "encode_jpeg",
    "level_name",
    "measure_photo",
    "sniff_format",
    "tint_levels",
]
