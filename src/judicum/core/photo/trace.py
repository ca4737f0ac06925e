"""Tracing both toes of a bead along a candidate line.

The photo is resampled on a grid along the line. A toe is where the colour changes sharply
(over a tenth of a millimetre) *and* lastingly (over half a millimetre), at right angles to the
bead, often with the dark line of the face's rolled edge; grain changes sharply but not lastingly,
the fading tint lastingly but not sharply. Both toes are found together as the pair of paths with
the strongest change, by dynamic programming over (left toe, width), so that they cannot cross or
swap: first along the whole line, then between the bead's ends, so that nothing beyond them (the
open joint, the edge of a sheet) draws a toe away.
"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Floats, Whole
from judicum.core.photo.band import Band, edge_strength, read_band, span_of
from judicum.core.photo.ends import find_ends
from judicum.core.photo.locate import Candidate
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.toes import Toes, line_through
from judicum.core.photo.unwrap import read_at

WIDE_BAND_MM = 17.0
NEAR_MM = 9.0
BEYOND_MM = 3.0
STEP_S_MM = 0.25
STEP_N_MM = 0.05
ROUGH_PX_PER_MM = 6.0
PAIR_S_MM = 1.5
PAIR_N_MM = 0.25
LEFT_REACH_MM = 5.0
"""How far to the right of the line the left toe may lie: the line runs through the bead, or nearly."""
WIDTH_MM = (1.6, 13.0)
SURROUNDINGS_WEIGHT = np.array([0.3, 1.0, 1.0], np.float32)
LEAST_MM = 12.0
INNER_MM = 0.5
LEAST_INNER = 0.3
MOST_CONTOURS = 4
LEAVES_MM, LEAVES_PRICE = 0.9, 0.28
STANDS_OUT, GOES_ON = 0.36, 0.3
"""Shares of the way from the line's weak places to its strong ones: where a bead is seen, and down to which it goes on."""
FREE_ROWS = 12
BEND = 1
"""In the pair search a toe moves at most BEND cells across for each cell along."""


def _toe_pair(strength: Floats, colour: Floats, lefts: int) -> tuple[Whole, Whole]:
    """Best pair of paths over columns: row indices (left, right), by dynamic programming.

    State: (left row, width in rows); each step along moves either toe by at most BEND rows, at
    a cost, so that the two cannot cross, swap or come closer than the least width. Metal just
    outside either toe was at the melting point, so its film is alike on both sides: a pair whose
    surroundings differ in colour loses.

    Args:
        strength: (rows, columns) edge strength.
        colour: (rows, columns, 3) weighted CIELAB of the cells.
        lefts: the left toe lies in one of the first `lefts` rows.
    """
    rows, columns = strength.shape
    low, high = int(WIDTH_MM[0] / PAIR_N_MM), min(int(WIDTH_MM[1] / PAIR_N_MM), rows - 1)
    count = high - low
    gain = np.log1p(strength)
    near, far = round(0.2 / PAIR_N_MM), round(1.0 / PAIR_N_MM)
    padded_colour = np.pad(colour, ((far, far), (0, 0), (0, 0)), mode="edge")
    above = np.mean([padded_colour[far - k : far - k + rows] for k in range(near, far + 1)], axis=0)
    below = np.mean([padded_colour[far + k : far + k + rows] for k in range(near, far + 1)], axis=0)
    left = np.arange(lefts)[:, None]
    width = np.arange(low, high)[None, :]
    legal = left + width < rows
    moves = [(a, b) for a in range(-BEND, BEND + 1) for b in range(-BEND, BEND + 1)]
    cost = [0.10 * (abs(a) + abs(b)) + 0.15 * abs(a - b) for a, b in moves]
    reach = 2 * BEND
    back = np.zeros((columns, lefts, count), np.int8)
    unlike = np.sqrt(
        sum((above[:lefts, None, :, c] - _shifted(below[..., c], lefts, low, count)) ** 2 for c in range(3))
    )
    scores = gain[:lefts, None, :] + _shifted(gain, lefts, low, count) - 1.5 * np.minimum(unlike / 40, 1.0)
    scores = np.where(legal[..., None], scores, -1e9).astype(np.float32)
    padded = np.full((lefts + 2 * reach, count + 2 * reach), -1e9, np.float32)
    inner = padded[reach : reach + lefts, reach : reach + count]
    inner[:] = scores[..., 0]
    came = np.empty((len(moves), lefts, count), np.float32)
    for j in range(1, columns):
        for k, ((a, b), price) in enumerate(zip(moves, cost, strict=True)):
            # A pair (left, width) came from (left - a, width - (b - a)).
            top, side = reach - a, reach - (b - a)
            np.subtract(padded[top : top + lefts, side : side + count], np.float32(price), out=came[k])
        back[j] = came.argmax(0)
        inner[:] = came.max(0) + scores[..., j]
    total = inner
    path, wides = np.empty(columns, np.int64), np.empty(columns, np.int64)
    at, wide = np.unravel_index(int(total.argmax()), total.shape)
    for j in range(columns - 1, -1, -1):
        path[j], wides[j] = at, wide
        if j:
            a, b = moves[back[j, at, wide]]
            at, wide = at - a, wide - (b - a)
    return path, path + wides + low


def _shifted(values: Floats, lefts: int, low: int, count: int) -> Floats:
    """Values (rows, columns) at row + width for each width: (lefts, count, columns); the last row beyond the end."""
    rows = np.minimum(np.arange(lefts)[:, None] + np.arange(low, low + count)[None, :], len(values) - 1)
    return values[rows]


def _each_toe(gain: Floats, reach: int = 1, price: float = 0.06) -> Whole:
    """Best path over columns for each of several toes at once: row indices (toes, columns).

    A path moves at most `reach` rows for each column, at a price for each row.

    Args:
        gain: (toes, rows, columns).
    """
    toes, rows, columns = gain.shape
    back = np.zeros((columns, toes, rows), np.intp)
    padded = np.full((toes, rows + 2 * reach), -1e9)
    inner = padded[:, reach : reach + rows]
    from_each = np.lib.stride_tricks.sliding_window_view(padded, 2 * reach + 1, axis=1)
    prices = price * np.abs(np.arange(-reach, reach + 1))
    inner[:] = gain[:, :, 0]
    for j in range(1, columns):
        came = from_each - prices
        came.argmax(2, out=back[j])
        inner[:] = came.max(2) + gain[:, :, j]
    path = np.empty((toes, columns), np.int64)
    path[:, -1] = inner.argmax(1)
    each = np.arange(toes)
    for j in range(columns - 1, 0, -1):
        path[:, j - 1] = path[:, j] + back[j, each, path[:, j]] - reach
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
    return cells.max(1).mean(2), colour, s, n


@dataclass(frozen=True)
class Traced:
    """A traced bead: its toes, the wide band they were read in, its `edges` (`edge_strength` within NEAR_MM), how
    `clear` its tips are (`Ends`), and `within`, which traces the pairs of edges inside of the toes one by one, outer
    first: what the toes would be if those found were contours of the tint around the bead.
    """

    toes: Toes
    band: Band
    edges: Floats
    clear: float
    within: Callable[[], Iterator[Toes]]


def trace(picture: Picture, scale: Scale, gains: Floats, candidate: Candidate) -> Traced | None:
    """Trace the bead of a candidate: the pair of toes roughly, its ends, then each toe closely.

    Returns:
        The trace with its band reaching `BEYOND_MM` past either end; None where the line or the bead is
        shorter than `LEAST_MM` inside the searched region.
    """
    density = min(ROUGH_PX_PER_MM, 1 / scale.mm_per_px)
    line = candidate.line
    for _ in range(2):
        whole = span_of(picture, scale, line)
        if whole[1] - whole[0] < LEAST_MM:
            return None
        band = read_band(picture, scale, gains, line, whole, px_per_mm=density)
        rough = _pair(band, edge_strength(band))
        before, line = line, line_through(rough)
    ends = find_ends(band, rough)
    tips = before.mm(np.array([ends.start_mm, ends.end_mm]), float(np.median(rough.centre_mm[rough.inside])))
    low, high = (tips - line.origin) @ line.along
    whole = span_of(picture, scale, line)
    low, high = max(low - BEYOND_MM, whole[0]), min(high + BEYOND_MM, whole[1])
    if high - low < LEAST_MM:
        return None
    between = read_band(picture, scale, gains, line, (low, high), px_per_mm=density)
    edges = edge_strength(between)
    again = _pair(between, edges)
    around = max(low - BEYOND_MM, whole[0]), min(high + BEYOND_MM, whole[1])
    band = read_band(picture, scale, gains, line, around, half_mm=WIDE_BAND_MM)
    strength = edge_strength(band.within(NEAR_MM))
    closely = _closely(band, strength, again, low, high)

    def within() -> Iterator[Toes]:
        outer = again
        for _ in range(MOST_CONTOURS):
            inner = _pair(between, edges, within=outer)
            if _wide(inner) < LEAST_INNER * _wide(again):
                return
            found = _closely(band, strength, inner, low, high)
            yield replace(found, start_mm=closely.start_mm, end_mm=closely.end_mm)
            outer = inner

    return Traced(closely, band, strength, ends.clear, within)


def _wide(toes: Toes) -> float:
    return float(np.median(toes.right_mm - toes.left_mm))


def _closely(band: Band, strength: Floats, rough: Toes, low: float, high: float) -> Toes:
    """Each toe of a rough pair to the twentieth of a millimetre, between two places of the line."""
    near_band = band.within(NEAR_MM)
    s = np.arange(low, high, STEP_S_MM)
    columns = np.clip(np.round((s - band.s_mm[0]) * band.px_per_mm).astype(int), 0, len(band.s_mm) - 1)
    middle = np.stack(
        [gaussian_filter1d(np.interp(s, rough.s_mm, toe), 3.0) for toe in (rough.left_mm, rough.right_mm)]
    )
    offset = np.arange(-0.9, 0.91, STEP_N_MM)
    rows = (middle[:, None, :] + offset[None, :, None] - near_band.n_mm[0]) * band.px_per_mm
    where = np.broadcast_to(columns, rows.shape[1:])
    near = np.stack([read_at(strength, r, where) for r in rows])
    path = _each_toe(np.log1p(near).astype(np.float64))
    left, right = (m + offset[p] for m, p in zip(middle, path, strict=True))
    both = np.minimum(*(n[p, np.arange(len(s))] for n, p in zip(near, path, strict=True)))
    first, last = _strong_run(np.log1p(both))
    return Toes(rough.line, s, left, right, both, float(s[first]), float(s[last]))


def freely(band: Band, edges: Floats, toes: Toes, start_mm: float, end_mm: float) -> Toes:
    """The toes every 0.25 mm from tip to tip as they may go anywhere from the middle to twice the width.

    It follows a gap or a bulge, which a careful trace takes for a mistake; leaving the traced toe by more
    than 0.9 mm has its price, so that a bead without either stays as traced.

    Args:
        edges: `edge_strength` of the band within NEAR_MM of its line.
    """
    lowest = band.within(NEAR_MM).n_mm[0]
    s = np.arange(start_mm, end_mm, STEP_S_MM)
    left, right = np.interp(s, toes.s_mm, toes.left_mm), np.interp(s, toes.s_mm, toes.right_mm)
    half = float(np.median(right - left)) / 2
    away = np.arange(0.1, 2.0 * half, STEP_N_MM)
    centre = gaussian_filter1d((left + right) / 2, 8.0)
    columns = np.broadcast_to((s - band.s_mm[0]) * band.px_per_mm, (len(away), len(s)))
    gains = []
    for side, toe in ((-1.0, left), (1.0, right)):
        rows = (centre[None, :] + side * away[:, None] - lowest) * band.px_per_mm
        off = np.abs(away[:, None] - side * (toe - centre)[None, :]) > LEAVES_MM
        gains.append(np.log1p(read_at(edges, rows, columns)) - LEAVES_PRICE * off)
    path = _each_toe(np.stack(gains).astype(np.float64), FREE_ROWS, 0.04)
    free = centre - away[path[0]], centre + away[path[1]]
    return replace(toes, s_mm=s, left_mm=free[0], right_mm=free[1], evidence=np.zeros_like(s))


def _pair(band: Band, strength: Floats, within: Toes | None = None) -> Toes:
    """The pair of toes with the strongest change (`edge_strength`) in a band, and the run along which it stands out.

    With `within`, only what lies at least `INNER_MM` inside of those toes counts.
    """
    if within is not None:
        left, right = (np.interp(band.s_mm, within.s_mm, toe) for toe in (within.left_mm, within.right_mm))
        n = band.n_mm[:, None]
        strength = strength * ((n > left[None, :] + INNER_MM) & (n < right[None, :] - INNER_MM))
    strength, colour, s, n = _pooled(strength, band)
    lefts, rights = _toe_pair(strength, colour, int(np.searchsorted(n, LEFT_REACH_MM)))
    columns = np.arange(len(s))
    evidence = np.minimum(strength[lefts, columns], strength[rights, columns])
    first, last = _strong_run(np.log1p(evidence))
    return Toes(band.line, s, n[lefts], n[rights], evidence, float(s[first]), float(s[last]))


def _strong_run(score: Floats) -> tuple[int, int]:
    """First and last index of the run in which the smoothed score stands out (greatest sum over a threshold), and goes on."""
    smooth = gaussian_filter1d(score, max(1.0, len(score) / 120))
    top, floor = np.quantile(smooth, 0.8), np.quantile(smooth, 0.05)
    excess = smooth - (floor + STANDS_OUT * (top - floor))
    best, best_run, run, start = -np.inf, (0, len(score) - 1), 0.0, 0
    for k, value in enumerate(excess):
        if run <= 0:
            run, start = 0.0, k
        run += value
        if run > best:
            best, best_run = run, (start, k)
    goes_on = smooth > floor + GOES_ON * (top - floor)
    first, last = best_run
    while first > 0 and goes_on[first - 1]:
        first -= 1
    while last < len(score) - 1 and goes_on[last + 1]:
        last += 1
    return first, last
