"""Drawn faces: a straightened bead without card, camera or trace."""

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.defects.face import FACE_MARGIN_MM, Face
from judicum.core.photo.film import film_lab, lab_to_linear, linear_to_lab

STEP_MM = 0.1
LENGTH_MM = 60.0
HALF_MM = 2.5


class Canvas:
    """Linear light and shade of a bead on a plate, to be painted on before it becomes a face."""

    def __init__(self, face_nm: float = 12.0, zone_nm: float = 30.0, seed: int = 3) -> None:
        rng = np.random.default_rng(seed)
        self.s = np.arange(0.0, LENGTH_MM, STEP_MM)
        reach = HALF_MM * 1.15 + FACE_MARGIN_MM
        self.n = np.arange(-reach, reach, STEP_MM)
        beyond = np.abs(self.n)[:, None] - HALF_MM + 0 * self.s[None, :]
        film = np.where(beyond < 0, face_nm, zone_nm * np.exp(-np.clip(beyond, 0, None) / 2.0))
        self.light = lab_to_linear(film_lab(film)) * np.exp(0.02 * rng.standard_normal((*film.shape, 1)))
        self.shade = np.zeros(film.shape)

    def near(self, s_mm: float, n_mm: float, size_mm: float) -> Floats:
        """Where a disc lies: (rows, columns) of bool."""
        return np.hypot(self.s[None, :] - s_mm, self.n[:, None] - n_mm) < size_mm / 2

    def dim(self, where: Floats, share: float) -> None:
        """Leave a share of the light somewhere."""
        self.light[where] *= share
        self.shade[where] += np.log(share)

    def face(self) -> Face:
        lab = linear_to_lab(self.light.astype(np.float32))
        luminance = (self.light @ np.array([0.0722, 0.7152, 0.2126])).astype(np.float32)
        half = np.full(len(self.s), HALF_MM)
        return Face(self.s, self.n, lab, luminance, self.shade.astype(np.float32), half, 0 * half)
