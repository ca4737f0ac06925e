"""Names for arrays by what they hold; shapes and units stand in each docstring.

NumPy's and OpenCV's own annotations disagree about element types, so these stay open to the checker.
"""

from typing import Any

import numpy.typing as npt

Floats = npt.NDArray[Any]
"""float32 or float64."""
Pixels = npt.NDArray[Any]
"""uint8, channels blue, green, red."""
Whole = npt.NDArray[Any]
"""Integers."""
Flags = npt.NDArray[Any]
"""Booleans."""
