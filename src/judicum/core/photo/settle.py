"""Where within its step and shadow a toe lies."""

from dataclasses import replace
from functools import cache

import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Floats
from judicum.core.photo.band import Band
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import read_at

OFFSET_MM = np.arange(-0.75, 0.7501, 0.05)
SHIFT_MM = np.arange(-0.42, 0.421, 0.02)
BELIEVED_MM = 0.2
"""A longer shift follows something else than the toe: a contour of the tint beside it, a front."""
DEPTHS = (0.0, 0.2, 0.4, 0.6, 0.85)
REACH_MM = (0.1, 0.15, 0.2)
BLUR_MM = 0.04
PLATE_IS_FLAT = 0.4
"""How much worse a dark line outside the toe is believed than one inside, where the face rolls off."""


def settle(band: Band, toes: Toes) -> Toes:
    """Move each toe from the steepest colour change to where the film changes.

    The light across a toe, median along the bead and aligned on the traced path, is fitted by a
    model of its own: a face and a plate, each with its colour and slope, and darkness that falls
    towards the toe on either side, in the same measure for red, green and blue. The face rolls off
    at its edge and so is dark there, which is why the darkest line is not the toe; the toe is where
    the colours change over. One shift per side: local shape is the path's. Resolution 0.02 mm.
    """
    if toes.inside.sum() < 20:
        return toes
    shifts = (toe_shift(profile) for profile in _profiles(band, toes))
    left, right = (shift if abs(shift) <= BELIEVED_MM else 0.0 for shift in shifts)
    return replace(toes, left_mm=toes.left_mm - left, right_mm=toes.right_mm + right)


def _profiles(band: Band, toes: Toes) -> list[Floats]:
    """Linear light (offsets, 3) across the left and the right toe, inside to outside, median along the bead."""
    places = np.flatnonzero(toes.inside)
    trimmed = places[len(places) // 8 : -max(1, len(places) // 8)]
    found = []
    for toe, outward in ((toes.left_mm, -1.0), (toes.right_mm, 1.0)):
        rows = (toe[trimmed][None, :] + outward * OFFSET_MM[:, None] - band.n_mm[0]) * band.px_per_mm
        columns = np.broadcast_to((toes.s_mm[trimmed] - band.s_mm[0]) * band.px_per_mm, rows.shape)
        light = read_at(band.linear, rows, columns)
        found.append(np.median(light, axis=1))
    return found


def toe_shift(profile: Floats) -> float:
    """Distance (mm) outward from the middle of a profile to the toe.

    Args:
        profile: (k, 3) linear light at `OFFSET_MM`, inside (-) to outside (+).
    """
    misfit = _misfits(_even(profile)) * (1 + PLATE_IS_FLAT * _bank()[1])
    return float(SHIFT_MM[np.argmin(misfit) % len(SHIFT_MM)])


def distinctness(band: Band, toes: Toes) -> float:
    """How much better a step explains the light across the toes than an even fade does; the weaker toe.

    About 1 for the fading edge of a tinted stripe, 3 and more for the toes of a bead.
    """
    return min(distinct(profile) for profile in _profiles(band, toes))


def distinct(profile: Floats) -> float:
    """The same for one profile (offsets, 3) of linear light: misfit of an even fade over that of the best step."""
    light = _even(profile)
    fade = np.linalg.qr(np.vander(OFFSET_MM, 4))[0]
    left_over = (light**2).sum() - ((fade.T @ light) ** 2).sum()
    return float(left_over / max(float(_misfits(light).min()), 1e-4))


def _even(profile: Floats) -> Floats:
    """A profile whose three channels count alike."""
    return profile / np.maximum(profile.mean(0), 1e-5)


def _misfits(light: Floats) -> Floats:
    """What every model of the bank leaves unexplained of a profile (offsets, 3)."""
    explained = np.einsum("mij,ic->mjc", _bank()[0], light)
    return (light**2).sum() - (explained**2).sum((1, 2))


@cache
def _bank() -> tuple[Floats, Floats]:
    """Orthonormal bases (models, offsets, 4) of every model at every shift, and each one's darkness outside.

    The shift runs fastest. A basis holds face and plate, each constant and sloping, dimmed and blurred.
    """
    fine = 0.0125
    x = np.arange(-2.0, 2.0, fine)
    bases, outside = [], []
    for inner in DEPTHS:
        for outer in DEPTHS:
            for reach in REACH_MM if inner or outer else REACH_MM[:1]:
                dark = np.exp(-((x / reach) ** 2))
                face, plate = (x < 0) * (1 - inner * dark), (x >= 0) * (1 - outer * dark)
                parts = [gaussian_filter1d(v, BLUR_MM / fine) for v in (face, face * x, plate, plate * x)]
                for shift in SHIFT_MM:
                    bases.append(np.stack([np.interp(OFFSET_MM - shift, x, part) for part in parts], 1))
                    outside.append(outer)
    return np.linalg.qr(np.array(bases))[0], np.array(outside)
