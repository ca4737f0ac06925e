"""The strip: the bead cut out of its photo, straightened along its centreline, to scale."""

import numpy as np

from judicum.core.arrays import Pixels
from judicum.core.photo.bead import Bead
from judicum.core.photo.picture import Picture
from judicum.core.photo.strip_frame import HALF_HEIGHT_MM, OVERHANG_MM, STRIP_PX_PER_MM
from judicum.core.photo.unwrap import sample


def cut_strip(picture: Pixels, bead: Bead) -> Pixels:
    """Cut the strip of a bead out of its upright photo: s runs right, n runs down, 10 pixels per mm.

    Returns:
        uint8 (160, columns, 3); column 0 lies `OVERHANG_MM` before the bead's start and the
        middle row on its centreline.
    """
    line = bead.outline
    s = np.arange(-OVERHANG_MM, line.length_mm + OVERHANG_MM, 1 / STRIP_PX_PER_MM) + 0.5 / STRIP_PX_PER_MM
    n = np.arange(-HALF_HEIGHT_MM, HALF_HEIGHT_MM, 1 / STRIP_PX_PER_MM) + 0.5 / STRIP_PX_PER_MM
    inside = np.clip(s, 0, line.s_mm[-1])
    centre, across = line.at(inside)
    along = np.stack([across[:, 1], -across[:, 0]], -1)
    centre = centre + (s - inside)[:, None] * along
    return sample(Picture(picture), bead.scale, centre[None] + n[:, None, None] * across[None])
