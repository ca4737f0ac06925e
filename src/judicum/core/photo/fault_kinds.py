"""The kinds of fault a photo can show, and which of them hide ripple fronts."""

from collections.abc import Iterable, Mapping
from typing import Any

FAULT_KINDS = ("pore", "crater", "undercut", "burn_through", "sugaring", "inclusion", "gap", "bulge")
HIDES = ("sugaring", "burn_through", "gap")
"""Faults under which no ripple front can be seen."""


def hidden_by(faults: Iterable[Mapping[str, Any]]) -> list[tuple[float, float]]:
    """Stretches of s (mm) hidden by faults as the report tells them."""
    return [(f["s_mm"] - f["size_mm"] / 2, f["s_mm"] + f["size_mm"] / 2) for f in faults if f["kind"] in HIDES]
