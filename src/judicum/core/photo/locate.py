"""Where on the card plane beads lie: patches of bead face, as a small network sees them, with the line of each."""

from collections.abc import Sequence
from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats, Whole
from judicum.core.photo.network import odds_of, scores, shares_of
from judicum.core.photo.picture import Picture
from judicum.core.photo.regions import Region, regions
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_grid

PX_PER_MM = 5.0
"""What the network was taught at."""
FACE = 2
"""Its surfaces from this one on lie between the toes: face, grey granular metal, hole."""
AROUND_MM = 4.0
"""Seen around the searched regions, so that a bead at their rim has surroundings too."""
CELL_MM = 16 / PX_PER_MM
"""What one place of the network's coarsest level covers: a grid cut by whole ones is seen as it was uncut."""
MIN_PIECE_MM2 = 6.0
MIN_ASPECT = 2.0
"""A bead is at least so many times longer than wide."""
MIN_LENGTH_MM = 12.0
"""mm: a shorter one is a tack."""
MIN_WIDTH_MM = 1.0
"""mm: a narrower one is a scratch or an edge."""
BIN_MM = 1.0
"""Over such a piece of the length a width is told."""
MIN_ODDS = 1.5
"""Mean odds (natural logarithm) of a bead: the least of some 190 labelled ones had 1.9, stripes of bench and joint up to 1.1."""
MAX_GAP_MM = 9.0
"""Pieces in one line belong to one bead when no more than this is missing between them."""


@dataclass(frozen=True)
class Patch:
    """A bead as the network sees it: its line, first and last mm along it, its usual width and how sure the network
    is (`odds`, mean natural logarithm)."""

    line: Line
    start_mm: float
    end_mm: float
    width_mm: float
    odds: float

    @property
    def length_mm(self) -> float:
        return self.end_mm - self.start_mm


def patches(picture: Picture, scale: Scale) -> list[Patch]:
    """Every bead that the network sees in the searched regions, the longest and clearest first."""
    boxes = regions(picture, scale)
    box = Region.around(boxes, AROUND_MM)
    low, high = _in_photo(picture, scale, box.low, box.high)
    across = Line(low, np.array([1.0, 0.0]))
    seen = read_grid(picture, scale, across, (0.0, high[0] - low[0]), (0.0, high[1] - low[1]), PX_PER_MM)
    odds = odds_of(shares_of(scores("locate", seen)), FACE)
    face = (odds > 0) & _searched(boxes, low, odds.shape)
    count, labels, stats, _ = cv2.connectedComponentsWithStats(face.astype(np.uint8))
    least = MIN_PIECE_MM2 * PX_PER_MM**2
    pieces: list[Whole] = [
        np.argwhere(labels == k)[:, ::-1] for k in range(1, count) if stats[k, cv2.CC_STAT_AREA] >= least
    ]
    beads = [_patch(cells, low, odds) for cells in _joined(pieces)]
    return sorted(filter(None, beads), key=lambda bead: -bead.length_mm * min(bead.odds, 2.0))


def _in_photo(picture: Picture, scale: Scale, low: Floats, high: Floats) -> tuple[Floats, Floats]:
    """The box from `low` to `high` as far as the photo shows it, by whole cells of CELL_MM: a strip's reaches past most."""
    nodes = [np.arange(low[k], high[k] + CELL_MM, CELL_MM) for k in (0, 1)]
    px = scale.px(np.stack(np.meshgrid(*nodes), -1))
    shown = np.argwhere(np.all((px >= 0) & (px < picture.size_px), axis=-1))[:, ::-1]
    if not len(shown):
        return low, high
    first, last = (np.array([nodes[k][at[k]] for k in (0, 1)]) for at in (shown.min(0), shown.max(0)))
    return np.maximum(first - CELL_MM, low), np.minimum(last + CELL_MM, high)


def _searched(boxes: Sequence[Region], low: Floats, shape: tuple[int, ...]) -> Flags:
    x, y = (low[k] + np.arange(shape[1 - k]) / PX_PER_MM for k in (0, 1))
    inside = np.zeros(shape, bool)
    for box in boxes:
        inside |= ((x >= box.low[0]) & (x <= box.high[0]))[None, :] & ((y >= box.low[1]) & (y <= box.high[1]))[:, None]
    return inside


def _axis(cells: Whole) -> tuple[Floats, Floats]:
    """Middle and direction, in cells, of the line along which cells (k, 2) lie."""
    middle = cells.mean(0)
    along = np.linalg.eigh(np.cov((cells - middle).T))[1][:, -1]
    # A bead begins at the end nearer to the card's left edge.
    return middle, along if along[0] > 0 or (along[0] == 0 and along[1] > 0) else -along


def _joined(pieces: list[Whole]) -> list[Whole]:
    """Pieces of one bead put together: the longest takes on what lies in its line."""
    left = sorted(pieces, key=len, reverse=True)
    beads = []
    while left:
        bead = left.pop(0)
        again = True
        while again:
            again = False
            middle, along = _axis(bead)
            s = (bead - middle) @ along
            width = len(bead) / max(float(np.ptp(s)), 1.0)
            for k, other in enumerate(left):
                to = (other - middle) @ along
                aside = (other - middle) @ np.array([-along[1], along[0]])
                gap = max(float(to.min() - s.max()), float(s.min() - to.max()))
                if gap < MAX_GAP_MM * PX_PER_MM and np.median(np.abs(aside)) < 0.6 * width:
                    bead, again = np.concatenate([bead, left.pop(k)]), True
                    break
        beads.append(bead)
    return beads


def _patch(cells: Whole, low: Floats, odds: Floats) -> Patch | None:
    middle, along = _axis(cells)
    s = (cells - middle) @ along / PX_PER_MM
    # A few cells that stick out are not the bead's end.
    start, end = float(np.quantile(s, 0.003)), float(np.quantile(s, 0.997))
    # The usual width over the length: a bulge or a missing piece does not count.
    across = (
        np.histogram(s, np.arange(start, end, BIN_MM))[0] / PX_PER_MM**2 / BIN_MM if end - start > BIN_MM else [0.0]
    )
    width = float(np.median(across))
    if end - start < max(MIN_LENGTH_MM, MIN_ASPECT * width) or width < MIN_WIDTH_MM:
        return None
    sure = float(odds[cells[:, 1], cells[:, 0]].mean())
    if sure < MIN_ODDS:
        return None
    return Patch(Line(low + middle / PX_PER_MM, along), start, end, width, sure)
