"""One fault as it was found."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Fault:
    """A fault in the traced line's frame: place along (`s_mm`) and across it (`n_mm`), size, confidence.

    `size_mm` is a diameter, or the length along s of a long fault. `pinhole` is a hole in a crater.
    """

    kind: str
    s_mm: float
    n_mm: float
    size_mm: float
    confidence: float
    pinhole: bool | None = None
