"""How sharp a photo is, from the printed black edges of the card's markers."""

import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.scale import Scale, card_geometry
from judicum.core.photo.unwrap import read_at

REACH_MM = 1.2
"""mm to either side of a marker's edge that its light is read."""
STEP_MM = 0.02
"""mm between two readings there."""
END = 25
"""Places at either end of such a line that tell how dark and how light it is."""
MIN_STEP = 25.0
"""Least step of light, of 255, at an edge that tells anything."""


def blur_mm(picture: Pixels, scale: Scale) -> float | None:
    """Standard deviation (mm) of the blur at the card, the worse of its two directions.

    A black-white edge blurred by a Gaussian rises from 16 to 84 % over two standard deviations;
    the median over all marker edges in view is taken. None without a card.
    """
    if not scale.of_card:
        return None
    card = card_geometry()[scale.kind]
    side = card["marker_size"]
    rises: dict[int, list[float]] = {0: [], 1: []}
    offset = np.arange(-REACH_MM, REACH_MM, STEP_MM)
    parts = np.linspace(0.15, 0.85, 8) * side
    for marker in card["markers"]:
        corner = np.array(marker["at"], float)
        for axis in (0, 1):
            for edge, outward in ((0.0, -1.0), (float(side), 1.0)):
                across, along = np.broadcast_arrays(edge + outward * offset, parts[:, None])
                lines = scale.px(corner + np.stack([across, along] if axis == 0 else [along, across], -1))
                seen = ((lines >= 1) & (lines <= np.array(picture.shape[1::-1]) - 2)).all((1, 2))
                if seen.any():
                    rises[axis] += list(_rises(_along(picture, lines[seen])) * STEP_MM)
    medians = [float(np.median(r)) for r in rises.values() if len(r) >= 4]
    return max(medians) / 2 if medians else None


def _along(picture: Pixels, px: Floats) -> Floats:
    """The green of a photo along lines (lines, places, 2) in pixels, between neighbours."""
    low = np.floor(px.min((0, 1))).astype(int)
    high = np.ceil(px.max((0, 1))).astype(int) + 2
    green = np.ascontiguousarray(picture[low[1] : high[1], low[0] : high[0], 1])
    return read_at(green.astype(np.float32), px[..., 1] - low[1], px[..., 0] - low[0])


def _rises(profiles: Floats) -> Floats:
    """Places from 16 to 84 % of each profile (lines, places) that goes from dark to light; the others are left out."""
    dark, light = (np.median(end, axis=1, keepdims=True) for end in (profiles[:, :END], profiles[:, -END:]))
    clear = (light - dark >= MIN_STEP)[:, 0]
    part = ((profiles - dark) / np.maximum(light - dark, 1e-6))[clear]
    high = (part > 0.84).argmax(1)
    below = (part < 0.16) & (np.arange(part.shape[1]) < high[:, None])
    low = np.where(below.any(1), part.shape[1] - 1 - below[:, ::-1].argmax(1), high - 1)
    return np.asarray(high - np.where(high > 0, low, 0), float)
