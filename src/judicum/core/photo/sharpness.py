"""How sharp a photo is, from the printed black edges of the card's markers."""

import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.scale import Scale, card_geometry
from judicum.core.photo.unwrap import read_at

REACH_MM = 1.2


def blur_mm(picture: Pixels, scale: Scale) -> float | None:
    """Standard deviation (mm) of the blur at the card, the worse of its two directions.

    A black-white edge blurred by a Gaussian rises from 16 to 84 % over two standard deviations;
    the median over all marker edges in view is taken. None without a card.
    """
    if scale.kind not in ("window", "strip"):
        return None
    card = card_geometry()[scale.kind]
    side = card["marker_size"]
    rises: dict[int, list[float]] = {0: [], 1: []}
    offset = np.arange(-REACH_MM, REACH_MM, 0.02)
    for marker in card["markers"]:
        corner = np.array(marker["at"], float)
        for axis in (0, 1):
            for edge, outward in ((0.0, -1.0), (float(side), 1.0)):
                step = np.array([outward, 0.0]) if axis == 0 else np.array([0.0, outward])
                parts = np.linspace(0.15, 0.85, 8)[:, None] * side
                at = np.broadcast_to(edge, parts.shape)
                points = corner + np.concatenate([at, parts] if axis == 0 else [parts, at], axis=1)
                for px in scale.px(points[:, None] + offset[:, None] * step):
                    if (px < 1).any() or (px > np.array(picture.shape[1::-1]) - 2).any():
                        continue
                    profile = _along(picture, px)
                    rise = _rise(profile)
                    if rise is not None:
                        rises[axis].append(rise * 0.02)
    medians = [float(np.median(r)) for r in rises.values() if len(r) >= 4]
    return max(medians) / 2 if medians else None


def _along(picture: Pixels, px: Floats) -> Floats:
    """The green of a photo along places (k, 2) in pixels, between neighbours."""
    low = np.floor(px.min(0)).astype(int)
    high = np.ceil(px.max(0)).astype(int) + 2
    green = np.ascontiguousarray(picture[low[1] : high[1], low[0] : high[0], 1])
    return read_at(green.astype(np.float32), (px[:, 1] - low[1])[None], (px[:, 0] - low[0])[None])[0]


def _rise(profile: Floats) -> float | None:
    dark, light = np.median(profile[:25]), np.median(profile[-25:])
    if light - dark < 25:
        return None
    part = (profile - dark) / (light - dark)
    high = int((part > 0.84).argmax())
    low = int(len(part[:high]) - 1 - (part[:high][::-1] < 0.16).argmax()) if high else 0
    return float(high - low)
