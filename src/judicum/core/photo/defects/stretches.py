"""Long faults: undercut beside a toe, sugar on the face, a bead that is missing or swollen."""

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault
from judicum.core.photo.unwrap import read_at

GROOVE_DARKER = 0.55
"""Natural logarithm by which a groove is darker than the same toe usually is."""
GROOVE_SPREADS = 2.0
"""How many times the toe's usual change (its median to its brightest tenth) a groove goes beyond it."""
UNDERCUT_MM = 3.0
SUGAR_MM = 2.5
BLIND_RIM_MM = 1.5
SUGAR_ROUGH = 0.8
SUGAR_DARKER = 0.35
SUGAR_CHROMA = 6.0
SUGAR_GREYER = 6.0
SUGAR_LIGHTNESS = (25.0, 54.0)
GAP_MM = 1.5
MOST_GAP_MM = 15.0
GAP_FILM_NM = 12.0
HOLE_LIGHTNESS = 14.0
BULGE_MM = 2.0
GAP_SHARE = 0.5
BULGE_SHARE = 1.32


def runs(flags: Flags, step_mm: float, least_mm: float, bridge_mm: float = 0.6) -> list[tuple[int, int]]:
    """First and last index of each run of True at least `least_mm` long; breaks up to `bridge_mm` are bridged."""
    closed = cv2.morphologyEx(
        flags.astype(np.uint8)[None, :],
        cv2.MORPH_CLOSE,
        np.ones((1, 2 * max(1, round(bridge_mm / step_mm / 2)) + 1), np.uint8),
    )[0]
    edges = np.flatnonzero(np.diff(np.concatenate([[0], closed, [0]])))
    return [(int(a), int(b) - 1) for a, b in zip(edges[::2], edges[1::2], strict=True) if (b - a) * step_mm >= least_mm]


def sugar(face: Face) -> tuple[list[Fault], Flags]:
    """Patches of dull, grey, granular oxide, and where they lie (rows, columns).

    The oxide is colourless and of middling lightness by itself, and differs from what the face is at
    the same distance from its middle elsewhere: greyer where the face is coloured, darker where it
    is bright; and it is not smooth.
    """
    step = face.step_mm
    lightness = np.ascontiguousarray(face.lab[..., 0])
    fine = lightness - cv2.GaussianBlur(lightness, (0, 0), 0.18 / step)
    rough = np.sqrt(cv2.GaussianBlur(fine**2, (0, 0), 0.45 / step))
    inside = face.inside(0.25)
    body = inside & (np.abs(face.n_mm)[:, None] < 0.75 * face.half_mm[None, :])
    if body.sum() < 50:
        return [], np.zeros(body.shape, bool)
    soft = cv2.GaussianBlur(face.lab, (0, 0), 0.4 / step)
    light = np.log(np.maximum(cv2.GaussianBlur(face.light, (0, 0), 0.45 / step), 1e-4))
    chroma = np.hypot(soft[..., 1], soft[..., 2])
    usual_chroma, usual_light = (np.median(v, axis=1, keepdims=True) for v in (chroma, light))
    grey = (chroma < SUGAR_CHROMA) & (soft[..., 0] > SUGAR_LIGHTNESS[0]) & (soft[..., 0] < SUGAR_LIGHTNESS[1])
    unlike = (light < usual_light - SUGAR_DARKER) | (usual_chroma - chroma > SUGAR_GREYER)
    granular = rough > max(SUGAR_ROUGH, 0.75 * float(np.median(rough[body])))
    mask = grey & unlike & granular & body
    share = mask.sum(0) / np.maximum(body.sum(0), 1)
    found = []
    for a, b in runs(share > 0.5, step, SUGAR_MM, 1.0):
        # Its ragged rim is seen to about half of its depth.
        found.append(Fault("sugaring", float(face.s_mm[(a + b) // 2]), 0.0, (b - a) * step + 0.6, 0.85))
    return found, mask


def undercut(face: Face, blind: Flags) -> list[Fault]:
    """Dark grooves along either toe, against how dark that toe usually is and how much that changes.

    The shade is looked at, not the light: beside a bead the tint alone darkens the plate as deeply.
    """
    step = face.step_mm
    margin = max(1, round(0.6 * face.width_mm / step))
    if len(face.s_mm) < 3 * margin:
        return []
    rim = np.ones(2 * round(BLIND_RIM_MM / step) + 1, np.uint8)
    covered = np.asarray(blind.any(0), np.uint8).reshape(1, -1)
    hidden = np.asarray(cv2.dilate(covered, rim.reshape(1, -1))).reshape(-1) > 0
    flags, depth = [], []
    for side in (-1.0, 1.0):
        # How much dark lies across the toe: a groove is wider and deeper than the toe's own line.
        dark = np.sort(_beside(face, face.shade, side, np.arange(-0.3, 0.71, 0.05)), axis=0)[:8].mean(0)
        plate = gaussian_filter1d(_beside(face, face.shade, side, np.arange(1.0, 1.7, 0.1)).mean(0), 1.0 / step)
        relative = gaussian_filter1d(dark - plate, 0.4 / step)
        usual, high = np.quantile(relative[margin:-margin], [0.5, 0.9])
        deeper = usual - relative
        marked = deeper > max(GROOVE_DARKER, GROOVE_SPREADS * (high - usual))
        marked[:margin] = marked[-margin:] = False
        flags.append(marked & ~hidden)
        depth.append(deeper)
    found = []
    for k, side in enumerate((-1.0, 1.0)):
        for a, b in runs(flags[k], step, UNDERCUT_MM, 1.0):
            if flags[1 - k][a : b + 1].mean() > 0.5:
                continue  # Dark on both sides is a shadow or a change of the tint.
            middle = (a + b) // 2
            confidence = float(np.clip(0.3 + 0.5 * depth[k][a : b + 1].mean(), 0.4, 0.95))
            place = side * float(face.half_mm[middle] + 0.1)
            found.append(Fault("undercut", float(face.s_mm[middle]), place, (b - a) * step + 0.8, confidence))
    return found


def _beside(face: Face, values: Floats, side: float, offset_mm: Floats) -> Floats:
    """Values at distances outside one toe: (offsets, columns)."""
    rows = (side * (face.half_mm[None, :] + offset_mm[:, None]) - face.n_mm[0]) / face.step_mm
    return read_at(values, rows, np.arange(len(face.s_mm)))


def missing(face: Face, blind: Flags) -> list[Fault]:
    """Stretches where both flanks of the face carry another film than elsewhere: there the bead is missing."""
    step = face.step_mm
    other = []
    for side in (-1.0, 1.0):
        share = side * face.n_mm[:, None] / face.half_mm[None, :]
        flank = (share > 0.5) & (share < 0.85)
        film = np.where(flank, face.film_nm, 0).sum(0) / np.maximum(flank.sum(0), 1)
        spread = 1.5 * float(np.median(np.abs(film - np.median(film))))
        other.append(np.abs(gaussian_filter1d(film, 0.3 / step) - np.median(film)) > max(GAP_FILM_NM, 4 * spread))
    middle = face.lab[len(face.n_mm) // 2, :, 0]
    flags = other[0] & other[1] & (blind.mean(0) < 0.1) & (middle > HOLE_LIGHTNESS)
    margin = max(1, round(0.8 * face.width_mm / step))
    flags[:margin] = flags[-margin:] = False
    return [
        Fault("gap", float(face.s_mm[(a + b) // 2]), 0.0, (b - a) * step, 0.7)
        for a, b in runs(flags, step, GAP_MM)
        if (b - a) * step < MOST_GAP_MM
    ]


def uneven_width(s_mm: Floats, width_mm: Floats) -> list[Fault]:
    """Gaps and bulges from the width along the bead, at even places; the rounded ends are left out."""
    step = float(s_mm[1] - s_mm[0])
    usual = float(np.median(width_mm))
    margin = max(1, round(0.8 * usual / step))
    found = []
    for kind, flags, least in (
        ("gap", width_mm < GAP_SHARE * usual, GAP_MM),
        ("bulge", width_mm > BULGE_SHARE * usual, BULGE_MM),
    ):
        flags = flags.copy()
        flags[:margin] = flags[-margin:] = False
        for a, b in runs(flags, step, least):
            found.append(Fault(kind, float(s_mm[(a + b) // 2]), 0.0, (b - a) * step, 0.8))
    return found
