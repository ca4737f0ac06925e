"""Following a bead along its line: both toes and both tips, out of what the network sees.

A toe gains by every place of face inside of it and loses by every one outside; the path along the bead with the
greatest gain is the toe, so that shine in the middle of the face, or a stain beside it, moves it no more than its own
extent. The tips are those of the stretch along which the middle of the bead is face.
"""

import numpy as np

from judicum.core.arrays import Flags, Floats, Whole
from judicum.core.photo.axis import AxisReading
from judicum.core.photo.locate import Patch
from judicum.core.photo.segment import Segmentation
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at

STEP_S_MM = 0.25
"""mm along the line at which a toe is followed: the width is told every 0.5 mm."""
STEP_N_MM = 0.05
"""mm across the line: with parabolas between them the width is told to 0.01 mm or so."""
MAX_ODDS = 4.0
"""Natural logarithm of odds beyond which one place counts no more: 50 to 1."""
INSIDE_MM = 0.03
"""So far inside of the true ones the networks see toes in the mean of the sets of other drawers' pictures kept from them."""
ROUGH = 2
"""How much coarser the toes are followed before the tips are known."""
REACH_ROWS = 6
"""Most rows that a toe moves from one column to the next: 1.2 mm for a millimetre, the flank of a gap."""
PRICE_MM = 0.01
"""What a row of such a move costs, as millimetres of certain face."""
MIDDLE_MM = 3.0
"""The middle of a bead wanders over several millimetres, not less."""
CORE = 0.25
"""Share of the width to either side of the middle that is face wherever there is bead."""
MIN_CORE_MM = 0.4
"""And at least so much: four cells to either side."""
TIPS_MM = 3.0
"""A tip lies no further out than this past the patch, whose ends the first network sees to about 1 mm."""
TIP_MM = 0.05
"""A tip lies half a cell beyond the last cell of face."""


def trace_toes(segmented: Segmentation, patch: Patch) -> Toes | None:
    """Both toes, and both tips as far as the segmentation at a patch tells them; None where no face is seen."""
    core = np.abs(segmented.n_mm[:, None] - _middle(segmented)) < max(CORE * patch.width_mm, MIN_CORE_MM)
    seen = (np.clip(segmented.face, -MAX_ODDS, MAX_ODDS) * core).sum(0) / np.maximum(core.sum(0), 1)
    first, last = best_run(np.where(_near(segmented.s_mm, patch), seen, -MAX_ODDS))
    if last - first < 2 or seen[first : last + 1].mean() <= 0:
        return None
    return between(segmented, float(segmented.s_mm[first]) - TIP_MM, float(segmented.s_mm[last]) + TIP_MM, ROUGH)


def between(segmented: Segmentation, start_mm: float, end_mm: float, coarser: int = 1) -> Toes:
    """Both toes from tip to tip, every STEP_S_MM, or so many times `coarser`."""
    s = np.arange(start_mm, end_mm, STEP_S_MM * coarser)
    n = np.arange(segmented.n_mm[0], segmented.n_mm[-1], STEP_N_MM * coarser)
    rows, columns = np.broadcast_arrays(segmented.row(n)[:, None], segmented.column(s)[None, :])
    face = read_at(np.clip(segmented.face, -MAX_ODDS, MAX_ODDS).astype(np.float32), rows, columns)
    inside = np.cumsum(face, axis=0) * STEP_N_MM * coarser
    middle = np.interp(s, segmented.s_mm, _middle(segmented))
    left_of = n[:, None] <= middle[None, :]
    gain = np.where(np.stack([left_of, ~left_of]), np.stack([-inside, inside]), -1e6)
    path = best_paths(gain, REACH_ROWS, PRICE_MM * MAX_ODDS * coarser)
    return Toes(segmented.line, s, n[path[0]] - INSIDE_MM, n[path[1]] + INSIDE_MM, start_mm, end_mm)


def to_tips(segmented: Segmentation, toes: Toes, along: AxisReading, patch: Patch) -> Toes:
    """The toes from tip to tip as the reading along them tells the tips."""
    inside = np.clip(along.inside, -MAX_ODDS, MAX_ODDS)
    first, last = best_run(np.where(_near(along.s_mm, patch), inside, -MAX_ODDS))
    start, end = float(along.s_mm[first]) - TIP_MM, float(along.s_mm[last]) + TIP_MM
    return between(segmented, start, end) if end - start > toes.length_mm / 2 else toes


def _near(s_mm: Floats, patch: Patch) -> Flags:
    """Where along the line a tip of the patch's bead may lie."""
    return np.asarray((s_mm > patch.start_mm - TIPS_MM) & (s_mm < patch.end_mm + TIPS_MM))


def _middle(segmented: Segmentation) -> Floats:
    """The middle of the face at every column, smooth over MIDDLE_MM."""
    face = np.clip(segmented.face, 0, MAX_ODDS) + 1e-4
    smooth = MIDDLE_MM / float(segmented.s_mm[1] - segmented.s_mm[0])
    placed, weight = (smoothed(v, smooth) for v in ((face * segmented.n_mm[:, None]).sum(0), face.sum(0)))
    return np.asarray(placed / weight)


def best_run(score: Floats) -> tuple[int, int]:
    """First and last index of the run with the greatest sum."""
    until = np.concatenate([[0.0], np.cumsum(score)])
    last = int((until[1:] - np.minimum.accumulate(until[:-1])).argmax())
    return int(until[: last + 1].argmin()), last


def best_paths(gain: Floats, reach: int, price: float) -> Whole:
    """Best path over columns for each of several toes at once: row indices (toes, columns).

    A path moves at most `reach` rows for each column, at a price for each row.

    Args:
        gain: (toes, rows, columns).
    """
    toes, rows, columns = gain.shape
    back = np.zeros((columns, toes, rows), np.intp)
    padded = np.full((toes, rows + 2 * reach), -1e9)
    inner = padded[:, reach : reach + rows]
    # The moves come first: the best of them is then told for all rows at once.
    from_each = np.lib.stride_tricks.sliding_window_view(padded, rows, axis=1).swapaxes(0, 1)
    prices = price * np.abs(np.arange(-reach, reach + 1))[:, None, None]
    inner[:] = gain[:, :, 0]
    for j in range(1, columns):
        came = from_each - prices
        came.argmax(0, out=back[j])
        inner[:] = came.max(0) + gain[:, :, j]
    path = np.empty((toes, columns), np.int64)
    path[:, -1] = inner.argmax(1)
    each = np.arange(toes)
    for j in range(columns - 1, 0, -1):
        path[:, j - 1] = path[:, j] + back[j, each, path[:, j]] - reach
    return path
