"""The kinds of fault a photo can show: one record each, with all that depends on the kind.

A new kind needs its record here, its finder in `defects/`, its picture in docs/examples/draw.py and its line in
docs/measuring.md (docs/extending.md).
"""

from collections.abc import Iterable
from dataclasses import dataclass

from judicum.core.photo.report import Defect


@dataclass(frozen=True)
class FaultKind:
    """One kind: what it takes off the overall look (points of ten), what its size means.

    `long` faults have a stretch along the bead, the others a diameter. `hides` ripple fronts under it.
    `rejects` the tint outright.
    """

    key: str
    cost: float
    long: bool = False
    hides: bool = False
    rejects: bool = False


_TABLE = (
    FaultKind("pore", 1.0),
    FaultKind("crater", 1.5),
    FaultKind("undercut", 2.0, long=True),
    FaultKind("burn_through", 10.0, hides=True),
    FaultKind("sugaring", 3.0, long=True, hides=True, rejects=True),
    FaultKind("inclusion", 1.0),
    FaultKind("gap", 2.0, long=True, hides=True),
    FaultKind("bulge", 1.0, long=True),
)
FAULT_KINDS: dict[str, FaultKind] = {kind.key: kind for kind in _TABLE}
PINHOLE_COST = 1.0
"""Points of ten that a pinhole in a crater takes besides."""


def hidden_by(faults: Iterable[Defect]) -> list[tuple[float, float]]:
    """Stretches of s (mm) hidden by faults."""
    return [(f.s_mm - f.size_mm / 2, f.s_mm + f.size_mm / 2) for f in faults if FAULT_KINDS[f.kind].hides]
