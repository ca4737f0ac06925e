"""How clearly the fronts of a bead are seen: a network must not learn to tell what its picture does not show."""

from dataclasses import replace

import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.axis import straightened
from training.labelled import Straight

PARTS = 12
"""So many pieces a gap between two fronts is laid into, however long it is."""
ALIKE_ROWS = 2.0
"""A front runs across many rows: what changes from one to the next is grain."""
EVERY_ROW = 4
MIN_FRONTS = 4
"""Fewer repeat nothing."""
MIN_CLEAR = 2.3
"""Fronts that stand out less are not told: of 90 traced beads a fifth, on which no eye finds any."""


def clearness(face: Floats, fronts: Floats, known: Flags) -> float:
    """How far what repeats from gap to gap stands out against what differs between them: about 1 where nothing is seen.

    Args:
        face: (rows, columns) grey levels of a straightened bead. fronts: (k,) columns of its fronts.
        known: (columns,) where it is known whether there is a front.

    Returns:
        The gaps' mean course, root mean square over its own standard error; 0 for under MIN_FRONTS fronts.
    """
    if len(fronts) < MIN_FRONTS:
        return 0.0
    at = np.arange(face.shape[1])
    course = gaussian_filter1d(face - gaussian_filter1d(face, float(np.median(np.diff(fronts))), axis=1), ALIKE_ROWS, 0)
    used = known & (at > fronts[0]) & (at < fronts[-1])
    gap, part = np.divmod(np.interp(at[used], fronts, np.arange(len(fronts))), 1.0)
    where = gap.astype(int), (part * PARTS).astype(int)
    count = np.zeros((len(fronts), PARTS))
    np.add.at(count, where, 1)
    rows = course[::EVERY_ROW, used]
    sums = np.zeros((len(rows), *count.shape))
    for row, values in zip(sums, rows, strict=True):
        np.add.at(row, where, values)
    seen = count.sum(0) > 0
    mean = np.where(count > 0, sums / np.maximum(count, 1), np.nan)[:, :, seen]
    error = np.nanstd(mean, axis=1) / np.sqrt((count > 0).sum(0)[seen])
    return float(np.sqrt((np.nanmean(mean, axis=1) ** 2).mean() / max((error**2).mean(), 1e-9)))


def clear_only(straight: Straight) -> Straight:
    """The same, with nothing told of fronts that are hardly seen."""
    columns = straight.first + np.arange(len(straight.left))
    face = straightened(straight.plane, straight.left, straight.right, columns).astype(float).mean(-1)
    clear = clearness(face, straight.fronts, straight.heat >= 0) >= MIN_CLEAR
    return straight if clear or not len(straight.fronts) else replace(straight, heat=np.full_like(straight.heat, -1.0))
