"""Both ends of a bead, found by fitting rounded caps to the edge that closes its outline."""

import cv2
import numpy as np
from scipy.ndimage import map_coordinates

from judicum.core.arrays import Floats
from judicum.core.photo.locate import LAB_WEIGHT
from judicum.core.photo.trace import Band, Toes

SEARCH_MM = (-5.0, 6.0)
"""How far inside and outside of the traced end the tip is looked for."""


def find_ends(band: Band, toes: Toes) -> tuple[float, float]:
    """Distance along the line (mm) of the bead's start and end tip.

    Method: half ellipses as wide as the bead near that end, of several lengths, are slid along
    the line; the one whose edge shows the greatest mean colour change across it wins. Resolution
    0.1 mm; a long taper is cut where it becomes narrower than the plate's grain.
    """
    lab = cv2.GaussianBlur(band.lab * LAB_WEIGHT, (0, 0), 0.08 * band.px_per_mm)
    return _tip(band, lab, toes, toes.start_mm, -1.0), _tip(band, lab, toes, toes.end_mm, 1.0)


def _tip(band: Band, lab: Floats, toes: Toes, rough: float, outward: float) -> float:
    width = float(np.median((toes.right_mm - toes.left_mm)[toes.inside]))
    inner = np.abs(toes.s_mm - (rough - outward * 1.5 * width)) < width
    if not inner.any():
        return rough
    half = float(np.median((toes.right_mm - toes.left_mm)[inner])) / 2
    slope, middle = (
        np.polyfit(outward * (toes.s_mm[inner] - rough), toes.centre_mm[inner], 1)
        if inner.sum() > 6
        else (0.0, float(np.median(toes.centre_mm[inner])))
    )
    angle = np.radians(np.linspace(-78, 78, 40))
    tips = np.arange(SEARCH_MM[0], SEARCH_MM[1], 0.1)
    lengths = half * np.array([0.7, 1.0, 1.4, 1.9])
    tip, length, phi = np.meshgrid(tips, lengths, angle, indexing="ij")
    beyond = tip - length * (1 - np.cos(phi))
    across = middle + slope * np.clip(beyond, -2 * width, 0) + half * np.sin(phi)
    normal = np.stack([np.cos(phi) / length, np.sin(phi) / half], -1)
    normal /= np.linalg.norm(normal, axis=-1, keepdims=True)

    def colour(distance: float) -> Floats:
        s = rough + outward * (beyond + distance * normal[..., 0])
        n = across + distance * normal[..., 1]
        where = [(n - band.n_mm[0]) * band.px_per_mm, (s - band.s_mm[0]) * band.px_per_mm]
        return np.stack([map_coordinates(lab[..., c], where, order=1, mode="nearest") for c in range(3)], -1)

    sharp = np.linalg.norm(colour(0.12) - colour(-0.12), axis=-1)
    lasting = np.linalg.norm((colour(0.3) + colour(0.6)) - (colour(-0.3) + colour(-0.6)), axis=-1) / 2
    score = np.log1p(np.sqrt(sharp * (lasting + 1.0))).mean(-1)
    best = np.unravel_index(int(score.argmax()), score.shape)
    return float(rough + outward * tips[best[0]])
