"""Reading along a bead whose toes are known: where its tips are and where ripple fronts cross its centreline.

The face is straightened between the toes, with as much past the tips, and shown to the third network.
"""

from dataclasses import dataclass

import numpy as np

from judicum.core.arrays import Floats, Pixels, Whole
from judicum.core.photo.network import run, share_of
from judicum.core.photo.segment import Segmentation
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at

PX_PER_MM = 10.0
"""Columns a millimetre along the bead that the network was taught at."""
ROWS = 32
"""Rows of the straightened face, whatever its width."""
BEYOND = 0.06
"""Share of the width that is seen past either toe."""
REACH_MM = 5.0
"""How far past the tips, as far as they are known, it is read."""


@dataclass(frozen=True)
class AxisReading:
    """What the network says at places `s_mm` (k,) of the line: `front` how likely a front crosses the centreline there
    (0 to 1), `inside` the natural logarithm of the odds that it lies between the tips; `face` (ROWS, k, 3) is what it saw.
    """

    s_mm: Floats
    face: Pixels
    front: Floats
    inside: Floats


def straightened(picture: Pixels, left: Floats, right: Floats, columns: Floats | Whole) -> Pixels:
    """The face between two toes (rows of the picture at its columns), and BEYOND of its width past them: (ROWS, columns, 3)."""
    part = np.linspace(-BEYOND, 1 + BEYOND, ROWS)[:, None]
    rows = left * (1 - part) + right * part
    return np.asarray(read_at(picture, rows, np.broadcast_to(columns, rows.shape)))


def read_axis(segmented: Segmentation, toes: Toes) -> AxisReading:
    """Read along a bead, and REACH_MM past its tips as far as the segmentation goes."""
    first, last = max(toes.start_mm - REACH_MM, segmented.s_mm[0]), min(toes.end_mm + REACH_MM, segmented.s_mm[-1])
    s = np.arange(first, last, 1 / PX_PER_MM)
    left, right = toes.at(s)
    face = straightened(segmented.seen, segmented.row(left), segmented.row(right), segmented.column(s))
    front, inside = run("axis", face)
    # Fronts look alike from either tip, the tips do not.
    other_way, _ = run("axis", face[:, ::-1])
    return AxisReading(s, face, share_of((front + other_way[::-1]) / 2), inside)
