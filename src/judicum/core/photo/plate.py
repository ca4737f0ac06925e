"""The untinted plate: what every colour is read against, and how far from the bead the tint reaches."""

from dataclasses import dataclass
from functools import cache

import cv2
import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.band import Band
from judicum.core.photo.film import UNTINTED_NM, film_lab, lab_to_linear
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.unwrap import read_at

AWAY_MM = np.arange(0.2, 15.0, 0.2)
BLOCK_MM = 5.0
STAYS_MM = 0.8
"""Tint has ended where the plate stays untinted for this long outwards."""


@dataclass(frozen=True)
class Plate:
    """Linear light of untinted plate (blue, green, red) left and right of the bead, and the light beside it.

    `blocks` (sides, blocks along, distances, 3) is the linear light at `AWAY_MM` from either toe;
    NaN where the photo does not reach.
    """

    left: Floats
    right: Floats
    blocks: Floats


def read_plate(band: Band, left_mm: Floats, right_mm: Floats, s_mm: Floats) -> Plate:
    """Read the plate on both sides of the bead.

    The untinted colour of a side is the median of the outer quarter of what is seen there, at least
    2 mm; a side that is seen for less than 8 mm takes the other side's colour when that is less
    yellow, since its own may still be tinted.

    Args:
        band: straight band around the bead.
        left_mm, right_mm: (k,) toes across the band; s_mm: (k,) along it, evenly spaced.
    """
    count = max(1, int((s_mm[-1] - s_mm[0]) / BLOCK_MM))
    places = np.array_split(np.arange(len(s_mm)), count)
    blocks = np.full((2, count, len(AWAY_MM), 3), np.nan)
    for side, (toe, sign) in enumerate(((left_mm, -1.0), (right_mm, 1.0))):
        rows = (toe[None, :] + sign * AWAY_MM[:, None] - band.n_mm[0]) * band.px_per_mm
        columns = np.broadcast_to((s_mm - band.s_mm[0]) * band.px_per_mm, rows.shape)
        light = read_at(band.linear, rows, columns)
        where = columns.astype(np.float32), rows.astype(np.float32)
        seen = cv2.remap(band.seen.astype(np.uint8), *where, cv2.INTER_NEAREST, borderValue=0) > 0
        for k, at in enumerate(places):
            enough = seen[:, at].mean(1) > 0.6
            blocks[side, k, enough] = np.median(light[:, at], axis=1)[enough]
    sides: list[Floats | None] = []
    reach: list[float] = []
    for side in (0, 1):
        profile = _median_of_seen(blocks[side])
        known = np.flatnonzero(np.isfinite(profile[:, 0]))
        if not len(known):
            sides.append(None)
            reach.append(0.0)
            continue
        outer = known[-max(10, len(known) // 4) :]
        sides.append(np.median(profile[outer], axis=0))
        reach.append(float(AWAY_MM[known[-1]]))
    return Plate(*_agreed(sides, reach), blocks)


def _median_of_seen(blocks: Floats) -> Floats:
    """Median over the first axis of what is no NaN; NaN where nothing is."""
    seen = np.isfinite(blocks).sum(0)
    ranked = np.sort(blocks, axis=0)  # NaN comes last
    low, high = (np.take_along_axis(ranked, np.maximum(k, 0)[None], 0)[0] for k in ((seen - 1) // 2, seen // 2))
    return np.where(seen > 0, (low + np.where(np.isfinite(high), high, low)) / 2, np.nan)


def _agreed(sides: list[Floats | None], reach: list[float]) -> tuple[Floats, Floats]:
    """Both sides' colours, where one that is hardly seen leans on the other."""
    known = [side for side in sides if side is not None]
    if not known:
        grey = np.full(3, 0.4)
        return grey, grey
    filled = [side if side is not None else known[0] for side in sides]

    def yellow(colour: Floats) -> float:
        return float(np.log(colour[1] / max(colour[0], 1e-4)))

    for k in (0, 1):
        other = filled[1 - k]
        if reach[k] < 8 and yellow(other) < yellow(filled[k]):
            # Same metal, same light: the colour is the other side's, the brightness its own.
            filled[k] = other * (filled[k][1] / other[1])
    return filled[0], filled[1]


@cache
def _least_chroma() -> float:
    """Log-chroma of the thinnest film that counts as tint."""
    thin = lab_to_linear(film_lab(np.array([0.0, UNTINTED_NM])))
    return float(np.linalg.norm(_chroma(thin[1:], thin[0])))


def _chroma(light: Floats, plate: Floats) -> Floats:
    """Log ratios blue/green and red/green against the plate: (..., 2), free of brightness."""
    ratio = np.log(np.maximum(light, 1e-4) / np.maximum(plate, 1e-4))
    return np.stack([ratio[..., 0] - ratio[..., 1], ratio[..., 2] - ratio[..., 1]], -1)


def tint_reach(plate: Plate) -> tuple[float, float]:
    """Mean distance (mm) from the left and the right toe outward to where the plate is untinted again."""
    found = []
    for side, colour in enumerate((plate.left, plate.right)):
        ends = []
        for block in plate.blocks[side]:
            known = np.isfinite(block[:, 0])
            if known.sum() < 8:
                continue
            away = AWAY_MM[known]
            strength = smoothed(np.linalg.norm(smoothed(_chroma(block[known], colour), 1.5, axis=0), axis=-1), 0.5)
            ends.append(_end(away, strength))
        found.append(float(np.mean(ends)) if ends else 0.0)
    return found[0], found[1]


def _end(away: Floats, strength: Floats) -> float:
    """Where a fading strength goes under the least chroma and stays there."""
    least = _least_chroma()
    faint = strength < least
    stays = round(STAYS_MM / (AWAY_MM[1] - AWAY_MM[0]))
    for k in range(len(faint)):
        if faint[k : k + stays].all():
            if k == 0:
                return 0.0
            part = (strength[k - 1] - least) / max(strength[k - 1] - strength[k], 1e-6)
            return float(away[k - 1] + part * (away[k] - away[k - 1]))
    return float(away[-1])
