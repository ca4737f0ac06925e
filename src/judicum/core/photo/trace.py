"""Tracing both toes and both ends of a bead along a candidate line.

The photo is resampled on a grid along the line. A toe is where the colour changes sharply
(over a tenth of a millimetre) *and* lastingly (over half a millimetre), at right angles to the
bead; grain changes sharply but not lastingly, the fading tint lastingly but not sharply. Both
toes are found together as the pair of paths with the strongest change, by dynamic programming
over (left toe, width), so that they cannot cross or swap. The ends are where the pair gives
way to plain plate, refined by fitting rounded caps.
"""

from dataclasses import dataclass

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Flags, Floats, Pixels, Whole
from judicum.core.photo.film import linear_to_lab, srgb_to_linear
from judicum.core.photo.locate import LAB_WEIGHT, Candidate, regions
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, read_grid

HALF_BAND_MM = 9.0
STEP_S_MM = 0.25
ROUGH_PX_PER_MM = 6.0
STEP_N_MM = 0.05
PAIR_S_MM = 1.5
PAIR_N_MM = 0.25
WIDTH_MM = (1.6, 13.0)
SURROUNDINGS_WEIGHT = np.array([0.3, 1.0, 1.0], np.float32)
BEND = 1
"""In the pair search a toe moves at most BEND cells across for each cell along."""


@dataclass(frozen=True)
class Toes:
    """Both toes over a line: `s_mm` (k,), `left_mm` and `right_mm` (k,) across it, evidence (k,) in noise units.

    `start_mm` and `end_mm` are the bead's ends along the line.
    """

    line: Line
    s_mm: Floats
    left_mm: Floats
    right_mm: Floats
    evidence: Floats
    start_mm: float
    end_mm: float

    @property
    def centre_mm(self) -> Floats:
        return (self.left_mm + self.right_mm) / 2

    @property
    def inside(self) -> Flags:
        return (self.s_mm >= self.start_mm) & (self.s_mm <= self.end_mm)

    @property
    def strength(self) -> float:
        """Mean evidence over the bead, weighed down where the bead is short."""
        inside = self.inside
        if inside.sum() < 8:
            return 0.0
        return float(self.evidence[inside].mean() * min(1.0, (self.end_mm - self.start_mm) / 25))


@dataclass(frozen=True)
class Band:
    """A straight band of the photo: rows over n, columns over s.

    `linear` (rows, columns, 3: blue, green, red) is white-balanced linear light, `lab` its CIELAB,
    `seen` tells where the photo and the searched regions reach.
    """

    line: Line
    s_mm: Floats
    n_mm: Floats
    linear: Floats
    lab: Floats
    seen: Flags

    @property
    def px_per_mm(self) -> float:
        return float(1 / (self.s_mm[1] - self.s_mm[0]))


def span_of(picture: Pixels, scale: Scale, line: Line) -> tuple[float, float]:
    """Where the line runs inside a searched region and inside the photo: first and last mm along it."""
    s = np.arange(-250.0, 250.0, 0.5)
    points = line.mm(s, 0.0)
    px = scale.px(points)
    ok = ((px > 3) & (px < np.array(picture.shape[1::-1]) - 4)).all(-1)
    boxes = [((points >= r.low) & (points <= r.high)).all(-1) for r in regions(picture, scale)]
    good = s[ok & np.any(boxes, axis=0)]
    return (float(good[0]), float(good[-1])) if good.size else (0.0, 0.0)


def read_band(
    picture: Pixels,
    scale: Scale,
    gains: Floats,
    line: Line,
    span: tuple[float, float],
    px_per_mm: float | None = None,
    half_mm: float = HALF_BAND_MM,
) -> Band:
    """Read the photo on a grid along a line, `half_mm` to each side, at up to 14 samples per mm."""
    density = px_per_mm or min(14.0, 1 / scale.mm_per_px)
    s = np.arange(span[0], span[1], 1 / density)
    n = np.arange(-half_mm, half_mm, 1 / density)
    linear = srgb_to_linear(read_grid(picture, scale, line, span, (-half_mm, half_mm), density))
    linear = linear * gains.astype(np.float32)
    # Where the photo and the searched regions reach is told on a coarse grid and spread.
    coarse = max(1, round(0.5 * density))
    points = line.mm(s[None, ::coarse], n[::coarse, None])
    px = scale.px(points)
    seen = ((px > 1) & (px < np.array(picture.shape[1::-1]) - 2)).all(-1)
    seen &= np.any([((points >= r.low) & (points <= r.high)).all(-1) for r in regions(picture, scale)], axis=0)
    spread = np.repeat(np.repeat(seen, coarse, 0), coarse, 1)[: len(n), : len(s)]
    return Band(line, s, n, linear, linear_to_lab(linear), spread)


def edge_strength(band: Band, along_mm: float = 0.5) -> Floats:
    """How sharply and how lastingly the colour changes across, (rows, columns), in units of its own median.

    Geometric mean of the CIELAB step over 0.15 mm and the step between the half millimetres on
    either side, both averaged over `along_mm` along the bead.
    """
    density = band.px_per_mm
    lab = cv2.GaussianBlur(band.lab * LAB_WEIGHT, (0, 0), sigmaX=along_mm * density, sigmaY=0.07 * density)
    narrow, wide = max(1, round(0.10 * density)), max(2, round(0.5 * density))
    sharp = np.zeros_like(lab)
    sharp[narrow:-narrow] = lab[2 * narrow :] - lab[: -2 * narrow]
    mean = cv2.blur(lab, (1, wide))
    lasting = np.zeros_like(lab)
    gap = wide // 2 + max(1, round(0.15 * density))
    lasting[gap:-gap] = mean[2 * gap :] - mean[: -2 * gap]
    lasts = np.sqrt(np.einsum("ijk,ijk->ij", lasting, lasting))
    # What an even fade over the wide step would change over the narrow one is no edge.
    sudden = np.maximum(np.sqrt(np.einsum("ijk,ijk->ij", sharp, sharp)) - 0.9 * lasts * narrow / gap, 0.0)
    strength = sudden**0.6 * (lasts + 1.0) ** 0.4
    seen = cv2.erode(band.seen.astype(np.uint8), np.ones((5, 5), np.uint8), borderValue=0)
    strength *= seen
    valid = strength[seen > 0]
    return strength / (np.median(valid) + 0.4) if valid.size else strength


def _toe_pair(strength: Floats, colour: Floats) -> tuple[Whole, Whole]:
    """Best pair of paths over columns: row indices (left, right), by dynamic programming.

    State: (left row, width in rows); each step along moves either toe by at most BEND rows, at
    a cost, so that the two cannot cross, swap or come closer than the least width. Metal just
    outside either toe was at the melting point, so its film is alike on both sides: a pair whose
    surroundings differ in colour loses.

    Args:
        strength: (rows, columns) edge strength.
        colour: (rows, columns, 3) weighted CIELAB of the cells.
    """
    rows, columns = strength.shape
    low, high = int(WIDTH_MM[0] / PAIR_N_MM), min(int(WIDTH_MM[1] / PAIR_N_MM), rows - 1)
    count = high - low
    gain = np.log1p(strength)
    near, far = round(0.2 / PAIR_N_MM), round(1.0 / PAIR_N_MM)
    padded_colour = np.pad(colour, ((far, far), (0, 0), (0, 0)), mode="edge")
    above = np.mean([padded_colour[far - k : far - k + rows] for k in range(near, far + 1)], axis=0)
    below = np.mean([padded_colour[far + k : far + k + rows] for k in range(near, far + 1)], axis=0)
    left = np.arange(rows)[:, None]
    width = np.arange(low, high)[None, :]
    legal = left + width < rows
    moves = [(a, b) for a in range(-BEND, BEND + 1) for b in range(-BEND, BEND + 1)]
    cost = [0.10 * (abs(a) + abs(b)) + 0.15 * abs(a - b) for a, b in moves]
    reach = 2 * BEND
    back = np.zeros((columns, rows, count), np.int8)
    unlike = np.sqrt(sum((above[:, None, :, c] - _shifted(below[..., c], low, count)) ** 2 for c in range(3)))
    scores = gain[:, None, :] + _shifted(gain, low, count) - 1.5 * np.minimum(unlike / 40, 1.0)
    scores = np.where(legal[..., None], scores, -1e9).astype(np.float32)
    padded = np.full((rows + 2 * reach, count + 2 * reach), -1e9, np.float32)
    inner = padded[reach : reach + rows, reach : reach + count]
    inner[:] = scores[..., 0]
    came = np.empty((len(moves), rows, count), np.float32)
    for j in range(1, columns):
        for k, ((a, b), price) in enumerate(zip(moves, cost, strict=True)):
            # A pair (left, width) came from (left - a, width - (b - a)).
            top, side = reach - a, reach - (b - a)
            np.subtract(padded[top : top + rows, side : side + count], np.float32(price), out=came[k])
        back[j] = came.argmax(0)
        inner[:] = came.max(0) + scores[..., j]
    total = inner
    lefts, wides = np.empty(columns, np.int64), np.empty(columns, np.int64)
    at, wide = np.unravel_index(int(total.argmax()), total.shape)
    for j in range(columns - 1, -1, -1):
        lefts[j], wides[j] = at, wide
        if j:
            a, b = moves[back[j, at, wide]]
            at, wide = at - a, wide - (b - a)
    return lefts, lefts + wides + low


def _shifted(values: Floats, low: int, count: int) -> Floats:
    """Values (rows, columns) at row + width for each width: (rows, count, columns); the last row beyond the end."""
    rows = np.minimum(np.arange(len(values))[:, None] + np.arange(low, low + count)[None, :], len(values) - 1)
    return values[rows]


def _read(values: Floats, rows: Floats, columns: Floats) -> Floats:
    """Values at fractional rows and columns, between neighbours."""
    return cv2.remap(
        values, columns.astype(np.float32), rows.astype(np.float32), cv2.INTER_LINEAR, borderMode=cv2.BORDER_REPLICATE
    )


def _each_toe(strength: Floats, price: float = 0.06) -> Whole:
    """Strongest path over columns for each of several toes at once: row indices (toes, columns).

    A path moves at most one row for each column.

    Args:
        strength: (toes, rows, columns).
    """
    gain = np.log1p(strength).astype(np.float64)
    toes, rows, columns = gain.shape
    back = np.zeros((columns, toes, rows), np.int8)
    padded = np.full((toes, rows + 2), -1e9)
    came = np.empty((3, toes, rows))
    padded[:, 1:-1] = gain[:, :, 0]
    for j in range(1, columns):
        np.subtract(padded[:, :-2], price, out=came[0])
        came[1] = padded[:, 1:-1]
        np.subtract(padded[:, 2:], price, out=came[2])
        back[j] = came.argmax(0)
        padded[:, 1:-1] = came.max(0) + gain[:, :, j]
    path = np.empty((toes, columns), np.int64)
    path[:, -1] = padded[:, 1:-1].argmax(1)
    each = np.arange(toes)
    for j in range(columns - 1, 0, -1):
        path[:, j - 1] = path[:, j] + back[j, each, path[:, j]] - 1
    return path


def _pooled(strength: Floats, band: Band) -> tuple[Floats, Floats, Floats, Floats]:
    """Coarse grid of the pair search: strongest edge and mean colour of each cell, the cells' s and n."""
    down, right = max(1, round(PAIR_N_MM * band.px_per_mm)), max(1, round(PAIR_S_MM * band.px_per_mm))
    rows, columns = strength.shape[0] // down, strength.shape[1] // right
    cells = strength[: rows * down, : columns * right].reshape(rows, down, columns, right)
    s = band.s_mm[0] + (np.arange(columns) + 0.5) * right / band.px_per_mm
    n = band.n_mm[0] + (np.arange(rows) + 0.5) * down / band.px_per_mm
    lab = (band.lab * SURROUNDINGS_WEIGHT)[: rows * down, : columns * right]
    colour = lab.reshape(rows, down, columns, right, 3).mean((1, 3))
    return cells.max(1).mean(2).astype(np.float64), colour.astype(np.float64), s, n


def trace(picture: Pixels, scale: Scale, gains: Floats, candidate: Candidate) -> Toes | None:
    """Trace the bead of a candidate: the pair of toes roughly along its line, then each toe closely.

    Returns None where the line is shorter than 15 mm inside the searched region.
    """
    rough = _rough(picture, scale, gains, candidate.line)
    if rough is None:
        return None
    again = _rough(picture, scale, gains, _line_through(rough))
    if again is None:
        return None
    line = again.line
    band = read_band(picture, scale, gains, line, span_of(picture, scale, line))
    strength = edge_strength(band)
    s = np.arange(band.s_mm[0], band.s_mm[-1], STEP_S_MM)
    columns = np.clip(np.round((s - band.s_mm[0]) * band.px_per_mm).astype(int), 0, len(band.s_mm) - 1)
    middle = np.stack([gaussian_filter1d(np.interp(s, again.s_mm, toe), 3.0) for toe in (again.left_mm, again.right_mm)])
    offset = np.arange(-0.9, 0.91, STEP_N_MM)
    rows = (middle[:, None, :] + offset[None, :, None] - band.n_mm[0]) * band.px_per_mm
    where = np.broadcast_to(columns, rows.shape)
    near = np.stack([_read(strength, r, w) for r, w in zip(rows, where, strict=True)])
    path = _each_toe(near)
    toes = [m + offset[p] for m, p in zip(middle, path, strict=True)]
    both = np.minimum(*(n[p, np.arange(len(s))] for n, p in zip(near, path, strict=True)))
    first, last = _strong_run(np.log1p(both))
    return Toes(line, s, toes[0], toes[1], both, float(s[first]), float(s[last]))


def _rough(picture: Pixels, scale: Scale, gains: Floats, line: Line) -> Toes | None:
    span = span_of(picture, scale, line)
    if span[1] - span[0] < 15:
        return None
    band = read_band(picture, scale, gains, line, span, px_per_mm=min(ROUGH_PX_PER_MM, 1 / scale.mm_per_px))
    strength, colour, s, n = _pooled(edge_strength(band), band)
    lefts, rights = _toe_pair(strength, colour)
    columns = np.arange(len(s))
    evidence = np.minimum(strength[lefts, columns], strength[rights, columns])
    first, last = _strong_run(np.log1p(evidence))
    return Toes(line, s, n[lefts], n[rights], evidence, float(s[first]), float(s[last]))


def _strong_run(score: Floats) -> tuple[int, int]:
    """First and last index of the run in which the smoothed score stands out (greatest sum over a threshold)."""
    smooth = gaussian_filter1d(score, max(1.0, len(score) / 120))
    top, floor = np.quantile(smooth, 0.8), np.quantile(smooth, 0.05)
    excess = smooth - (floor + 0.45 * (top - floor))
    best, best_run, run, start = -np.inf, (0, len(score) - 1), 0.0, 0
    for k, value in enumerate(excess):
        if run <= 0:
            run, start = 0.0, k
        run += value
        if run > best:
            best, best_run = run, (start, k)
    return best_run


def _onto(line: Line, toes: Toes) -> Toes:
    """The same toes counted from another straight line close by."""
    moved = []
    for toe in (toes.left_mm, toes.right_mm):
        points = toes.line.mm(toes.s_mm, toe) - line.origin
        moved.append((points @ line.along, points @ line.across))
    s = (moved[0][0] + moved[1][0]) / 2
    left, right = (np.interp(s, at, n) for at, n in moved)
    start, end = (float(np.interp(v, toes.s_mm, s)) for v in (toes.start_mm, toes.end_mm))
    return Toes(line, s, left, right, toes.evidence, start, end)


def _line_through(toes: Toes) -> Line:
    inside = toes.inside
    points = toes.line.mm(toes.s_mm[inside], toes.centre_mm[inside])
    middle = points.mean(0)
    along = np.linalg.svd(points - middle, full_matrices=False)[2][0]
    if along @ toes.line.along < 0:
        along = -along
    return Line(middle, along)
