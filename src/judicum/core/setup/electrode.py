"""Electrode: diameter for a current, taper, kinds."""

CARRIES_A = {1.0: 40.0, 1.6: 90.0, 2.0: 130.0, 2.4: 190.0, 3.2: 320.0, 4.0: 420.0}
"""Current that a ground point of each diameter carries on DC before it melts."""
CHOSEN_TO_A = ((80.0, 1.6), (180.0, 2.4), (float("inf"), 3.2))
PEAK_SHARE = 0.75
"""Of a pulse's peak: the point feels the peaks, not the mean."""
THICKEST_MM = 3.2
"""mm. Some use it throughout, also on thin sheet with a fine point."""
KINDS = {
    "ceriated": ("ceriated_2", "lanthanated_2"),
    "lanthanated": ("lanthanated_2", "ceriated_2"),
    "mixture": ("rare_earth_mix", "ceriated_2"),
    "thoriated": ("thoriated_2", "ceriated_2"),
}
"""Codes of `choices.electrode_kind` that serve all DC work, by the course's method."""


def diameter_mm(current_a: float) -> float:
    """Usual diameter for a current, mm.

    >>> diameter_mm(66), diameter_mm(120), diameter_mm(200)
    (1.6, 2.4, 3.2)
    """
    return next(size for most, size in CHOSEN_TO_A if current_a <= most)


def carries_a(diameter: float) -> float:
    """Most current for a diameter, A: that of the nearest listed size not above it.

    >>> carries_a(2.4), carries_a(2.3)
    (190.0, 130.0)
    """
    fitting = [amps for size, amps in CARRIES_A.items() if size <= diameter + 0.05]
    return max(fitting, default=25.0)


def taper_mm(diameter: float, thickness_mm: float) -> float:
    """Length of the ground taper: 2.5 diameters on sheet under 1.2 mm, which wants a narrow arc; 2.25 else.

    Args:
        diameter: mm. thickness_mm: mm.

    >>> taper_mm(1.6, 1.0), taper_mm(2.4, 3.0)
    (4.0, 5.4)
    """
    return round(diameter * (2.5 if thickness_mm < 1.2 else 2.25), 1)
