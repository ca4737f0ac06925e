"""Heat tint of a bead and of the zone beside it, read against untinted plate.

Light has three unknowns at each place: its colour, its strength and the slope of the surface.
Colour is taken from the plate far from the bead; strength and slope are left free by comparing
chromaticity first. A pixel's film is the point of the film-colour curve that explains it best
when its brightness may vary within what shine and slope can do.
"""

from dataclasses import dataclass
from functools import cache

import cv2
import numpy as np

from judicum.core.arrays import Floats, Whole
from judicum.core.photo.band import Band
from judicum.core.photo.film import (
    GREY_LEVEL,
    UNTINTED_LAB,
    film_lab,
    lab_to_linear,
    level_name,
    level_of_film,
    linear_to_lab,
)
from judicum.core.photo.plate import Plate, tint_reach
from judicum.core.photo.segment import GRANULAR
from judicum.core.photo.smooth import smoothed
from judicum.core.photo.unwrap import read_at

THICKNESS_NM = np.arange(0.0, 75.1, 1.5)
GAINS = np.exp(np.linspace(np.log(0.55), np.log(1.7), 13))
"""How bright shine and slope make a place beside the bead, against the plate."""
FACE_GAINS = np.exp(np.linspace(np.log(0.3), np.log(1.7), 19))
"""And a place of the face, which mirrors what is darker still."""
CELL_LAB = 0.5
"""CIELAB over which colours are taken as one."""
AT_ONCE = 512
"""Colours compared with every film in one go: more would not stay near the core."""
ZONE_MM = 3.0
ZONE_SHARE = 0.07
"""Of the band, what a level covers at least: a twentieth by definition, and a fiftieth more, which the light's scatter
puts a level too high."""
PALE_SHARE = 0.19
"""The same of pale blue: blue that shines is as light. Where zones were blue it covered up to 0.13, where they were pale blue from 0.28 on."""
PALE_BLUE = 6
"""The level whose share that is."""
ZONE_STEP_MM = 0.1
MIN_CLEAN = 52.0
"""CIELAB lightness under which a place is as dark as the scale's grey oxide (40)."""
MAX_DULL = 9.0
"""CIELAB chroma under which it is as dull (0)."""
BRIGHTEST = 10.0
"""Per cent of a face that are its brightest places. Of matt beads, dull from end to end, they had L* 38 to 49, of clean ones
that mirror something dark 57 and more."""
SHADE_MM = 0.2
"""So far from the toe its own shade hides the film."""


@dataclass(frozen=True)
class Tint:
    """Tint of one bead; levels 0 to 7, widths in mm, `share` of the bead surface by level name."""

    bead: int
    zone: int
    left_mm: float
    right_mm: float
    along: list[int]
    share: dict[str, float]


@cache
def _palette(face: bool) -> tuple[Floats, Floats]:
    """Of every film at every brightness (films × gains) what tells the square of a colour's distance from it, less the
    colour's own square, when multiplied with (L*, a*, b*, 1): (4, k); and the price of the brightness (k,)."""
    gains = FACE_GAINS if face else GAINS
    linear = lab_to_linear(film_lab(THICKNESS_NM))[:, None, :] * gains[None, :, None]
    lab = linear_to_lab(linear.astype(np.float32)).reshape(-1, 3)
    price = np.tile(9.0 * np.abs(np.log(gains)), len(THICKNESS_NM)).astype(np.float32)
    return np.vstack([-2 * lab.T, (lab**2).sum(1)]).astype(np.float32), price


def film_of(lab: Floats, face: bool = False) -> tuple[Floats, Floats]:
    """Film thickness (nm) that explains each colour best, and the misfit (CIELAB).

    Args:
        lab: (k, 3), scaled so that untinted metal reads L* 75, a* 0, b* 0. face: whether they lie on a bead's.
    """
    palette, price = _palette(face)
    # A bead shows the same colours over and over: each is looked up once, to half of what an eye can tell.
    cells = np.round(np.asarray(lab) / CELL_LAB).astype(np.int64)
    _, first, same = np.unique(cells @ (2**24, 2**12, 1), return_index=True, return_inverse=True)
    colours = cells[first].astype(np.float32) * np.float32(CELL_LAB)
    thickness, misfit = np.empty(len(colours)), np.empty(len(colours))
    for at in range(0, len(colours), AT_ONCE):
        some = colours[at : at + AT_ONCE]
        distance = np.column_stack([some, np.ones(len(some), np.float32)]) @ palette
        distance += (some**2).sum(1)[:, None]
        np.sqrt(np.maximum(distance, 0, out=distance), out=distance)
        distance += price
        best = distance.argmin(1)
        thickness[at : at + AT_ONCE] = THICKNESS_NM[best // (len(price) // len(THICKNESS_NM))]
        misfit[at : at + AT_ONCE] = distance[np.arange(len(some)), best]
    return thickness[same], misfit[same]


def against_plate(light: Floats, plate: Floats) -> Floats:
    """CIELAB of linear light (..., 3), scaled so that this plate reads L* 75 and neutral."""
    neutral = lab_to_linear(np.array(UNTINTED_LAB))
    scaled = (light / np.maximum(plate, 1e-3) * neutral).astype(np.float32)
    return linear_to_lab(scaled.reshape(-1, 1, 3)).reshape(light.shape)


def read_tint(band: Band, plate: Plate, left_mm: Floats, right_mm: Floats, s_mm: Floats, granular: Floats) -> Tint:
    """Tint figures of a bead.

    Args:
        band: straight band around the bead. plate: the untinted plate beside it.
        left_mm, right_mm: (k,) toes across the band; s_mm: (k,) along it, evenly spaced. granular: (k,) share of the
            face across the bead that is grey and granular.
    """
    step = float(s_mm[1] - s_mm[0])
    soft = cv2.GaussianBlur(band.linear, (0, 0), sigmaX=0.25 * band.px_per_mm, sigmaY=0.10 * band.px_per_mm)

    def read(n: Floats) -> Floats:
        return read_at(soft, (n - band.n_mm[0]) * band.px_per_mm, (s_mm - band.s_mm[0]) * band.px_per_mm)

    u = np.linspace(0.14, 0.86, 11)[:, None]
    # Across the face the plate's light goes from the left side's to the right side's.
    face_plate = (plate.left * (1 - u) + plate.right * u)[:, None, :]
    levels = levels_of(against_plate(read(left_mm * (1 - u) + right_mm * u), face_plate), granular)
    zones = []
    for toe, sign, colour in ((left_mm, -1.0, plate.left), (right_mm, 1.0, plate.right)):
        away = np.arange(SHADE_MM + ZONE_STEP_MM / 2, ZONE_MM, ZONE_STEP_MM)[:, None]
        places = smoothed(read(toe[None, :] + sign * away), 1.0 / step, axis=1)
        level = levels_of(against_plate(places, colour))
        # What lies in the toe's shadow is taken to be as what comes next.
        zones.append(np.concatenate([np.repeat(level[:1], round(SHADE_MM / ZONE_STEP_MM), axis=0), level]))
    beside = np.concatenate(zones)
    covered = [k for k in range(GREY_LEVEL) if (beside == k).mean() >= (PALE_SHARE if k == PALE_BLUE else ZONE_SHARE)]
    millimetre = np.floor(s_mm - s_mm[0]).astype(int)
    along = [int(np.median(levels[:, millimetre == k])) for k in range(millimetre[-1] + 1)]
    share = {level_name(k): float((levels == k).mean()) for k in range(8)}
    bead = int(np.median(levels))
    # Gas that leaves a whole face grey leaves its toes grey, and the toe's shade hides a twentieth of the band.
    zone = GREY_LEVEL if bead == GREY_LEVEL else max(covered, default=0)
    return Tint(bead, zone, *tint_reach(plate), along, share)


def levels_of(lab: Floats, granular: Floats | None = None) -> Whole:
    """Levels of places (rows across, columns along, 3: CIELAB against the plate) of a face that is `granular` (columns,), or of
    the zone beside one."""
    thickness, _ = film_of(lab.reshape(-1, 3).astype(np.float32), face=granular is not None)
    levels = level_of_film(thickness).reshape(lab.shape[:-1])
    if granular is not None:
        dull = (lab[..., 0] < MIN_CLEAN) & (np.hypot(lab[..., 1], lab[..., 2]) < MAX_DULL)
        # What is dull on a face that shines elsewhere, and no grey oxide to the networks, is clean metal that mirrors something dark.
        matt = np.percentile(lab[..., 0], 100 - BRIGHTEST) < MIN_CLEAN
        levels = np.where(dull & (matt | (granular > GRANULAR)), GREY_LEVEL, levels)
    return levels
