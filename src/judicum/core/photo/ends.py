"""Both ends of a bead, found by fitting rounded caps to the edge that closes its outline."""

from collections.abc import Callable

import cv2
import numpy as np

from judicum.core.arrays import Floats
from judicum.core.photo.band import FILM_WEIGHT, LINE_WEIGHT, SHADE_WEIGHT, Band, bare_metal
from judicum.core.photo.film import film_and_shade, linear_to_lab
from judicum.core.photo.locate import LAB_WEIGHT
from judicum.core.photo.toes import Toes
from judicum.core.photo.unwrap import length_of, read_at

SEARCH_MM = (-7.0, 18.0)
"""How far inside and outside of the traced end the tip is looked for."""
CAP_LENGTHS = (0.7, 1.0, 1.35)
"""Lengths of the caps that are tried, as shares of half the width."""
STEP_MM = 0.1
AROUND_MM = 2.5
"""How far beyond the toes the light is looked at."""
FLANK, FLANK_MM = 0.5, 2.5
"""Weight of the toes just behind the cap, and how much of them is looked at."""
BEYOND_USUAL = 0.3
"""What counts of an outline's sharpness beyond that of the toes."""
LIKENESS = 1.0
"""Weight of what lies on either side of the outline against how sharp the outline is."""


def find_ends(band: Band, toes: Toes) -> tuple[float, float]:
    """Distance along the line (mm) of the bead's start and end tip.

    Method: half ellipses as wide as the bead near that end, of several lengths, are slid along
    the line. Two things count: how sharply the colour changes across the outline, and whether it is
    face inside and zone outside, as beside the toes nearby; so that neither a ripple front within
    the bead nor a contour of the tint outside is taken for the tip. Resolution 0.1 mm.
    """
    bare = bare_metal(band)
    band = band.within(float(np.abs([toes.left_mm, toes.right_mm]).max()) + AROUND_MM)
    light = cv2.GaussianBlur(band.linear, (0, 0), 0.08 * band.px_per_mm)
    film, shade = film_and_shade(light, bare)
    # Five channels: colour for the edge; film, and a little of the shade, for what is face and what is zone.
    views = linear_to_lab(light) * LAB_WEIGHT, np.dstack([0.3 * SHADE_WEIGHT * shade, FILM_WEIGHT * film])
    return _tip(band, views, toes, toes.start_mm, -1.0), _tip(band, views, toes, toes.end_mm, 1.0)


def _tip(band: Band, views: tuple[Floats, Floats], toes: Toes, rough: float, outward: float) -> float:
    width = float(np.median((toes.right_mm - toes.left_mm)[toes.inside]))
    inner = np.abs(toes.s_mm - (rough - outward * 2.0 * width)) < 1.2 * width
    inner &= toes.inside
    if inner.sum() < 8:
        return rough
    half = float(np.median((toes.right_mm - toes.left_mm)[inner])) / 2
    slope, middle = np.polyfit(outward * (toes.s_mm[inner] - rough), toes.centre_mm[inner], 1)
    slope = float(np.clip(slope, -0.15, 0.15))
    middle = float(np.median(toes.centre_mm[inner] - slope * outward * (toes.s_mm[inner] - rough)))

    def colour(s: Floats, n: Floats) -> Floats:
        """The five channels at places along and across the line (2-D)."""
        columns, rows = (s - band.s_mm[0]) * band.px_per_mm, (n - band.n_mm[0]) * band.px_per_mm
        return np.concatenate([read_at(view, rows, columns) for view in views], axis=-1)

    at = toes.s_mm[inner]
    u = np.linspace(-0.75, 0.75, 9)[:, None]
    face = np.median(colour(np.broadcast_to(at, (9, len(at))), toes.centre_mm[inner] + u * half), axis=(0, 1))[3:]
    away = np.linspace(0.35, 0.8, 5)[:, None]
    zone = [
        colour(np.broadcast_to(at, (5, len(at))), toe[inner] + sign * away)
        for toe, sign in ((toes.left_mm, -1.0), (toes.right_mm, 1.0))
    ]
    beside = np.median(np.concatenate(zone), axis=(0, 1))[3:]

    angle = np.radians(np.linspace(-75, 75, 25))
    tips = np.arange(SEARCH_MM[0], SEARCH_MM[1], STEP_MM)
    tip, length, phi = (
        v.reshape(-1, len(angle)) for v in np.meshgrid(tips, half * np.array(CAP_LENGTHS), angle, indexing="ij")
    )
    beyond = tip - length * (1 - np.cos(phi))
    across = middle + slope * beyond + half * np.sin(phi)
    normal = np.stack([np.cos(phi) / length, np.sin(phi) / half], -1)
    normal /= np.linalg.norm(normal, axis=-1, keepdims=True)

    def ring(distance: float) -> Floats:
        return colour(rough + outward * (beyond + distance * normal[..., 0]), across + distance * normal[..., 1])

    edge, outside, inside = _edge(ring)
    like = _likeness(outside, beside, face) + _likeness(inside, face, beside)

    # The toes reach up to the cap: a contour of the tint beyond the tip has a cap but no toes behind it.
    behind = np.arange(SEARCH_MM[0] - FLANK_MM - 2 * half, SEARCH_MM[1], STEP_MM)[None, :]
    side = np.array([-1.0, 1.0])[:, None]

    def flank(distance: float) -> Floats:
        return colour(rough + outward * behind + 0 * side, middle + slope * behind + side * (half + distance))

    toes_there = _edge(flank)[0].mean(0)
    # It is the same toe all around: an outline sharper than the toes beside it is a contour of the tint.
    usual = float(np.median(toes_there[behind[0] < 0]))
    reached = np.concatenate([[0.0], np.cumsum(toes_there)])
    last = np.clip(np.round((tip[:, 0] - length[:, 0] - behind[0, 0]) / STEP_MM).astype(int), 0, behind.size)
    first = np.maximum(last - round(FLANK_MM / STEP_MM), 0)
    toes_behind = (reached[last] - reached[first]) / np.maximum(last - first, 1)
    sharp = edge.mean(-1)
    score = (
        np.where(sharp > usual, usual + BEYOND_USUAL * (sharp - usual), sharp)
        + FLANK * toes_behind
        + LIKENESS * like.mean(-1)
    )
    return float(rough + outward * tip[int(score.argmax()), 0])


def _edge(at: Callable[[float], Floats]) -> tuple[Floats, Floats, Floats]:
    """How sharply the light changes across a line (rows, columns), and film and shade on its outer and inner side.

    Args:
        at: the five channels at a distance (mm) outward from the line.
    """
    near_in, on, near_out, inside, outside = (at(d) for d in (-0.12, 0.0, 0.12, -0.5, 0.5))
    line = np.clip((inside + outside)[..., 0] / 2 - on[..., 0], 0, 15)
    edge = np.zeros(line.shape)
    for part in (slice(0, 3), slice(3, 5)):
        sharp, lasting = length_of((near_out - near_in)[..., part]), length_of((outside - inside)[..., part])
        edge += np.log1p(np.sqrt(sharp * (lasting + 1.0)) + LINE_WEIGHT * line) / 2
    return edge, outside[..., 3:], inside[..., 3:]


def _likeness(colour: Floats, wanted: Floats, other: Floats) -> Floats:
    """How much more a colour (rows, columns, channels) is like the one than like the other: -1 to 1."""
    to, fro = length_of(colour - wanted), length_of(colour - other)
    return (fro - to) / (fro + to + 4.0)
