"""The strip: the bead cut out of its photo, straightened along its centreline, to scale."""

import numpy as np

from judicum.core.arrays import Pixels
from judicum.core.photo.measure import Measured
from judicum.core.photo.strip_frame import HALF_HEIGHT_MM, OVERHANG_MM, STRIP_PX_PER_MM
from judicum.core.photo.unwrap import sample


def cut_strip(measured: Measured) -> Pixels | None:
    """Cut the strip of a measured bead: s runs right, n runs down, 10 pixels per mm.

    Returns:
        uint8 (160, columns, 3); column 0 lies `OVERHANG_MM` before the bead's start and the
        middle row on its centreline. None for a refused photo.
    """
    bead, scale, picture = measured.outline, measured.scale, measured.picture
    if bead is None or scale is None or picture is None:
        return None
    s = np.arange(-OVERHANG_MM, bead.length_mm + OVERHANG_MM, 1 / STRIP_PX_PER_MM) + 0.5 / STRIP_PX_PER_MM
    n = np.arange(-HALF_HEIGHT_MM, HALF_HEIGHT_MM, 1 / STRIP_PX_PER_MM) + 0.5 / STRIP_PX_PER_MM
    heading = np.gradient(bead.centre_mm, axis=0)
    heading /= np.linalg.norm(heading, axis=1, keepdims=True)
    inside = np.clip(s, 0, bead.s_mm[-1])
    centre, along = (
        np.stack([np.interp(inside, bead.s_mm, v[:, k]) for k in (0, 1)], -1) for v in (bead.centre_mm, heading)
    )
    along /= np.linalg.norm(along, axis=1, keepdims=True)
    across = np.stack([-along[:, 1], along[:, 0]], -1)
    centre = centre + (s - inside)[:, None] * along
    return sample(picture, scale, centre[None] + n[:, None, None] * across[None])
