"""What the third network says of a straightened face: where ripple fronts cross the centreline."""

import numpy as np
from scipy.special import expit

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.network import run

PX_PER_MM = 10.0
"""Columns a millimetre along the bead that the network was taught at."""
ROWS = 32
"""Rows of the straightened face, whatever its width."""
BEYOND = 0.06
"""Share of the width that is seen past either toe."""


def front_heat(face: Pixels) -> Floats:
    """How likely a front crosses the centreline at each column of a face (ROWS, columns, 3): (columns,), 0 to 1."""
    return np.asarray(expit(run("fronts", face)))
