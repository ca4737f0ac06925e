"""Where on the card plane a bead might lie: candidate lines, strongest first.

A bead is bounded by two toes: edges that stay sharp and coherent over many millimetres, a
bead's width apart. The plate is resampled coarsely, its colour gradient is turned into every
direction and averaged along that direction; pairs of parallel edges compete by the weaker of
the two, measured against how strong such edges are elsewhere in the same direction, so that a
brushed plate does not win by its grain.
"""

from dataclasses import dataclass

import cv2
import numpy as np

from judicum.core.arrays import Floats, Pixels
from judicum.core.photo.film import linear_to_lab, srgb_to_linear
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import Scale, card_geometry
from judicum.core.photo.unwrap import Line, length_of, read_grid

COARSE_PX_PER_MM = 2.5
COHERENT_MM = 14.0
WIDTHS_MM = np.arange(2.0, 12.9, 0.8)
THIN = 3
FINE_DEG = 4.0
"""Directions are tried this far apart, every second one first."""
LAB_WEIGHT = np.array([0.6, 1.0, 1.0], np.float32)
"""Lightness counts less than colour: grain and shadow change lightness, film changes colour."""


@dataclass(frozen=True)
class Region:
    """A box of the card plane (mm) in which a bead may lie, and the angles it may take (degrees)."""

    low: Floats
    high: Floats
    angles_deg: Floats


@dataclass(frozen=True)
class Candidate:
    """A line that may run through a bead, with the width there (mm) and its strength (no unit)."""

    line: Line
    width_mm: float
    strength: float


def regions(picture: Picture, scale: Scale) -> list[Region]:
    """The boxes to search: the window's cut-out, both sides of the strip, or the whole photo."""
    if scale.kind == "window":
        cut = card_geometry()["window"]["cut_out"]
        low, size = np.array(cut["at"], float), np.array(cut["size"], float)
        return [Region(low + 1.5, low + size - 1.5, np.arange(-90.0, 90.0, 4.0))]
    if scale.kind == "strip":
        width, height = card_geometry()["strip"]["size"]
        level = np.arange(-16.0, 16.1, 4.0)
        return [
            Region(np.array([-25.0, -38.0]), np.array([width + 25.0, -1.2]), level),
            Region(np.array([-25.0, height + 1.2]), np.array([width + 25.0, height + 38.0]), level),
        ]
    size = np.array(picture.size_px) * scale.mm_per_px
    return [Region(size * 0.02, size * 0.98, np.arange(-90.0, 90.0, 4.0))]


def candidates(picture: Picture, scale: Scale, gains: Floats, most: int = 6) -> list[Candidate]:
    """Lines that may run through the bead, at most `most` of them.

    The strongest of each searched region come first, then each region's next: strength compares
    edges within a region only.
    """
    found = [_in_region(picture, scale, gains, region, most) for region in regions(picture, scale)]
    ranked = [(k, -c.strength, c) for each in found for k, c in enumerate(each)]
    return [c for _, _, c in sorted(ranked, key=lambda item: item[:2])][:most]


def _in_region(picture: Picture, scale: Scale, gains: Floats, region: Region, most: int) -> list[Candidate]:
    step = 1 / COARSE_PX_PER_MM
    x, y = (np.arange(region.low[k], region.high[k], step) for k in (0, 1))
    px = scale.px(np.stack(np.meshgrid(x, y), -1))
    inside = ((px > 2) & (px < np.array(picture.size_px) - 3)).all(-1)
    if inside.mean() < 0.1:
        return []
    spans = ((0.0, region.high[0] - region.low[0]), (0.0, region.high[1] - region.low[1]))
    seen = read_grid(picture, scale, Line(region.low, np.array([1.0, 0.0])), *spans, COARSE_PX_PER_MM)
    lab = linear_to_lab(srgb_to_linear(seen[: len(y), : len(x)]) * gains.astype(np.float32))
    lab = cv2.GaussianBlur(lab * LAB_WEIGHT, (0, 0), 0.2 * COARSE_PX_PER_MM)
    mask = cv2.erode(np.asarray(inside, np.uint8), np.ones((7, 7), np.uint8), borderValue=0)
    gradient = [cv2.Sobel(lab, -1, a, 1 - a, ksize=1, scale=0.5) * mask[..., None] for a in (1, 0)]
    pool: list[tuple[float, float, Floats, float]] = []
    for angle in region.angles_deg[::2]:
        pool += _pairs_at(gradient, mask, float(angle), most)
    near = sorted({item[1] for item in sorted(pool, key=lambda item: -item[0])[: 2 * most]})
    beside = {float(a) for a in region.angles_deg[1::2] if any(abs(a - b) <= FINE_DEG + 0.1 for b in near)}
    for angle in sorted(beside):
        pool += _pairs_at(gradient, mask, angle, most)
    pool.sort(key=lambda item: -item[0])
    kept: list[Candidate] = []
    for strength, angle, at, width in pool:
        along = np.array([np.cos(np.radians(angle)), np.sin(np.radians(angle))])
        line = Line(region.low + at * step, along)
        if all(_differs(line, other.line) for other in kept):
            kept.append(Candidate(line, width, strength))
        if len(kept) == most:
            break
    return kept


def _differs(a: Line, b: Line) -> bool:
    offset = b.origin - a.origin
    return abs(float(offset @ a.across)) > 1.2 or abs(float(a.along @ b.across)) > 0.15


def _pairs_at(
    gradient: list[Floats], mask: Pixels, angle: float, most: int
) -> list[tuple[float, float, Floats, float]]:
    rows, columns = mask.shape
    c, s = np.cos(np.radians(angle)), np.sin(np.radians(angle))
    normal = gradient[1] * c - gradient[0] * s
    reach_x = int(abs(columns * c) + abs(rows * s)) + 2
    reach_y = int(abs(columns * s) + abs(rows * c)) + 2
    # Turned image: column along the direction, row across it.
    turn = np.array([[c, s, 0.0], [-s, c, 0.0]])
    centre = turn[:, :2] @ np.array([columns / 2, rows / 2])
    turn[:, 2] = np.array([reach_x / 2, reach_y / 2]) - centre
    turned = cv2.warpAffine(normal, turn, (reach_x, reach_y), flags=cv2.INTER_LINEAR)
    seen = cv2.warpAffine(mask, turn, (reach_x, reach_y), flags=cv2.INTER_NEAREST).astype(np.float32)
    span = (int(COHERENT_MM * COARSE_PX_PER_MM) | 1, 3)
    # After averaging along the direction every third column tells as much as all.
    even, whole = (
        np.ascontiguousarray(cv2.boxFilter(v, -1, span, borderType=cv2.BORDER_CONSTANT)[:, ::THIN])
        for v in (turned, seen)
    )
    strength = length_of(even)
    strength *= whole > 0.9
    valid = strength[strength > 0]
    if valid.size < 200:
        return []
    strength = strength / (np.median(valid) + 0.15)
    best = np.zeros_like(strength)
    width_at = np.zeros_like(strength)
    for width in WIDTHS_MM:
        half = round(width * COARSE_PX_PER_MM / 2)
        if 2 * half >= reach_y:
            break
        pair = np.zeros_like(strength)
        pair[half:-half] = np.minimum(strength[: -2 * half], strength[2 * half :])
        np.putmask(width_at, pair > best, width)
        np.maximum(best, pair, out=best)
    inverse = cv2.invertAffineTransform(turn)
    found = []
    for _ in range(most):
        row, column = np.unravel_index(int(best.argmax()), best.shape)
        if best[row, column] <= 0:
            break
        at = inverse @ np.array([column * THIN, row, 1.0])
        found.append((float(best[row, column]), angle, at, float(width_at[row, column])))
        best[max(0, row - 5) : row + 6] = 0
    return found
