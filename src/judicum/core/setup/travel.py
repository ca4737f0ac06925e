"""The travel that was really welded: measured length over the time with the arc on."""

from collections.abc import Sequence


def real_travel_mm_s(length_mm: float | None, arc_s: Sequence[float | None]) -> float | None:
    """Travel in mm/s from a bead's measured length (mm) and the arc time (s) of each of its runs: v = L / Σ t.

    None where the bead was not measured or any run's time is missing.

    >>> real_travel_mm_s(84.0, [20.0, 15.0])
    2.4
    """
    known = [t for t in arc_s if t]
    if length_mm is None or not known or len(known) != len(arc_s):
        return None
    return round(length_mm / sum(known), 2)
