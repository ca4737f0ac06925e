"""A crater: a sunken disc at a bead's end."""

import cv2
import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault

ANGLES = np.radians(np.arange(0, 360, 15))
STANDS_OUT = 3.4
"""How many spreads a ring at an end must stand out from rings elsewhere on the same bead."""
LEAST_RING = 0.10


def craters(face: Face) -> list[Fault]:
    """Craters at either end.

    Circles of several sizes are slid along the middle of the bead; each scores by how dark its rim
    is against just inside and outside, in the weaker half of all directions, so that a ripple front,
    dark on one side only, makes no ring. A ring at an end must stand out from those along the bead.
    """
    step, width = face.step_mm, face.width_mm
    light = np.log(np.maximum(cv2.GaussianBlur(face.light, (0, 0), 0.07 / step), 1e-4))
    places = np.arange(0.3 * width, face.length_mm - 0.3 * width, 0.2)
    radii = width * np.array([0.18, 0.22, 0.26, 0.30, 0.34, 0.38])
    score = np.stack([_ring(face, light, places, r) for r in radii])
    found = []
    for end in (0, 1):
        from_tip = places if end == 0 else face.length_mm - places
        at_end = from_tip < 1.05 * width
        along = (places > 1.5 * width) & (places < face.length_mm - 1.5 * width)
        if along.sum() < 10 or not at_end.any():
            continue
        usual, spread = np.median(score[:, along]), float(np.std(score[:, along])) + 0.01
        row, column = np.unravel_index(int(np.where(at_end[None, :], score, -9).argmax()), score.shape)
        best = float(score[row, column])
        if best < LEAST_RING or (best - usual) / spread < STANDS_OUT:
            continue
        s = float(face.s_mm[0] + places[column])
        found.append(
            Fault(
                "crater",
                s,
                0.0,
                2 * float(radii[row]),
                float(np.clip(0.4 + best, 0.4, 0.95)),
                _pinhole(face, s, float(radii[row])),
            )
        )
    return found


def _ring(face: Face, light: Floats, places: Floats, radius: float) -> Floats:
    """Darkness of the rim at each place: the mean over the weaker half of all directions."""

    def circle(r: float) -> Floats:
        columns = (places[:, None] + r * np.cos(ANGLES)[None, :]) / face.step_mm
        rows = (r * np.sin(ANGLES)[None, :] - face.n_mm[0]) / face.step_mm + np.zeros_like(columns)
        return cv2.remap(
            light,
            columns.astype(np.float32),
            rows.astype(np.float32),
            cv2.INTER_LINEAR,
            borderMode=cv2.BORDER_REPLICATE,
        )

    rim = np.min([circle(radius + d) for d in (-0.08, 0.0, 0.08)], axis=0)
    darker = np.minimum(circle(radius - 0.32), circle(radius + 0.32)) - rim
    return np.sort(darker, axis=1)[:, : len(ANGLES) // 2].mean(1)


def _pinhole(face: Face, s_mm: float, radius: float) -> bool:
    """Whether a hole sits in the crater."""
    near = np.hypot(face.s_mm[None, :] - s_mm, face.n_mm[:, None]) < 0.7 * radius
    light = face.light[near]
    return bool(light.size and np.sort(light)[: max(3, int(0.06 / face.step_mm**2))].mean() < 0.25 * np.median(light))
