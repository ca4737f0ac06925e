"""A straight band of the photo around a line, and how strongly its colour changes across it."""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Flags, Floats
from judicum.core.photo.film import film_and_shade, linear_to_lab, srgb_to_linear
from judicum.core.photo.locate import LAB_WEIGHT, regions
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale
from judicum.core.photo.unwrap import Line, length_of, read_grid

HALF_BAND_MM = 9.0
FINEST_PX_PER_MM = 12.0
THIN = 3
"""Every so many samples are enough for the colour of the plate and the usual edge."""
ALONG_MM = 0.5
"""How far the light is averaged along the line before edges across it are looked for."""
LINE_WEIGHT = 0.7
"""Weight of a dark line (CIELAB lightness) beside a change of colour."""
VIEW_WEIGHTS = (0.5, 0.5)
SHADE_WEIGHT, FILM_WEIGHT = 25.0, 0.8
"""Units of an edge: natural logarithm of the shade, and nm of film."""


@dataclass(frozen=True)
class Band:
    """A straight band of the photo: rows over n, columns over s.

    `linear` (rows, columns, 3: blue, green, red) is white-balanced linear light, `lab` its CIELAB,
    `seen` tells where the photo and the searched regions reach.
    """

    line: Line
    s_mm: Floats
    n_mm: Floats
    linear: Floats
    lab: Floats
    seen: Flags

    @property
    def px_per_mm(self) -> float:
        return float(1 / (self.s_mm[1] - self.s_mm[0]))

    def within(self, half_mm: float) -> "Band":
        """The same band cut to half_mm on either side of the line."""
        rows = np.abs(self.n_mm) <= half_mm
        return Band(self.line, self.s_mm, self.n_mm[rows], self.linear[rows], self.lab[rows], self.seen[rows])


def span_of(picture: Picture, scale: Scale, line: Line) -> tuple[float, float]:
    """Where the line runs inside a searched region and inside the photo: first and last mm along it."""
    s = np.arange(-250.0, 250.0, 0.5)
    points = line.mm(s, 0.0)
    px = scale.px(points)
    ok = ((px > 3) & (px < np.array(picture.size_px) - 4)).all(-1)
    boxes = [((points >= r.low) & (points <= r.high)).all(-1) for r in regions(picture, scale)]
    good = s[ok & np.any(boxes, axis=0)]
    return (float(good[0]), float(good[-1])) if good.size else (0.0, 0.0)


def read_band(
    picture: Picture,
    scale: Scale,
    gains: Floats,
    line: Line,
    span: tuple[float, float],
    px_per_mm: float | None = None,
    half_mm: float = HALF_BAND_MM,
) -> Band:
    """Read the photo on a grid along a line, `half_mm` to each side, at up to FINEST_PX_PER_MM."""
    density = px_per_mm or min(FINEST_PX_PER_MM, 1 / scale.mm_per_px)
    s = np.arange(span[0], span[1], 1 / density)
    n = np.arange(-half_mm, half_mm, 1 / density)
    linear = srgb_to_linear(read_grid(picture, scale, line, span, (-half_mm, half_mm), density))
    linear = linear * gains.astype(np.float32)
    # Where the photo and the searched regions reach is told on a coarse grid and spread.
    coarse = max(1, round(0.5 * density))
    points = line.mm(s[None, ::coarse], n[::coarse, None])
    px = scale.px(points)
    seen = ((px > 1) & (px < np.array(picture.size_px) - 2)).all(-1)
    seen &= np.any([((points >= r.low) & (points <= r.high)).all(-1) for r in regions(picture, scale)], axis=0)
    spread = np.repeat(np.repeat(seen, coarse, 0), coarse, 1)[: len(n), : len(s)]
    return Band(line, s, n, linear, linear_to_lab(linear), spread)


def bare_metal(band: Band) -> Floats:
    """Linear light (3,) of the plate: the median of the outer rows of the band that the photo shows."""
    rows = np.abs(band.n_mm) > 0.7 * float(np.abs(band.n_mm).max())
    seen = band.seen[rows][::THIN, ::THIN]
    outer = band.linear[rows][::THIN, ::THIN][seen] if seen.sum() > 50 else band.linear.reshape(-1, 3)
    return np.maximum(np.median(outer, axis=0), 1e-3)


def edge_strength(band: Band) -> Floats:
    """How sharply and how lastingly the metal changes across, (rows, columns), in units of its own median.

    The geometric mean of two views of the same light: its colour (CIELAB), in which a toe always
    shows but so does a contour of the tint; and its film and shade taken apart, in which contours
    are faint but thin film on bare plate is noisy.
    """
    density = band.px_per_mm
    light = cv2.GaussianBlur(band.linear, (0, 0), sigmaX=ALONG_MM * density, sigmaY=0.07 * density)
    film, shade = film_and_shade(light, bare_metal(band))
    views: list[Floats] = [
        linear_to_lab(light) * LAB_WEIGHT,
        np.stack([SHADE_WEIGHT * shade, FILM_WEIGHT * film], -1),
    ]
    seen = cv2.erode(band.seen.astype(np.uint8), np.ones((5, 5), np.uint8), borderValue=0)
    if not seen.any():
        return np.zeros(seen.shape, np.float32)
    both = np.ones(seen.shape, np.float32)
    for view, weight in zip(views, VIEW_WEIGHTS, strict=True):
        steps = _steps(view, density) * seen
        both *= (steps / (np.median(steps[::THIN, ::THIN][seen[::THIN, ::THIN] > 0]) + 0.4)) ** weight
    return both


def _steps(view: Floats, density: float) -> Floats:
    """Geometric mean of the change over 0.2 mm and that between the half millimetres on either side, and dark lines.

    Args:
        view: (rows, columns, channels), brightness first, in units in which 1 is hardly seen.
    """
    narrow, wide = max(1, round(0.10 * density)), max(2, round(0.5 * density))
    sharp = np.zeros_like(view)
    sharp[narrow:-narrow] = view[2 * narrow :] - view[: -2 * narrow]
    mean = cv2.blur(view, (1, wide))
    lasting = np.zeros_like(view)
    gap = wide // 2 + max(1, round(0.15 * density))
    lasting[gap:-gap] = mean[2 * gap :] - mean[: -2 * gap]
    lasts = length_of(lasting)
    # What an even fade over the wide step would change over the narrow one is no edge.
    sudden = np.maximum(length_of(sharp) - 0.9 * lasts * narrow / gap, 0.0)
    # The face rolls off at its edge: a dark line, which no contour of the tint has.
    near = max(2, round(0.28 * density))
    brightness = view[..., 0]
    line = np.zeros_like(brightness)
    line[near:-near] = (brightness[2 * near :] + brightness[: -2 * near]) / 2 - brightness[near:-near]
    line = np.clip(line, 0, 15)
    return np.asarray(cv2.pow(sudden, 0.6) * cv2.pow(lasts + 1.0, 0.4) + LINE_WEIGHT * line)
