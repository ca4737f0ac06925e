"""A crater: a sunken disc at a bead's end."""

import cv2
import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.unwrap import read_at

ANGLES = np.radians(np.arange(0, 360, 15))
STANDS_OUT = 3.0
"""How many spreads a ring at an end must stand out from rings elsewhere on the same bead."""
MIN_RING = 0.14


def craters(face: Face) -> list[Fault]:
    """Craters at either end.

    Circles of several sizes are slid along the middle of the bead and a little to either side; each
    scores by how dark its rim is against just inside and outside, in the weakest fifth of all directions, so that
    a ripple front, dark on one side only, makes no ring. A ring at an end must stand out from those
    along the bead.
    """
    step, width = face.step_mm, face.width_mm
    light = np.log(np.maximum(cv2.GaussianBlur(face.light, (0, 0), 0.06 / step), 1e-4))
    places = np.arange(0.25 * width, face.length_mm - 0.25 * width, 0.15)
    from_tip = np.minimum(places, face.length_mm - places)
    # Rings at the ends are compared with those along the bead, of which every third is enough.
    along = from_tip > 1.5 * width
    places, along = (
        v[(from_tip < 1.05 * width) | (along & (np.arange(len(places)) % 3 == 0))] for v in (places, along)
    )
    if along.sum() < 10:
        return []
    aside = np.array([-0.10, -0.05, 0.0, 0.05, 0.10]) * width
    radii = width * np.array([0.18, 0.21, 0.24, 0.27, 0.30, 0.33, 0.36])
    score = np.stack([[_ring(face, light, places, n, r) for n in aside] for r in radii])
    found = []
    # What rings of each size score along the bead, at their best offset.
    best = score.max(1)
    usual = np.median(best[:, along], axis=1)
    spread = np.std(best[:, along], axis=1) + 0.015
    standing = (score - usual[:, None, None]) / spread[:, None, None]
    for at_end in (places < 1.05 * width, places > face.length_mm - 1.05 * width):
        row, offset, column = np.unravel_index(int(np.where(at_end, standing, -9).argmax()), standing.shape)
        ring = float(score[row, offset, column])
        if ring < MIN_RING or standing[row, offset, column] < STANDS_OUT:
            continue
        s, radius = float(face.s_mm[0] + places[column]), float(radii[row])
        confidence = float(np.clip(0.4 + ring, 0.4, 0.95))
        found.append(
            Fault(
                "crater", s, face.across(s, float(aside[offset])), 2 * radius, confidence, has_pinhole(face, s, radius)
            )
        )
    return found


def _ring(face: Face, light: Floats, places: Floats, n_mm: float, radius: float) -> Floats:
    """Darkness of the rim round each place: the weakest fifth of all directions."""

    def circle(r: float) -> Floats:
        columns = (places[:, None] + r * np.cos(ANGLES)[None, :]) / face.step_mm
        rows = (n_mm + r * np.sin(ANGLES)[None, :] - face.n_mm[0]) / face.step_mm
        return read_at(light, rows, columns)

    rim = np.minimum(circle(radius - 0.06), circle(radius + 0.06))
    darker = (circle(radius - 0.3) + circle(radius + 0.3)) / 2 - rim
    return np.quantile(darker, 0.2, axis=1)


def has_pinhole(face: Face, s_mm: float, radius: float) -> bool:
    """Whether a hole sits in the crater."""
    near = np.hypot(face.s_mm[None, :] - s_mm, face.n_mm[:, None]) < 0.7 * radius
    light = face.light[near]
    return bool(light.size and np.sort(light)[: max(3, int(0.06 / face.step_mm**2))].mean() < 0.25 * np.median(light))
