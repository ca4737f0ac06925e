"""Heat: what the arc puts in, per length of bead."""

from judicum.core.heat.input import ARC_EFFICIENCY, arc_volts, heat_per_length_kj_mm

__all__ = ["ARC_EFFICIENCY", "arc_volts", "heat_per_length_kj_mm"]
