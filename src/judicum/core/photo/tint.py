"""Heat tint of a bead and of the zone beside it, read against untinted plate.

Light has three unknowns at each place: its colour, its strength and the slope of the surface.
Colour is taken from the plate far from the bead; strength and slope are left free by comparing
chromaticity first. A pixel's film is the point of the film-colour curve that explains it best
when its brightness may vary within what shine and slope can do.
"""

from dataclasses import dataclass

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d, map_coordinates

from judicum.core.arrays import Flags, Floats, Whole
from judicum.core.photo.film import GREY_LEVEL, film_lab, lab_to_linear, level_name, level_of_film, linear_to_lab
from judicum.core.photo.trace import Band

THICKNESS_NM = np.arange(0.0, 75.1, 1.5)
GAINS = np.exp(np.linspace(np.log(0.55), np.log(1.7), 13))
ZONE_MM = 3.0
UNTINTED_DELTA = 8.0


@dataclass(frozen=True)
class Tint:
    """Tint of one bead; levels 0 to 7, widths in mm, `share` of the bead surface by level name."""

    bead: int
    zone: int
    left_mm: float
    right_mm: float
    along: list[int]
    share: dict[str, float]

    def figures(self) -> dict[str, object]:
        """The `tint` part of the measurement's JSON."""
        return {
            "bead": {"level": self.bead, "name": level_name(self.bead)},
            "haz": {"level": self.zone, "name": level_name(self.zone)},
            "width_mm": {"left": self.left_mm, "right": self.right_mm},
            "along": self.along,
            "share": self.share,
        }


def _palette() -> tuple[Floats, Floats]:
    """CIELAB of every film at every brightness (films, gains, 3) and the price of the brightness."""
    linear = lab_to_linear(film_lab(THICKNESS_NM))[:, None, :] * GAINS[None, :, None]
    lab = linear_to_lab(linear.astype(np.float32)).astype(np.float64)
    price = 9.0 * np.abs(np.log(GAINS))
    return lab, price


def film_of(lab: Floats) -> tuple[Floats, Floats]:
    """Film thickness (nm) that explains each colour best, and the misfit (CIELAB).

    Args:
        lab: (k, 3), scaled so that untinted metal reads L* 75, a* 0, b* 0.
    """
    palette, price = _palette()
    flat = palette.reshape(-1, 3)
    cost_of = np.broadcast_to(price, palette.shape[:2]).reshape(-1)
    thickness = np.empty(len(lab))
    misfit = np.empty(len(lab))
    for k in range(0, len(lab), 4096):
        part = lab[k : k + 4096]
        distance = (
            np.sqrt(np.maximum((part**2).sum(1)[:, None] + (flat**2).sum(1)[None] - 2 * part @ flat.T, 0)) + cost_of
        )
        best = distance.argmin(1)
        thickness[k : k + 4096] = THICKNESS_NM[best // len(GAINS)]
        misfit[k : k + 4096] = distance[np.arange(len(part)), best]
    return thickness, misfit


def against_plate(band: Band, left_mm: Floats, right_mm: Floats, s_mm: Floats) -> Floats:
    """Scale a band so that its untinted plate reads L* 75 and neutral.

    The plate's colour is the median of what lies furthest from the bead on each side of the band
    (the outer quarter that the photo shows); light that fades across the band is followed by a
    straight line between both sides.
    """
    linear = cv2.cvtColor(band.lab, cv2.COLOR_LAB2LBGR)
    neutral = lab_to_linear(np.array([75.0, 0.0, 0.0]))
    middle = float(np.mean((left_mm + right_mm) / 2))
    columns = (band.s_mm >= s_mm[0]) & (band.s_mm <= s_mm[-1])
    sides = []
    for sign in (-1, 1):
        away = sign * (band.n_mm - middle)
        seen = band.seen[:, columns].mean(1) > 0.6
        usable = away[seen & (away > 0)]
        if not usable.size:
            continue
        rows = seen & (away > max(usable.max() * 0.72, 0.0)) & (away <= usable.max())
        plate = np.median(linear[rows][:, columns].reshape(-1, 3), axis=0)
        sides.append((float(band.n_mm[rows].mean()), plate))
    if len(sides) == 2:
        part = np.clip((band.n_mm - sides[0][0]) / (sides[1][0] - sides[0][0]), 0, 1)[:, None]
        plate = sides[0][1] * (1 - part) + sides[1][1] * part
    else:
        plate = np.broadcast_to(sides[0][1], (len(band.n_mm), 3))
    return linear_to_lab((linear / np.maximum(plate, 1e-3)[:, None, :] * neutral).astype(np.float32))


def read_tint(band: Band, left_mm: Floats, right_mm: Floats, s_mm: Floats) -> Tint:
    """Tint figures of a bead.

    Args:
        band: straight band around the bead, about 9 mm to either side.
        left_mm, right_mm: (k,) toes across the band; s_mm: (k,) along it, evenly spaced.
    """
    lab = cv2.GaussianBlur(against_plate(band, left_mm, right_mm, s_mm), (0, 0), 0.12 * band.px_per_mm)

    def read(n: Floats) -> Floats:
        where = [(n - band.n_mm[0]) * band.px_per_mm, np.broadcast_to((s_mm - band.s_mm[0]) * band.px_per_mm, n.shape)]
        return np.stack([map_coordinates(lab[..., c], where, order=1, mode="nearest") for c in range(3)], -1)

    u = np.linspace(0.15, 0.85, 25)[:, None]
    face = read(left_mm * (1 - u) + right_mm * u)
    levels = _levels(face)
    zones = []
    widths = []
    for toe, sign in ((left_mm, -1.0), (right_mm, 1.0)):
        distance = np.arange(0.0, 9.0, 0.1)[:, None]
        n = toe[None, :] + sign * distance
        beside = read(n)
        zones.append(_levels(beside[3:31:2], grey=False))
        widths.append(_tint_width(beside, distance[:, 0], (n > band.n_mm[0]) & (n < band.n_mm[-1])))
    zone = np.concatenate([z.ravel() for z in zones])
    covered = [level for level in range(7) if (zone == level).mean() >= 0.05]
    millimetre = np.floor(s_mm - s_mm[0]).astype(int)
    along = [int(np.median(levels[:, millimetre == k])) for k in range(millimetre[-1] + 1)]
    share = {level_name(k): float((levels == k).mean()) for k in range(8)}
    return Tint(int(np.median(levels)), max(covered, default=0), widths[0], widths[1], along, share)


def _levels(lab: Floats, grey: bool = True) -> Whole:
    flat = lab.reshape(-1, 3)
    thickness, _ = film_of(flat)
    levels = level_of_film(thickness)
    if grey:
        dull = (flat[:, 0] < 52) & (np.hypot(flat[:, 1], flat[:, 2]) < 9)
        levels = np.where(dull, GREY_LEVEL, levels)
    return levels.reshape(lab.shape[:-1])


def _tint_width(beside: Floats, distance: Floats, inside: Flags) -> float:
    """Mean distance (mm) outward to where the colour no longer differs from untinted plate.

    Colour is averaged over 3 mm along the bead so that grain does not end or prolong the zone.
    """
    chroma = gaussian_filter1d(beside[..., 1:], 6.0, axis=1)
    tinted = (np.hypot(chroma[..., 0], chroma[..., 1]) > UNTINTED_DELTA) & inside
    last = np.where(tinted.any(0), tinted.shape[0] - 1 - tinted[::-1].argmax(0), 0)
    return float(distance[last].mean())
