"""The check target: what is printed on it (judicum.camera.target draws it), and where."""

import json
from dataclasses import dataclass
from functools import cache
from pathlib import Path

DATA = Path(__file__).parent / "data"


@dataclass(frozen=True)
class PrintedBead:
    """One printed bead: its place along the window, mean width and its cv, ripple pitch, missed dabs, spots by diameter; mm."""

    at_mm: float
    width_mm: float
    width_cv: float
    pitch_mm: float
    lapses: int
    spots_mm: tuple[float, ...]


@cache
def printed_beads() -> tuple[PrintedBead, ...]:
    """Every bead of the target, from left to right."""
    rows = json.loads((DATA / "target.json").read_text())["beads"]
    return tuple(PrintedBead(**{**row, "spots_mm": tuple(row["spots_mm"])}) for row in rows)


def target_picture() -> bytes:
    """The beads as they are printed in the card's window, a JPEG file."""
    return (DATA / "target.jpg").read_bytes()
