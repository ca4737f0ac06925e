"""Names for arrays by what they hold; shapes and units stand in each docstring."""

import numpy as np
import numpy.typing as npt

Floats = npt.NDArray[np.floating]
"""float32 or float64."""
Pixels = npt.NDArray[np.uint8]
"""Channels blue, green, red."""
Whole = npt.NDArray[np.integer]
"""Integers."""
Flags = npt.NDArray[np.bool_]
"""Booleans."""
