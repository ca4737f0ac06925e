"""Where within its step and shadow a toe lies."""

import numpy as np
from scipy.ndimage import map_coordinates
from scipy.special import ndtr

from judicum.core.arrays import Floats
from judicum.core.photo.trace import Band, Toes


def settle(band: Band, toes: Toes) -> Toes:
    """Move each toe from the steepest colour change to the middle of the step.

    The mean profile across a toe, aligned on the traced path, is fitted by a step plus a dark
    line (the shadow of the notch) with one common middle, plus a slope on either side; the
    middle with the least residual is the toe. One shift per side: local shape is the path's.
    """
    inside = toes.inside
    if inside.sum() < 20:
        return toes
    trimmed = np.flatnonzero(inside)[len(toes.s_mm[inside]) // 8 : -max(1, len(toes.s_mm[inside]) // 8)]
    offset = np.arange(-0.8, 0.81, 0.05)
    moved = []
    for toe, outward in ((toes.left_mm, -1.0), (toes.right_mm, 1.0)):
        columns = (toes.s_mm[trimmed] - band.s_mm[0]) * band.px_per_mm
        rows = (toe[trimmed][None, :] + outward * offset[:, None] - band.n_mm[0]) * band.px_per_mm
        where = [rows, np.broadcast_to(columns, rows.shape)]
        profile = np.stack(
            [np.median(map_coordinates(band.lab[..., c], where, order=1, mode="nearest"), axis=1) for c in range(3)], -1
        )
        moved.append(toe + outward * _step_middle(offset, profile))
    return Toes(toes.line, toes.s_mm, moved[0], moved[1], toes.evidence, toes.start_mm, toes.end_mm)


def _step_middle(offset: Floats, profile: Floats) -> float:
    """Middle (mm) of a step with a dark line in a profile (k, 3) over offsets (k,) in mm."""
    best, middle = np.inf, 0.0
    for t in np.arange(-0.35, 0.351, 0.025):
        d = offset - t
        for blur in (0.06, 0.10, 0.16):
            step = ndtr(d / blur)
            for notch in (0.08, 0.14):
                basis = np.stack(
                    [np.ones_like(d), step, np.exp(-0.5 * (d / notch) ** 2), np.minimum(d, 0), np.maximum(d, 0)], -1
                )
                residual = profile - basis @ np.linalg.lstsq(basis, profile, rcond=None)[0]
                misfit = float((residual**2).sum())
                if misfit < best:
                    best, middle = misfit, float(t)
    return middle
