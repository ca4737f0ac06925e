"""Long faults: undercut beside a toe, sugar on the face, a bead that is missing or swollen."""

import cv2
import numpy as np
from scipy.ndimage import gaussian_filter1d

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.defects.face import Face
from judicum.core.photo.defects.fault import Fault

GROOVE_DARKER = 0.42
"""Natural logarithm by which a groove is darker than the same toe usually is."""
UNDERCUT_MM = 3.0
SUGAR_MM = 2.5
SUGAR_ROUGH = 2.4
SUGAR_DARKER = 0.25
SUGAR_CHROMA = 14.0
GAP_MM = 1.5
BULGE_MM = 1.5
GAP_SHARE = 0.5
BULGE_SHARE = 1.4


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
    """Patches of dull, grey, granular oxide, and where they lie (rows, columns)."""
    step = face.step_mm
    lightness = np.ascontiguousarray(face.lab[..., 0])
    fine = lightness - cv2.GaussianBlur(lightness, (0, 0), 0.18 / step)
    rough = np.sqrt(cv2.GaussianBlur(fine**2, (0, 0), 0.45 / step))
    inside = face.inside(0.25)
    body = inside & (np.abs(face.n_mm)[:, None] < 0.75 * face.half_mm[None, :])
    if body.sum() < 50:
        return [], np.zeros(body.shape, bool)
    usual_rough, usual_light = float(np.median(rough[body])), float(np.median(face.light[body]))
    soft = cv2.GaussianBlur(face.lab, (0, 0), 0.35 / step)
    light = cv2.GaussianBlur(face.light, (0, 0), 0.45 / step)
    chroma = np.hypot(soft[..., 1], soft[..., 2])
    usual_chroma = float(np.median(chroma[body]))
    mask = (
        (rough > max(SUGAR_ROUGH * usual_rough, 2.0))
        & (np.log(np.maximum(light, 1e-4) / usual_light) < -SUGAR_DARKER)
        & (chroma < max(SUGAR_CHROMA, 0.5 * usual_chroma))
        & body
    )
    share = mask.sum(0) / np.maximum(body.sum(0), 1)
    found = []
    for a, b in runs(share > 0.45, step, SUGAR_MM):
        # Its ragged rim is seen to about half of its depth.
        found.append(Fault("sugaring", float(face.s_mm[(a + b) // 2]), 0.0, (b - a) * step + 0.6, 0.85))
    return found, mask


def undercut(face: Face, blind: Flags) -> list[Fault]:
    """Dark grooves along either toe, against how dark that toe usually is."""
    step = face.step_mm
    light = np.log(np.maximum(cv2.GaussianBlur(face.light, (0, 0), sigmaX=0.4 / step, sigmaY=0.08 / step), 1e-4))
    found = []
    at = np.arange(len(face.s_mm))
    margin = max(1, round(0.6 * face.width_mm / step))
    for side in (-1.0, 1.0):
        offset = np.arange(-0.35, 0.66, 0.05)
        rows = (side * (face.half_mm[None, :] + offset[:, None]) - face.n_mm[0]) / step
        columns = np.broadcast_to(at, rows.shape)
        beside = cv2.remap(
            light,
            columns.astype(np.float32),
            rows.astype(np.float32),
            cv2.INTER_LINEAR,
            borderMode=cv2.BORDER_REPLICATE,
        )
        # How much dark lies across the toe: a groove is wider and deeper than the toe's own line.
        darkness = np.sort(beside, axis=0)[: len(offset) // 2].mean(0)
        plate_rows = (side * (face.half_mm[None, :] + np.arange(1.0, 1.7, 0.1)[:, None]) - face.n_mm[0]) / step
        plate = cv2.remap(
            light, np.broadcast_to(at, plate_rows.shape).astype(np.float32), plate_rows.astype(np.float32), cv2.INTER_LINEAR,
            borderMode=cv2.BORDER_REPLICATE,
        ).mean(0)  # fmt: skip
        relative = darkness - gaussian_filter1d(plate, 1.5 / step)
        deeper = np.median(relative[margin:-margin]) - relative if len(at) > 3 * margin else np.zeros(len(at))
        flags = deeper > GROOVE_DARKER
        flags[:margin] = flags[-margin:] = False
        flags &= ~blind.any(0)
        for a, b in runs(flags, step, UNDERCUT_MM, 1.0):
            middle = (a + b) // 2
            confidence = float(np.clip(0.4 + 0.6 * deeper[a : b + 1].mean(), 0.4, 0.95))
            found.append(
                Fault(
                    "undercut",
                    float(face.s_mm[middle]),
                    side * float(face.half_mm[middle] + 0.1),
                    (b - a) * step + 0.8,
                    confidence,
                )
            )
    return found


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
