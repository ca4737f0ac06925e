"""Heat input per length of bead [src: en-1011-1]."""

ARC_EFFICIENCY = 0.6
"""Share of the arc's heat that reaches the work, by the convention that counts it."""


def arc_volts(current_a: float) -> float:
    """Usual voltage of a short argon arc: U = 9.5 V + 0.012 V/A · I, for 10 to 300 A and an arc of one electrode diameter.

    Args:
        current_a: I, A.

    >>> round(arc_volts(60), 2)
    10.22
    """
    return 9.5 + 0.012 * current_a


def heat_per_length_kj_mm(volts: float, current_a: float, travel_mm_s: float, efficiency: float = 1.0) -> float:
    """Heat per length: η V I / v / 1000, in kJ/mm.

    Args:
        volts: arc voltage, V. current_a: A. travel_mm_s: mm/s, > 0. efficiency: 1 for arc heat,
            0.6 for what reaches the work.

    >>> round(heat_per_length_kj_mm(10.5, 62, 2.2), 3), round(heat_per_length_kj_mm(10.5, 62, 2.2, 0.6), 3)
    (0.296, 0.178)
    """
    return efficiency * volts * current_a / travel_mm_s / 1000
