"""Conversions at the edge: everything inside is mm, s, A, V, L/min, °C."""

MM_PER_INCH = 25.4
L_MIN_PER_CFH = 28.316846592 / 60
"""Litres per minute in one cubic foot per hour [src: nist-sp811]."""
BAR_PER_PSI = 0.06894757
"""Bar in one pound-force per square inch [src: nist-sp811]."""


def mm_from_thou(thou: float) -> float:
    """Millimetres from thousandths of an inch.

    >>> round(mm_from_thou(62.5), 4)
    1.5875
    """
    return thou * MM_PER_INCH / 1000


def thou_from_mm(mm: float) -> float:
    """Thousandths of an inch from millimetres.

    >>> thou_from_mm(2.54)
    100.0
    """
    return mm / MM_PER_INCH * 1000


def l_min_from_cfh(cfh: float) -> float:
    """Litres per minute from cubic feet per hour.

    >>> round(l_min_from_cfh(20), 2)
    9.44
    """
    return cfh * L_MIN_PER_CFH


def cfh_from_l_min(l_min: float) -> float:
    """Cubic feet per hour from litres per minute.

    >>> round(cfh_from_l_min(9.44), 1)
    20.0
    """
    return l_min / L_MIN_PER_CFH
